#include "core/project/which_photo.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"

namespace zesty {

namespace {

constexpr double seen_area = 1; ///< mm2 of another opening in which an edge would show

} // namespace

std::vector<int> openings_round(const Plan& plan, double diameter, double overlap) {
    std::vector<int> out;
    if (!plan.sections.cut) return out;
    const auto& openings = plan.sections.cut->openings;
    std::vector<Polygon> there;
    for (const Opening& o : openings) there.push_back(transformed(o.outline, plan.set_out.whole.to_page));
    Region material;
    for (const Piece& p : plan.sections.cut->pieces)
        if (p.in_opening < 0)
            material.push_back({transformed(p.outline.outer, plan.set_out.whole.to_page), {}});
    for (std::size_t o = 0; o < there.size(); ++o) {
        const auto around = smallest_circle_around(there[o].outer);
        if (!around || 2 * (around->radius + overlap) > diameter) continue;
        const Polygon circle_there{circle(around->centre, diameter / 2, 96), {}};
        const Box box = bounds(circle_there);
        bool hidden = true;
        for (std::size_t k = 0; k < there.size() && hidden; ++k)
            if (k != o && box.meets(bounds(there[k])))
                hidden = area_inside_convex(there[k], circle_there.outer) < seen_area;
        // Nor may it look out beside the cut.
        double behind = 0;
        for (const Polygon& p : material) behind += area_inside_convex(p, circle_there.outer);
        if (hidden && area(circle_there) - behind < seen_area) out.push_back(static_cast<int>(o));
    }
    return out;
}

Result<std::vector<WayToPrint>> which_photo(const Project& project, const Plan& plan, int photo) {
    const Photo& asked = project.set_out.photos[static_cast<std::size_t>(photo)];
    auto out = ways_to_print(asked, project.units);
    if (out.empty())
        return fail(ErrorKind::NothingToDo, "the photo has no picture yet: choose its file first");
    for (WayToPrint& way : out) {
        if (!way.photo.round) continue;
        way.edge_behind = openings_round(plan, way.photo.width, project.set_out.usual.photo_overlap);
        if (way.edge_behind.empty()) continue;
        way.in_words += " Its edge can be hidden behind the bars round " +
                        std::string(way.edge_behind.size() == 1 ? "opening " : "openings ") +
                        numbers(way.edge_behind) + ".";
    }
    return out;
}

} // namespace zesty
