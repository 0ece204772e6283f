#include "core/project/drawn_line.h"

#include "core/geometry/measure.h"

namespace zesty {

namespace {

constexpr int looks = 64;

/// Which share of the line lies in the opening.
int points_inside(const Polygon& opening, Point from, Point to) {
    int inside = 0;
    for (int i = 0; i <= looks; ++i)
        inside += contains(opening.outer, from + (to - from) * (static_cast<double>(i) / looks));
    return inside;
}

} // namespace

std::optional<DrawnDivision> division_by_line(const Plan& plan, Point from, Point to) {
    if (!plan.sections.cut || distance(from, to) < 1) return {};
    int best = -1;
    int most = 0;
    for (std::size_t o = 0; o < plan.sections.cut->openings.size(); ++o) {
        if (plan.sections.cut_of_opening[o] < 0 || plan.sections.spots[o].part != 0 ||
            plan.sections.spots[o].opening >= first_piece_spot)
            continue;
        const int inside = points_inside(
            transformed(plan.sections.cut->openings[o].outline, plan.set_out.whole.to_page), from, to);
        if (inside > most) {
            most = inside;
            best = static_cast<int>(o);
        }
    }
    if (best < 0) return {};
    const Transform to_drawing = inverse(plan.set_out.each[plan.sections.cut_of_opening[best]].to_page);
    const Box box = bounds(transformed(plan.sections.cut->openings[best].outline.outer,
                                       to_drawing * plan.set_out.whole.to_page));
    const Point a = to_drawing(from);
    const Point b = to_drawing(to);
    const Point middle = (a + b) * 0.5;
    Division d;
    d.kind = Division::Kind::Line;
    d.turn_deg = std::remainder(std::atan2(b.y - a.y, b.x - a.x) * 180 / M_PI, 360.0);
    d.at = {(middle.x - box.x0) / std::max(box.width(), 1e-9),
            (middle.y - box.y0) / std::max(box.height(), 1e-9)};
    return DrawnDivision{plan.sections.spots[best], d};
}

} // namespace zesty
