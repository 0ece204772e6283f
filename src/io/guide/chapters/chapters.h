#pragma once
// The chapters of the printed guide, one file each, and the row of them in the order of the work.

#include "io/guide/guide_paper.h"

#include <array>

namespace zesty::guide {

/// The page as it will be, and what it takes.
void print_cover(GuidePaper& g);
/// What is where.
void print_key(GuidePaper& g);
/// What has to be measured, ordered and cut before anything is glued; nothing where there is nothing.
void print_preparation(GuidePaper& g);
void print_cutting_mats(GuidePaper& g);
/// Nothing where there are none.
void print_loose_pieces(GuidePaper& g);
/// Seen from the good side.
void print_sheets(GuidePaper& g);
/// Mirrored, for tracing on the back.
void print_tracing_sheets(GuidePaper& g);

/// Lines to write on; nothing where there is no journaling.
void print_journaling(GuidePaper& g);

/// Foam and glue with a map of each cut that something is tucked behind; nothing where all is glued flat.
void print_glue(GuidePaper& g);
/// The page at true scale, in tiles.
void print_placement(GuidePaper& g);

/// Papers, adhesives, foam and the like, by list.
void print_lists(GuidePaper& g);
/// Nothing where nothing is trimmed.
void print_trimming(GuidePaper& g);
/// Every step to tick off.
void print_steps(GuidePaper& g);

/// In the order of Chapter.
inline constexpr std::array chapters{
    print_cover,      print_key,          print_preparation,  print_trimming, print_lists,
    print_steps,      print_cutting_mats, print_loose_pieces, print_sheets,   print_tracing_sheets,
    print_journaling, print_glue,         print_placement};

static_assert(chapters.size() == words_of<Chapter>.size());

} // namespace zesty::guide
