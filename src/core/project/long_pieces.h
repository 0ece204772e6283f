#pragma once
// Rectangles as long as the sheet they come from: a nesting that rounds to cells finds no place for them, a
// trimmer does.

#include "core/project/dress_pieces.h"

namespace zesty {

/// Cuts the pieces of a paper that are nearly as long as its longest sheet from the edges of sheets and notes
/// their places; what they take is pinned on the sheets, and the pieces are left out of what is returned.
DressCutting::OfPaper without_long_pieces(const DressCutting::OfPaper& paper, double gap,
                                          std::vector<DressPlace>& places);

} // namespace zesty
