#include "core/sections/near_by_sight.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"

#include <map>
#include <set>

namespace zesty {

namespace {

/// Openings that could meet by sight: whether anything on the page can is told before anything is measured.
bool may_meet(const std::vector<Spot>& spots) {
    std::set<int> cuts;
    for (const Spot& s : spots) {
        if (is_piece(s)) return true;
        cuts.insert(s.cut);
    }
    return cuts.size() > 1;
}

} // namespace

std::vector<Neighbours> near_by_sight(const std::vector<Section>& sections, const CutFile& cut,
                                      const std::vector<Spot>& spots, const std::vector<Neighbours>& by_bar,
                                      const Transform& to_page) {
    if (!may_meet(spots)) return {};
    std::set<std::pair<int, int>> known;
    for (const Neighbours& n : by_bar) known.insert({n.a, n.b});
    std::vector<MeasuredRing> outlines;
    std::vector<Box> boxes;
    for (const Opening& o : cut.openings) {
        const Ring outline = transformed(o.outline, to_page).outer;
        outlines.emplace_back(outline);
        boxes.push_back(bounds(outline));
    }
    const BoxIndex index(boxes);
    const std::vector<int> of_opening = section_by_opening(sections, cut.openings.size());
    std::map<std::pair<int, int>, Neighbours> found;
    for (std::size_t o = 0; o < boxes.size(); ++o) {
        Box reach = boxes[o];
        reach = {reach.x0 - neighbour_limit, reach.y0 - neighbour_limit, reach.x1 + neighbour_limit,
                 reach.y1 + neighbour_limit};
        for (const int other : index.meeting(reach)) {
            const auto i = static_cast<std::size_t>(other);
            if (i <= o || (spots[o].cut == spots[i].cut && !is_piece(spots[o]) && !is_piece(spots[i])))
                continue;
            const std::pair<int, int> pair = std::minmax(of_opening[o], of_opening[i]);
            if (pair.first < 0 || pair.first == pair.second || known.contains(pair)) continue;
            const auto at = found.find(pair);
            if (at != found.end() && at->second.width <= 0) continue; // no pair comes closer
            const Gap between = outlines[o].gap_to(outlines[i]);
            if (between.distance > neighbour_limit) continue;
            if (at != found.end() && at->second.width <= between.distance) continue;
            found[pair] = {pair.first, pair.second, between.distance, between.from, between.to, true};
        }
    }
    std::vector<Neighbours> out;
    for (const auto& [pair, n] : found) out.push_back(n);
    return out;
}

} // namespace zesty
