#include "core/geometry/measure.h"

#include <algorithm>
#include <cassert>

namespace zesty {

double signed_area(const Ring& ring) {
    if (ring.size() < 3) return 0;
    // Relative to the first point, so that small shapes far from the origin keep their digits.
    const Point o = ring.front();
    double sum = 0;
    for (std::size_t i = 1; i + 1 < ring.size(); ++i) sum += cross(ring[i] - o, ring[i + 1] - o);
    return sum / 2;
}

double area(const Polygon& polygon) {
    double sum = std::abs(signed_area(polygon.outer));
    for (const Ring& h : polygon.holes) sum -= std::abs(signed_area(h));
    return std::max(sum, 0.0);
}

double area(const Region& region) {
    double sum = 0;
    for (const Polygon& p : region) sum += area(p);
    return sum;
}

const Polygon& largest(const Region& region) {
    assert(!region.empty());
    return *std::max_element(region.begin(), region.end(),
                             [](const Polygon& a, const Polygon& b) { return area(a) < area(b); });
}

double perimeter(const Ring& ring) {
    double sum = 0;
    for (std::size_t i = 0; i < ring.size(); ++i) sum += distance(ring[i], ring[(i + 1) % ring.size()]);
    return sum;
}

double perimeter(const Polygon& polygon) {
    double sum = perimeter(polygon.outer);
    for (const Ring& h : polygon.holes) sum += perimeter(h);
    return sum;
}

Box bounds(const Ring& ring) {
    Box b;
    for (Point p : ring) b.add(p);
    return b;
}

Box bounds(const Polygon& polygon) {
    return bounds(polygon.outer);
}

Box bounds(const Region& region) {
    Box b;
    for (const Polygon& p : region) b.add(bounds(p));
    return b;
}

Point centroid(const Ring& ring) {
    if (ring.empty()) return {};
    const Point o = ring.front();
    Point sum;
    double twice = 0;
    for (std::size_t i = 1; i + 1 < ring.size(); ++i) {
        const Point u = ring[i] - o;
        const Point v = ring[i + 1] - o;
        const double c = cross(u, v);
        twice += c;
        sum = sum + (u + v) * c;
    }
    if (twice == 0) return bounds(ring).centre();
    return o + sum * (1 / (3 * twice));
}

bool contains(const Ring& ring, Point p) {
    bool inside = false;
    for (std::size_t i = 0, j = ring.size() - 1; i < ring.size(); j = i++) {
        const Point a = ring[i];
        const Point b = ring[j];
        if ((a.y > p.y) != (b.y > p.y) && p.x < (b.x - a.x) * (p.y - a.y) / (b.y - a.y) + a.x)
            inside = !inside;
    }
    return inside;
}

bool contains(const Polygon& polygon, Point p) {
    if (!contains(polygon.outer, p)) return false;
    return std::none_of(polygon.holes.begin(), polygon.holes.end(),
                        [&](const Ring& h) { return contains(h, p); });
}

double distance_to_segment(Point p, Point a, Point b) {
    return distance(p, closest_on_segment(p, a, b));
}

bool segments_meet(Point a, Point b, Point c, Point d) {
    const auto side = [](Point p, Point q, Point r) {
        const double v = cross(q - p, r - p);
        return v > 0 ? 1 : v < 0 ? -1 : 0;
    };
    const auto within = [](Point p, Point q, Point r) {
        return std::min(p.x, q.x) <= r.x && r.x <= std::max(p.x, q.x) && std::min(p.y, q.y) <= r.y &&
               r.y <= std::max(p.y, q.y);
    };
    const int s1 = side(a, b, c);
    const int s2 = side(a, b, d);
    const int s3 = side(c, d, a);
    const int s4 = side(c, d, b);
    if (s1 * s2 < 0 && s3 * s4 < 0) return true;
    return (s1 == 0 && within(a, b, c)) || (s2 == 0 && within(a, b, d)) || (s3 == 0 && within(c, d, a)) ||
           (s4 == 0 && within(c, d, b));
}

} // namespace zesty
