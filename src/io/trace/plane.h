#pragma once
// The picture's plane made real by a square of known size: pixels to millimetres.

#include "core/geometry/shapes.h"
#include "core/result.h"

#include <array>
#include <optional>

namespace zesty {

/// A projective map of the plane.
class PlaneMap {
public:
    /// Maps four corners, in order, onto the four others. Corners must not lie in a line by threes.
    static PlaneMap between(const std::array<Point, 4>& from, const std::array<Point, 4>& to);
    Point operator()(Point p) const;

private:
    std::array<double, 9> m_{1, 0, 0, 0, 1, 0, 0, 0, 1};
};

/// The corners of a square seen in a contour, clockwise as drawn, from lines fitted to its four sides;
/// nothing when the contour does not have four straight sides of about equal length.
std::optional<std::array<Point, 4>> square_corners(const Ring& contour);

/// The same for any four straight sides, the shortest of at least that share of the longest.
std::optional<std::array<Point, 4>> quad_corners(const Ring& contour, double least_share);

/// Four corners from the one nearest to the top left, clockwise as seen.
std::array<Point, 4> upright(std::array<Point, 4> corners);

} // namespace zesty
