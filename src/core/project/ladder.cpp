#include "core/project/ladder.h"

#include "core/sections/effort.h"

#include <algorithm>

namespace zesty {

namespace {

Rung rung_at(const CutFile& cut, const Spots& spots, std::vector<BackingWish> wishes,
             const BackingRules& rules, const Pace& pace, double size) {
    const double scale = size / std::max({cut.box.width(), cut.box.height(), 1e-9});
    Rung r;
    r.size = size;
    r.thinnest_bar = cut.narrowest_bar() * scale;
    std::size_t contours = 0;
    for (const Piece& p : cut.pieces) contours += 1 + p.outline.holes.size();
    r.cutting = cutting_minutes(cut.cut_length * scale, contours, pace);
    for (std::size_t o = 0; o < cut.openings.size(); ++o) {
        const double across = 2 * cut.openings[o].label.radius * scale;
        if (o == 0 || across < r.smallest_opening) r.smallest_opening = across;
        if (across >= too_small_to_back) continue;
        ++r.too_small;
        wishes[o].backed = false;
    }
    const Transform t = Transform::scaled(scale);
    Box everywhere;
    everywhere.add(t({cut.box.x0, cut.box.y0}));
    everywhere.add(t({cut.box.x1, cut.box.y1}));
    if (const auto backing =
            backing_of(cut, spots, wishes, rules, {rules.lips, {}}, t, everywhere.grown(100)))
        for (const Patch& p : backing->patches) {
            r.patch_area += p.paper_area();
            r.backing += backing_minutes(p, pace);
        }
    return r;
}

} // namespace

std::vector<Rung> size_ladder(const std::shared_ptr<const CutFile>& cut,
                              const std::vector<BackingWish>& wishes, const BackingRules& rules,
                              const Pace& pace, double least, double greatest, int count,
                              const StopToken& stop) {
    std::vector<Spot> names;
    for (std::size_t o = 0; o < cut->openings.size(); ++o) names.emplace_back(static_cast<int>(o));
    const Spots spots = undivided(cut, std::move(names), std::vector<int>(cut->openings.size(), 0));
    std::vector<Rung> out;
    for (int i = 0; i < count && !stopped(stop); ++i)
        out.push_back(rung_at(*cut, spots, wishes, rules, pace,
                              count == 1 ? greatest : least + (greatest - least) * i / (count - 1)));
    return out;
}

} // namespace zesty
