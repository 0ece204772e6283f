#pragma once
// Plain measurements of rings and polygons. All are exact up to floating point; empty input gives 0 or an
// empty box.

#include "core/geometry/shapes.h"

#include <algorithm>

namespace zesty {

/// Positive when the ring runs clockwise on a screen with y down (counter-clockwise with y up).
double signed_area(const Ring& ring);
/// Without the holes, never negative.
double area(const Polygon& polygon);
double area(const Region& region);

/// The polygon of the greatest area; the region must not be empty.
const Polygon& largest(const Region& region);

double perimeter(const Ring& ring);
/// Outer ring and holes together: what a blade travels.
double perimeter(const Polygon& polygon);

Box bounds(const Ring& ring);
Box bounds(const Polygon& polygon);
Box bounds(const Region& region);

Point centroid(const Ring& ring);

/// Even-odd test; points on the edge may count either way.
bool contains(const Ring& ring, Point p);
bool contains(const Polygon& polygon, Point p);

inline Point closest_on_segment(Point p, Point a, Point b) {
    const Point d = b - a;
    const double l2 = dot(d, d);
    if (l2 <= 0) return a;
    return a + d * std::clamp(dot(p - a, d) / l2, 0.0, 1.0);
}
double distance_to_segment(Point p, Point a, Point b);

/// What two boxes have in common; empty where they do not meet.
inline Box common(const Box& a, const Box& b) {
    return {std::max(a.x0, b.x0), std::max(a.y0, b.y0), std::min(a.x1, b.x1), std::min(a.y1, b.y1)};
}

/// The area of the polygon that lies in a convex ring, whichever way that runs (I. Sutherland and G. Hodgman,
/// "Reentrant polygon clipping", Communications of the ACM 17, 1974: what it adds along the edges has no
/// area).
double area_inside_convex(const Polygon& polygon, const Ring& convex);

/// Whether two rings that do not cross themselves lie on each other somewhere by more than `tolerance`: a
/// corner of one lies that deep in the other, or edges cross with their ends that far apart.
bool overlap_by(const Ring& a, const Ring& b, double tolerance);

/// True when the closed segments share at least one point.
bool segments_meet(Point a, Point b, Point c, Point d);

} // namespace zesty
