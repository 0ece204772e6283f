#pragma once
// A straight line through points that lie on it but for grain.

#include "core/geometry/shapes.h"

namespace zesty {

struct FittedLine {
    Point at;
    Point way;             ///< of length 1
    double off = 0;        ///< greatest distance of a point it was fitted to
    double spread = 0;     ///< root mean square of these distances
    std::size_t count = 0; ///< of the points
};

/// Total least squares; there must be a point.
FittedLine fitted(const std::vector<Point>& points);

/// Where two lines that are not parallel meet.
Point meeting(const FittedLine& a, const FittedLine& b);

} // namespace zesty
