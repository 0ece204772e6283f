#include "core/dress/coverage.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sections/hidden.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double hardly_any = 0.5; ///< mm2 that nobody sees

/// From which place on things of the pile lie above an opening.
std::size_t above_opening(const DressNow& now, const std::vector<LyingThing>& pile, int opening) {
    const int cut = now.sections.cut_of_opening[static_cast<std::size_t>(opening)];
    if (cut < 0) return 0;
    for (std::size_t i = 0; i < pile.size(); ++i)
        if (pile[i].what == Lying::Cut && pile[i].index == cut) return i + 1;
    return pile.size();
}

/// A part whose middle is nowhere `sliver_width` wide. Corners count as such only where nothing else is left.
bool is_narrow(const Polygon& part) {
    const auto core = grow({part}, -sliver_width / 2, Corner::Sharp);
    return core && core->empty();
}

void look_at_what_is_left(const Polygon& opening, const Region& seen, CoveredOpening& out) {
    for (const Polygon& part : seen) {
        const bool little = out.left < sliver_share * area(opening);
        if (area(part) < hardly_any || (!little && !is_narrow(part))) continue;
        const auto circle = largest_circle(part, 0.1);
        const double width = circle ? 2 * circle->radius : 0;
        if (out.sliver && width >= out.width) continue;
        out.sliver = true;
        out.width = width;
        out.at = circle ? circle->centre : bounds(part).centre();
    }
}

/// An opening that is as narrow as a sliver itself cannot look like a mistake.
bool can_leave_slivers(const DressNow& now, int opening) {
    const auto o = static_cast<std::size_t>(opening);
    const Treatment t = now.sections.all[static_cast<std::size_t>(now.sections.of_opening[o])].treatment;
    return t != Treatment::Open &&
           2 * now.sections.cut->openings[o].label.radius * now.whole.scale >= sliver_width;
}

std::optional<CoveredOpening> covered(const DressNow& now, const std::vector<LyingThing>& pile, int opening) {
    const auto o = static_cast<std::size_t>(opening);
    Box near;
    for (const Point p : ring_of(now.sections.cut->openings[o].box)) near.add(now.whole.to_page(p));
    const std::size_t above = above_opening(now, pile, opening);
    if (std::none_of(pile.begin() + static_cast<std::ptrdiff_t>(above), pile.end(),
                     [&](const LyingThing& thing) { return thing.hides && thing.box.meets(near); }))
        return std::nullopt;
    const Polygon outline = transformed(now.sections.cut->openings[o].outline, now.whole.to_page);
    const Box box = bounds(outline);
    CoveredOpening out;
    out.opening = opening;
    Region seen{outline};
    for (std::size_t i = above; i < pile.size(); ++i) {
        if (!pile[i].hides || !pile[i].box.meets(box)) continue;
        out.by.push_back(static_cast<int>(i));
        if (seen.empty()) continue;
        auto rest = subtract(seen, pile[i].outline);
        if (!rest) return std::nullopt;
        seen = std::move(*rest);
    }
    if (out.by.empty()) return std::nullopt;
    const double whole = area(outline);
    out.left = area(seen);
    out.hidden = whole > 0 ? std::clamp(1 - out.left / whole, 0.0, 1.0) : 0;
    if (out.hidden * whole < hardly_any) return std::nullopt;
    if (out.hidden < hidden_share && can_leave_slivers(now, opening))
        look_at_what_is_left(outline, seen, out);
    return out;
}

} // namespace

std::vector<CoveredOpening> covered_openings(const DressNow& now, const std::vector<LyingThing>& pile,
                                             const std::vector<int>& openings) {
    std::vector<CoveredOpening> out;
    for (const int o : openings)
        if (auto one = covered(now, pile, o)) out.push_back(std::move(*one));
    return out;
}

CoverageFacts coverage_of(const DressNow& now, const std::vector<LyingThing>& pile) {
    CoverageFacts out;
    if (!now.sections.cut) return out;
    std::vector<int> all(now.sections.cut->openings.size());
    for (std::size_t o = 0; o < all.size(); ++o) all[o] = static_cast<int>(o);
    out.openings = covered_openings(now, pile, all);
    std::vector<double> hidden(now.sections.all.size(), 0), whole(now.sections.all.size(), 0);
    for (const int o : all)
        whole[static_cast<std::size_t>(now.sections.of_opening[static_cast<std::size_t>(o)])] +=
            now.sections.cut->openings[static_cast<std::size_t>(o)].area;
    for (const CoveredOpening& c : out.openings) {
        const auto o = static_cast<std::size_t>(c.opening);
        hidden[static_cast<std::size_t>(now.sections.of_opening[o])] +=
            c.hidden * now.sections.cut->openings[o].area;
    }
    for (std::size_t s = 0; s < whole.size(); ++s)
        out.of_section.push_back(whole[s] > 0 ? hidden[s] / whole[s] : 0);
    return out;
}

} // namespace zesty
