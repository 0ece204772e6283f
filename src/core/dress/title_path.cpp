#include "core/dress/title_path.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"

#include <algorithm>
#include <cassert>
#include <cmath>

namespace zesty {

namespace {

constexpr double sag = 0.02;      ///< mm by which a chord may leave its curve
constexpr int offset_facets = 32; ///< per quarter of a round corner

std::vector<Point> circle_way(const TitlePath& path) {
    const double step_deg = 2 * std::acos(1 - std::min(0.5, sag / path.radius)) * 180 / M_PI;
    const int steps = std::max(2, static_cast<int>(std::ceil(std::abs(path.sweep_deg) / step_deg)));
    std::vector<Point> out;
    for (int i = 0; i <= steps; ++i) {
        const double deg = path.from_deg + path.sweep_deg * i / steps;
        out.push_back(path.centre + Transform::turned_deg(deg)({path.radius, 0}));
    }
    return out;
}

/// So much of a contour, clockwise, from a share of its length on; the highest point is 0.
std::vector<Point> along_contour(const Polygon& contour, const TitlePath& path) {
    const auto grown = path.offset == 0 ? Result<Region>(Region{contour})
                                        : grow({contour}, path.offset, Corner::Round, offset_facets);
    if (!grown || grown->empty()) return {};
    Ring ring = largest(*grown).outer;
    if (signed_area(ring) < 0) std::reverse(ring.begin(), ring.end());
    const auto top = std::min_element(ring.begin(), ring.end(), [](Point a, Point b) { return a.y < b.y; });
    std::rotate(ring.begin(), top, ring.end());
    const double whole = perimeter(ring);
    double skip = std::clamp(path.start, 0.0, 1.0) * whole;
    double left = std::min(path.length, whole);
    std::vector<Point> out;
    for (std::size_t i = 0; left > 1e-9 && i < 3 * ring.size(); ++i) {
        const Point a = ring[i % ring.size()];
        const Point b = ring[(i + 1) % ring.size()];
        const double edge = distance(a, b);
        if (edge <= skip) {
            skip -= edge;
            continue;
        }
        const Point from = a + (b - a) * (skip / edge);
        const double taken = std::min(left, edge - skip);
        skip = 0;
        if (out.empty()) out.push_back(from);
        out.push_back(from + (b - a) * (taken / edge));
        left -= taken;
    }
    return out;
}

std::vector<Point> points_of(const DressNow& now, const TitlePath& path) {
    if (path.on == TitleOn::Line) {
        const Point half = Transform::turned_deg(path.turn_deg)({path.length / 2, 0});
        return {path.centre - half, path.centre + half};
    }
    if (path.on == TitleOn::Circle) return circle_way(path);
    if (!now.sections.cut) return {};
    const CutFile& cut = *now.sections.cut;
    if (path.on == TitleOn::Opening) {
        const auto at = std::find(now.sections.spots.begin(), now.sections.spots.end(), path.opening);
        if (at == now.sections.spots.end()) return {};
        const auto o = static_cast<std::size_t>(at - now.sections.spots.begin());
        return along_contour({transformed(cut.openings[o].outline.outer, now.whole.to_page), {}}, path);
    }
    const Piece* outermost = nullptr;
    for (const Piece& p : cut.pieces)
        if (p.layer < static_cast<int>(now.page.cuts.size()) &&
            now.page.cuts[static_cast<std::size_t>(p.layer)].id == path.cut && p.in_opening < 0 &&
            (!outermost || p.box.area() > outermost->box.area()))
            outermost = &p;
    if (!outermost) return {};
    return along_contour({transformed(outermost->outline.outer, now.whole.to_page), {}}, path);
}

} // namespace

Way::Way(std::vector<Point> points) {
    for (const Point p : points) {
        if (!points_.empty() && distance(points_.back(), p) < 1e-9) continue;
        at_.push_back(points_.empty() ? 0 : at_.back() + distance(points_.back(), p));
        points_.push_back(p);
    }
    assert(points_.size() > 1);
}

Point Way::point(double along) const {
    const auto next = std::upper_bound(at_.begin() + 1, at_.end() - 1, along);
    const auto i = static_cast<std::size_t>(next - at_.begin());
    const double share = (along - at_[i - 1]) / (at_[i] - at_[i - 1]);
    return points_[i - 1] + (points_[i] - points_[i - 1]) * share;
}

Way::Place Way::place(double along, double width) const {
    const double reach = std::max(width / 2, 0.05);
    const Point from = point(along - reach);
    const Point to = point(along + reach);
    const Point way = to - from;
    return {(from + to) * 0.5, std::atan2(way.y, way.x) * 180 / M_PI};
}

std::optional<Way> way_of(const DressNow& now, const TitlePath& path) {
    std::vector<Point> points = points_of(now, path);
    double length_of_all = 0;
    for (std::size_t i = 1; i < points.size(); ++i) length_of_all += distance(points[i - 1], points[i]);
    if (length_of_all < 1e-6) return std::nullopt;
    return Way(std::move(points));
}

} // namespace zesty
