#pragma once
// A paper as it is typed after zesty stash.

#include "core/result.h"
#include "core/stash/stash.h"

#include <optional>
#include <string>
#include <vector>

namespace zesty::cli {

/// Changes the database of papers, then lists those that are looked for.
struct StashArgs {
    std::string stash;
    std::string import, export_to, remove, reserve, release;
    std::string add, name, colour, picture, pattern, direction, strip, repeat, kept_in, notes;
    std::string back_colour, back_picture, back_pattern, back_direction;
    std::string palette, back_palette, finish, trim;
    std::optional<double> angle, back_angle, weight;
    bool no_back = false, use_up = false, not_first = false;
    std::vector<std::string> sheets, less;
    std::string merge, into, backup, restore;
    std::string fussy, take_fussy, drop_fussy, tolerance;
    std::string more_fussy, less_fussy, name_fussy, brush;
    bool untouched = false, first = false;
    std::string offcut, square;
    std::string find, like, kind, room;
    bool in_stock = false, crop = false, starter = false, ignore_columns = false;
    std::string embellishment, outline_of, thickness, white_rim, on_sheet, letters, remove_thing, thing_name,
        thing_colour, thing_kept_in, outline_square, drop_outs;
    int of_cut = 1;
    bool json = false;
};

/// "#rrggbb" or words; an error names the option.
Result<Rgb> typed_colour(const char* option, const std::string& text);

/// The paper of --add with what it is or becomes among those there are now: new, or changed where it is
/// known. With the pictures it shows.
Result<Stash> added(StashArgs args, const Stash& now);

} // namespace zesty::cli
