#include "core/build/blade_path.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace zesty {

namespace {

constexpr double arc_step_deg = 10;

Point direction(Point from, Point to) {
    const double l = distance(from, to);
    return l > 0 ? (to - from) * (1 / l) : Point{1, 0};
}

/// From one direction to the other, the shorter way, in degrees.
double turn_between(Point from, Point to) {
    return std::atan2(cross(from, to), dot(from, to)) * 180 / std::numbers::pi;
}

Point turned(Point p, double deg) {
    return Transform::turned_deg(deg)(p);
}

/// The contour as points of one way: round and, beyond its start, on by the overcut.
std::vector<Point> with_overcut(const Ring& ring, double overcut) {
    std::vector<Point> out(ring.begin(), ring.end());
    out.push_back(ring.front());
    for (std::size_t i = 0; i < ring.size() && overcut > 0; ++i) {
        const Point a = ring[i];
        const Point b = ring[(i + 1) % ring.size()];
        const double edge = distance(a, b);
        if (edge <= 0) continue;
        out.push_back(edge <= overcut ? b : a + (b - a) * (overcut / edge));
        overcut -= edge;
    }
    return out;
}

Ring without_repeats(const Ring& ring) {
    Ring out;
    for (const Point p : ring)
        if (out.empty() || distance(out.back(), p) > 1e-9) out.push_back(p);
    while (out.size() > 1 && distance(out.front(), out.back()) <= 1e-9) out.pop_back();
    return out;
}

std::vector<Stroke> lifted(const std::vector<Point>& way, double sharp_deg) {
    std::vector<Stroke> out{{way.front()}};
    for (std::size_t i = 1; i < way.size(); ++i) {
        out.back().push_back(way[i]);
        if (i + 1 == way.size()) break;
        const double turn = turn_between(direction(way[i - 1], way[i]), direction(way[i], way[i + 1]));
        if (std::abs(turn) >= sharp_deg) out.push_back({way[i]});
    }
    return out;
}

Stroke swivelled(const std::vector<Point>& way, double offset, double sharp_deg) {
    Stroke out{way.front() + direction(way[0], way[1]) * offset};
    for (std::size_t i = 1; i < way.size(); ++i) {
        const Point along = direction(way[i - 1], way[i]);
        out.push_back(way[i] + along * offset);
        if (i + 1 == way.size()) break;
        const Point next = direction(way[i], way[i + 1]);
        const double turn = turn_between(along, next);
        // Round gentle turns the blade follows by itself; the arc keeps the tip in a sharp corner.
        const int steps = std::abs(turn) >= sharp_deg
                              ? std::max(1, static_cast<int>(std::ceil(std::abs(turn) / arc_step_deg)))
                              : 1;
        for (int k = 1; k <= steps; ++k) out.push_back(way[i] + turned(along, turn * k / steps) * offset);
    }
    return out;
}

} // namespace

std::vector<Stroke> blade_path(const Ring& contour, const CuttingSettings& settings) {
    const Ring ring = without_repeats(contour);
    if (ring.size() < 3) return {};
    const std::vector<Point> way = with_overcut(ring, settings.overcut);
    switch (settings.corners) {
    case Corners::Swivel:
        if (settings.blade_offset <= 0) break;
        return {swivelled(way, settings.blade_offset, settings.sharp_deg)};
    case Corners::Lift:
        return lifted(way, settings.sharp_deg);
    case Corners::Plain:
        break;
    }
    return {way};
}

Stroke tip_path(const Stroke& axis, double offset, double step) {
    if (axis.size() < 2) return axis;
    Point tip = axis[0] - direction(axis[0], axis[1]) * offset;
    Stroke out{tip};
    for (std::size_t i = 1; i < axis.size(); ++i) {
        const int steps = std::max(1, static_cast<int>(std::ceil(distance(axis[i - 1], axis[i]) / step)));
        for (int k = 1; k <= steps; ++k) {
            const Point at = axis[i - 1] + (axis[i] - axis[i - 1]) * (static_cast<double>(k) / steps);
            tip = at - direction(tip, at) * offset;
            out.push_back(tip);
        }
    }
    return out;
}

} // namespace zesty
