#include "core/geometry/shapes.h"

#include <cassert>

namespace zesty {

Transform Transform::turned_deg(double deg) {
    const double quarter = std::round(deg / 90.0);
    if (std::abs(deg - 90.0 * quarter) < 1e-12) {
        const int q = ((static_cast<int>(quarter) % 4) + 4) % 4;
        const double c[] = {1, 0, -1, 0};
        const double s[] = {0, 1, 0, -1};
        return {c[q], s[q], -s[q], c[q], 0, 0};
    }
    const double r = deg * M_PI / 180.0;
    return {std::cos(r), std::sin(r), -std::sin(r), std::cos(r), 0, 0};
}

Transform operator*(const Transform& t, const Transform& first) {
    return {t.a * first.a + t.c * first.b,       t.b * first.a + t.d * first.b,
            t.a * first.c + t.c * first.d,       t.b * first.c + t.d * first.d,
            t.a * first.e + t.c * first.f + t.e, t.b * first.e + t.d * first.f + t.f};
}

Transform inverse(const Transform& t) {
    assert(t.determinant() != 0);
    const double k = 1.0 / t.determinant();
    return {t.d * k, -t.b * k, -t.c * k, t.a * k, (t.c * t.f - t.d * t.e) * k, (t.b * t.e - t.a * t.f) * k};
}

Ring ring_of(const Box& b) {
    return {{b.x0, b.y0}, {b.x1, b.y0}, {b.x1, b.y1}, {b.x0, b.y1}};
}

Ring circle(Point centre, double radius, int corners) {
    Ring out;
    for (int i = 0; i < corners; ++i) {
        const double a = 2 * M_PI * i / corners;
        out.push_back(centre + Point{std::cos(a), std::sin(a)} * radius);
    }
    return out;
}

Ring transformed(const Ring& ring, const Transform& t) {
    Ring out;
    out.reserve(ring.size());
    for (Point p : ring) out.push_back(t(p));
    return out;
}

Polygon transformed(const Polygon& polygon, const Transform& t) {
    Polygon out{transformed(polygon.outer, t), {}};
    out.holes.reserve(polygon.holes.size());
    for (const Ring& h : polygon.holes) out.holes.push_back(transformed(h, t));
    return out;
}

Region transformed(const Region& region, const Transform& t) {
    Region out;
    out.reserve(region.size());
    for (const Polygon& p : region) out.push_back(transformed(p, t));
    return out;
}

} // namespace zesty
