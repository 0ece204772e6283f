#include "core/sections/division.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <array>

namespace zesty {

namespace {

constexpr int ring_corners = 180;

Ring strip(double y0, double y1, double x0, double x1) {
    return {{x0, y0}, {x1, y0}, {x1, y1}, {x0, y1}};
}

/// A wedge from `from` to `to` degrees, wide enough to leave the box.
Ring wedge(Point c, double from, double to, double reach) {
    Ring out{c};
    const int steps = std::max(1, static_cast<int>(std::ceil((to - from) / 30)));
    for (int i = 0; i <= steps; ++i) {
        const double a = (from + (to - from) * i / steps) * M_PI / 180;
        out.push_back(c + Point{std::cos(a), std::sin(a)} * reach);
    }
    return out;
}

} // namespace

Division within_limits(Division d) {
    d.count = std::clamp(d.count, 1, most_parts);
    d.rows = std::clamp(d.rows, 1, d.kind == Division::Kind::Grid ? most_parts / d.count : most_parts);
    d.turn_deg = brought_round(d.turn_deg);
    d.at = {division_place_limits.nearest(d.at.x), division_place_limits.nearest(d.at.y)};
    return d;
}

std::vector<Region> cells(const Division& d, const Box& box) {
    const Point at{box.x0 + d.at.x * box.width(), box.y0 + d.at.y * box.height()};
    const double far = 20 * box.diagonal() + 1;
    const int count = std::clamp(d.count, 1, most_parts);
    std::vector<Region> out;
    const Transform turn = Transform::moved(at.x, at.y) * Transform::turned_deg(d.turn_deg);
    // The box as the turned bands see it.
    Box seen;
    for (const Point p :
         {Point{box.x0, box.y0}, Point{box.x1, box.y0}, Point{box.x0, box.y1}, Point{box.x1, box.y1}})
        seen.add(inverse(turn)(p));
    const auto add = [&](const Ring& r) { out.push_back({{transformed(r, turn), {}}}); };
    const auto edge = [&](int i, int n, double from, double to) {
        return i == 0 ? -far : i == n ? far : from + (to - from) * i / n;
    };
    switch (d.kind) {
    case Division::Kind::Line:
        add(strip(-far, 0, -far, far));
        add(strip(0, far, -far, far));
        break;
    case Division::Kind::Bands:
        for (int i = 0; i < count; ++i)
            add(strip(edge(i, count, seen.y0, seen.y1), edge(i + 1, count, seen.y0, seen.y1), -far, far));
        break;
    case Division::Kind::Grid: {
        const int rows = std::clamp(d.rows, 1, most_parts / count);
        for (int r = 0; r < rows; ++r)
            for (int c = 0; c < count; ++c)
                add(strip(edge(r, rows, seen.y0, seen.y1), edge(r + 1, rows, seen.y0, seen.y1),
                          edge(c, count, seen.x0, seen.x1), edge(c + 1, count, seen.x0, seen.x1)));
        break;
    }
    case Division::Kind::Rays:
        for (int i = 0; i < count; ++i)
            add(count == 1 ? strip(-far, far, -far, far)
                           : wedge({}, 360.0 * i / count, 360.0 * (i + 1) / count, far));
        break;
    case Division::Kind::Rings: {
        double reach = 0;
        for (const Point p : {Point{seen.x0, seen.y0}, Point{seen.x1, seen.y0}, Point{seen.x0, seen.y1},
                              Point{seen.x1, seen.y1}})
            reach = std::max(reach, length(p));
        for (int i = 0; i < count; ++i) {
            const Ring outer = i + 1 == count ? strip(-far, far, -far, far)
                                              : circle({}, reach * (i + 1) / count, ring_corners);
            Polygon ring{transformed(outer, turn), {}};
            if (i > 0) ring.holes.push_back(transformed(circle({}, reach * i / count, ring_corners), turn));
            out.push_back({ring});
        }
        break;
    }
    }
    return out;
}

Result<std::vector<DividedPart>> divide(const Polygon& outline, const std::vector<Region>& cells) {
    const double least = area(outline) * 1e-5;
    std::vector<DividedPart> out;
    std::vector<DividedPart> islands;
    for (std::size_t i = 0; i < cells.size(); ++i) {
        auto part = intersect({outline}, cells[i]);
        if (!part) return tl::make_unexpected(part.error());
        std::erase_if(*part, [&](const Polygon& p) { return area(p) < least; });
        std::sort(part->begin(), part->end(),
                  [](const Polygon& a, const Polygon& b) { return area(a) > area(b); });
        for (std::size_t k = 0; k < part->size(); ++k)
            (k == 0 ? out : islands).push_back({std::move((*part)[k]), i});
    }
    out.insert(out.end(), islands.begin(), islands.end());
    return out;
}

} // namespace zesty
