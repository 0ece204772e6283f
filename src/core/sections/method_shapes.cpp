#include "core/sections/method_shapes.h"

#include "core/geometry/measure.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double rough_margin = mm_per_inch / 4;
constexpr double least_border = 0.5;
constexpr double peeks = 0.2; ///< mm2 outside the room that nobody can see
constexpr int circle_corners = 72;

} // namespace

bool lies_within(const Polygon& shape, const Polygon& room) {
    const Box a = bounds(shape);
    const Box b = bounds(room).grown(0.01);
    if (!b.contains({a.x0, a.y0}) || !b.contains({a.x1, a.y1})) return false;
    const auto outside = subtract({shape}, {room});
    return outside && area(*outside) <= peeks;
}

double lip_of(const Ring& opening, const Ring& shape) {
    for (Point p : opening)
        if (!contains(shape, p)) return -1;
    return gap(opening, shape).distance;
}

std::optional<Polygon> inlay_shape(const Polygon& opening, double clearance) {
    const double half = least_inlay / 2;
    // Shrunk until the narrow parts vanish, then grown back to the clearance.
    const auto core = grow({opening}, -clearance - half);
    if (!core || core->empty()) return {};
    const auto back = grow(*core, half);
    if (!back || back->empty()) return {};
    return simplified(largest(*back), 0.02);
}

Polygon rough_rectangle(const Polygon& patch) {
    const Ring tight = smallest_rectangle_around(patch.outer);
    if (tight.empty()) return patch;
    const auto grown = grow({{tight, {}}}, rough_margin, Corner::Sharp);
    return grown && !grown->empty() ? largest(*grown) : patch;
}

std::optional<Punched> punch_behind(const Polygon& opening, const Polygon& room,
                                    const std::vector<double>& punches) {
    const auto around = smallest_circle_around(opening.outer);
    if (!around) return {};
    for (const double d : punches) {
        if (d / 2 < around->radius + least_lip) continue;
        Punched p{{circle(around->centre, d / 2, circle_corners), {}}, d, 0, 0};
        p.lip = lip_of(opening.outer, p.outline.outer);
        if (p.lip < 0) continue;
        if (!lies_within(p.outline, room)) return {}; // larger ones reach farther
        return p;
    }
    return {};
}

std::optional<Punched> punch_on_top(const Polygon& opening, const std::vector<double>& punches) {
    const auto inside = largest_circle(opening, 0.05);
    if (!inside) return {};
    for (auto d = punches.rbegin(); d != punches.rend(); ++d)
        if (*d / 2 + least_border <= inside->radius)
            return Punched{
                {circle(inside->centre, *d / 2, circle_corners), {}}, *d, 0, inside->radius - *d / 2};
    return {};
}

} // namespace zesty
