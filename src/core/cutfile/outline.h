#pragma once
// Drawings that only have lines.

#include "core/cutfile/drawing.h"

namespace zesty {

struct Outline {
    std::vector<Ring> rings; ///< closed, each once
    std::vector<std::string> warnings;
};

/// Joins, closes and thins out the contours of a drawing in which nothing is filled. `size` is the larger
/// side of the drawing; ends closer than 1e-4 of it count as meeting.
Outline outline_of(const std::vector<Contour>& contours, double size);

} // namespace zesty
