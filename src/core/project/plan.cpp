#include "core/project/plan.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <set>

namespace zesty {

int Plan::patch_of(int opening) const {
    return zesty::patch_of(sections, opening);
}

int Plan::opening_at(Point on_page) const {
    if (!sections.cut) return -1;
    const Point p = inverse(set_out.whole.to_page)(on_page);
    int best = -1;
    for (std::size_t o = 0; o < sections.cut->openings.size(); ++o) {
        const Opening& opening = sections.cut->openings[o];
        if (!opening.box.contains(p) || !contains(opening.outline.outer, p)) continue;
        if (best < 0 || opening.area < sections.cut->openings[best].area) best = static_cast<int>(o);
    }
    return best;
}

Point Plan::middle_of(int opening) const {
    return zesty::middle_of(sections, set_out.whole, opening);
}

bool Plan::has_problems() const {
    return std::any_of(findings.begin(), findings.end(),
                       [](const Finding& f) { return f.severity() == Severity::Problem; });
}

double Plan::patch_area() const {
    double sum = 0;
    for (const Patch& p : sections.patches) sum += p.paper_area();
    return sum;
}

std::vector<Spot> Plan::spots_of(const std::vector<int>& openings) const {
    std::vector<Spot> out;
    for (int o : openings)
        if (o >= 0 && o < static_cast<int>(sections.spots.size())) out.push_back(sections.spots[o]);
    return out;
}

std::vector<BarName> Plan::bars_among(const std::vector<int>& openings) const {
    std::set<BarName> out;
    if (!sections.cut) return {};
    const auto chosen = [&](int o) {
        return std::find(openings.begin(), openings.end(), o) != openings.end();
    };
    const auto whole = [&](int o) { return Spot(sections.spots[o].cut, sections.spots[o].opening); };
    for (const Bar& b : sections.cut->bars) {
        if (b.b == Bar::edge || whole(b.a) == whole(b.b)) continue;
        if (openings.size() == 1 ? chosen(b.a) || chosen(b.b) : chosen(b.a) && chosen(b.b))
            out.insert(std::minmax(whole(b.a), whole(b.b)));
    }
    return {out.begin(), out.end()};
}

} // namespace zesty
