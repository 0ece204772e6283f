#pragma once
// Papers as a table for spreadsheets (RFC 4180): one row for each kind of sheet, the paper's own facts on
// every row.
//
// Columns: id, name, colour, image, pattern, direction, width_mm, height_mm, outline, count, repeat_mm,
// strip_mm, weight_gsm, kept_in, notes, finish, use_up (yes), palette, uid, and those of side B. `outline` is
// rings of "x y" parted by ";", rings parted by "|"; it stands in the place of width and height. Rows of one
// id are one paper; facts come from its first row.

#include "io/stash_json.h"

namespace zesty {

std::string stash_csv(const Stash& stash);

/// Columns that a table has and nobody knows, in their order; what stands there is not taken over.
std::vector<std::string> unknown_columns(const std::string& bytes);

/// The columns may come in any order; those that are missing are empty. A list somebody has typed may do with
/// name, colour (in words, too), size ("12x12", in inches) and count. Pictures as for stash_from().
Result<Stash> stash_from_csv(const std::string& bytes, const std::string& what,
                             const PictureSource& pictures);

} // namespace zesty
