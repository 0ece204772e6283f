#pragma once
// Finding the bars of a cut.

#include "core/cutfile/cut_file.h"

namespace zesty {

/// Every bar between two openings of one piece, and between an opening and the outer edge, with nothing else
/// in between; narrowest first. Widths are exact distances between the contours.
std::vector<Bar> find_bars(const std::vector<Piece>& pieces, const std::vector<Opening>& openings);

} // namespace zesty
