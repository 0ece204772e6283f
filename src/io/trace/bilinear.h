#pragma once
// A level between the pixels of a picture.

#include "core/geometry/shapes.h"

#include <algorithm>

namespace zesty {

/// Bilinear, from `level(column, row)` at the middles of the pixels; outside, the nearest pixel's. The
/// picture is at least 2 x 2 pixels, `p` in pixels from its top left corner.
template <class Level> double bilinear(int width, int height, Point p, Level level) {
    const double x = std::clamp(p.x - 0.5, 0.0, width - 1.001);
    const double y = std::clamp(p.y - 0.5, 0.0, height - 1.001);
    const int c = static_cast<int>(x);
    const int r = static_cast<int>(y);
    const double u = x - c;
    const double v = y - r;
    return (level(c, r) * (1 - u) + level(c + 1, r) * u) * (1 - v) +
           (level(c, r + 1) * (1 - u) + level(c + 1, r + 1) * u) * v;
}

} // namespace zesty
