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

/// From the page to where an opening is divided, as its drawing lies, and the whole opening's box there.
std::pair<Transform, Box> divided_box(const Plan& plan, int opening) {
    const SectionFacts& facts = plan.sections;
    const Transform to_drawing = inverse(plan.set_out.each[facts.cut_of_opening[opening]].to_page);
    const Spot whole(facts.spots[opening].cut, facts.spots[opening].opening);
    Box box;
    for (std::size_t o = 0; o < facts.spots.size(); ++o)
        if (Spot(facts.spots[o].cut, facts.spots[o].opening) == whole)
            box.add(bounds(
                transformed(facts.cut->openings[o].outline.outer, to_drawing * plan.set_out.whole.to_page)));
    return {to_drawing, box};
}

Point share_of(const Box& box, Point p) {
    return {division_place_limits.nearest((p.x - box.x0) / std::max(box.width(), 1e-9)),
            division_place_limits.nearest((p.y - box.y0) / std::max(box.height(), 1e-9))};
}

} // namespace

Division about_place(const Project& project, const Plan& plan, int opening, Division division,
                     Point on_page) {
    if (opening < 0 || plan.sections.cut_of_opening[opening] < 0) {
        division.at = share_of(base_of(project.set_out.page), on_page);
        return division;
    }
    const auto [to_drawing, box] = divided_box(plan, opening);
    division.at = share_of(box, to_drawing(on_page));
    return division;
}

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
    const auto [to_drawing, box] = divided_box(plan, best);
    const Point a = to_drawing(from);
    const Point b = to_drawing(to);
    Division d;
    d.kind = Division::Kind::Line;
    d.turn_deg = std::remainder(std::atan2(b.y - a.y, b.x - a.x) * 180 / M_PI, 360.0);
    d.at = share_of(box, (a + b) * 0.5);
    return DrawnDivision{plan.sections.spots[best], d};
}

} // namespace zesty
