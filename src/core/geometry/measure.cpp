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

namespace {

bool has_corner_deep_in(const Ring& a, const Ring& b, const Box& both, double tolerance) {
    for (const Point p : a) {
        if (!both.contains(p) || !contains(b, p)) continue;
        bool deep = true;
        for (std::size_t i = 0; deep && i < b.size(); ++i)
            deep = distance_to_segment(p, b[i], b[(i + 1) % b.size()]) > tolerance;
        if (deep) return true;
    }
    return false;
}

/// How far p lies to one side of the line through a and b.
double beside(Point p, Point a, Point b) {
    const Point d = b - a;
    return cross(d, p - a) / std::max(length(d), 1e-12);
}

/// Each has its ends on both sides of the other, none nearer to it than the tolerance.
bool cross_clearly(Point a, Point b, Point c, Point d, double tolerance) {
    const auto parted = [&](double one, double other) {
        return std::min(std::abs(one), std::abs(other)) > tolerance && (one > 0) != (other > 0);
    };
    return parted(beside(a, c, d), beside(b, c, d)) && parted(beside(c, a, b), beside(d, a, b));
}

} // namespace

bool overlap_by(const Ring& a, const Ring& b, double tolerance) {
    const Box both = common(bounds(a), bounds(b));
    if (both.x1 - both.x0 <= tolerance || both.y1 - both.y0 <= tolerance) return false;
    if (has_corner_deep_in(a, b, both, tolerance) || has_corner_deep_in(b, a, both, tolerance)) return true;
    const auto edges_in_both = [&](const Ring& ring) {
        std::vector<std::pair<Point, Point>> out;
        for (std::size_t i = 0; i < ring.size(); ++i) {
            const Point p = ring[i];
            const Point q = ring[(i + 1) % ring.size()];
            Box edge;
            edge.add(p);
            edge.add(q);
            if (edge.meets(both)) out.emplace_back(p, q);
        }
        return out;
    };
    const auto of_b = edges_in_both(b);
    for (const auto& [p, q] : edges_in_both(a))
        for (const auto& [r, s] : of_b)
            if (cross_clearly(p, q, r, s, tolerance)) return true;
    return false;
}

double area_inside_convex(const Polygon& polygon, const Ring& convex) {
    const double way = signed_area(convex) > 0 ? 1 : -1;
    const auto inside = [&](Ring ring) {
        for (std::size_t i = 0; i < convex.size() && !ring.empty(); ++i) {
            const Point a = convex[i];
            const Point along = convex[(i + 1) % convex.size()] - a;
            const auto depth = [&](Point p) { return way * cross(along, p - a); };
            Ring kept;
            for (std::size_t k = 0; k < ring.size(); ++k) {
                const Point p = ring[k];
                const Point q = ring[(k + 1) % ring.size()];
                const double dp = depth(p);
                const double dq = depth(q);
                if (dp >= 0) kept.push_back(p);
                if ((dp > 0 && dq < 0) || (dp < 0 && dq > 0)) kept.push_back(p + (q - p) * (dp / (dp - dq)));
            }
            ring = std::move(kept);
        }
        return ring.size() < 3 ? 0.0 : std::abs(signed_area(ring));
    };
    double sum = inside(polygon.outer);
    for (const Ring& hole : polygon.holes) sum -= inside(hole);
    return std::max(0.0, sum);
}

} // namespace zesty
