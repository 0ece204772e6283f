#pragma once
// Where straight edges in a picture really are: between its pixels.

#include "core/geometry/shapes.h"

#include <array>
#include <cstdint>
#include <optional>
#include <vector>

namespace zesty {

struct GreyPicture {
    int width = 0;
    int height = 0;
    std::vector<std::uint8_t> levels; ///< row by row from the top

    /// Between pixel middles; outside, the nearest pixel's level.
    double at(Point p) const;
};

struct SharpSquare {
    std::array<Point, 4> corners; ///< in the order of the rough ones
    double error = 0;             ///< how far off a corner may be, about one standard deviation, pixels
};

/// The corners of a square of which they are known to a few pixels: each side is crossed many times, the
/// place where the level is half way between inside and outside found to a fraction of a pixel, and a line
/// fitted to these places. Nothing when a side is no straight edge.
std::optional<SharpSquare> sharpened(const GreyPicture& picture, const std::array<Point, 4>& rough);

} // namespace zesty
