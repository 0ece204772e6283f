#include "core/sections/overlap.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <numeric>

namespace zesty {

namespace {

constexpr double sliver = 0.15; ///< half the width of what scissors cannot cut

Result<Region> without_slivers(const Region& region) {
    const auto thin = grow(region, -sliver, Corner::Sharp);
    if (!thin) return thin;
    return grow(*thin, sliver, Corner::Sharp);
}

/// The polygon of the region in which the opening lies.
const Polygon* around(const Region& region, Point inside) {
    for (const Polygon& p : region)
        if (contains(p.outer, inside)) return &p;
    return nullptr;
}

} // namespace

Result<std::vector<Patch>> overlapped(std::vector<Patch> meeting, const std::vector<Patch>& reaching,
                                      const CutFile& cut, const Transform& to_page,
                                      const std::function<bool(int opening, int other)>& before) {
    std::vector<std::size_t> order(meeting.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
        return before(meeting[a].opening, meeting[b].opening);
    });
    std::vector<Region> more(meeting.size()); // what each covers beyond its own half
    for (std::size_t rank = 0; rank < order.size(); ++rank) {
        const std::size_t i = order[rank];
        Patch& patch = meeting[i];
        auto extra = subtract({reaching[i].outline}, {patch.outline});
        if (!extra) return tl::make_unexpected(extra.error());
        const Box box = bounds(reaching[i].outline);
        for (std::size_t earlier = 0; earlier < rank && !extra->empty(); ++earlier) {
            const Region& taken = more[order[earlier]];
            if (taken.empty() || !bounds(taken).meets(box)) continue;
            extra = subtract(*extra, taken);
            if (!extra) return tl::make_unexpected(extra.error());
        }
        extra = without_slivers(*extra);
        if (!extra) return tl::make_unexpected(extra.error());
        Region parts = *extra;
        parts.push_back(patch.outline);
        auto joined = unite(parts);
        if (!joined) return tl::make_unexpected(joined.error());
        const Opening& opening = cut.openings[patch.opening];
        const Polygon* own = around(*joined, to_page(opening.label.centre));
        if (!own) continue;
        const auto added = subtract({*own}, {patch.outline});
        if (!added) return tl::make_unexpected(added.error());
        more[i] = *added;
        patch.outline = *own;
        std::erase_if(patch.outline.holes, [](const Ring& h) { return std::abs(signed_area(h)) < 4; });
        patch.area = area(patch.outline);
        if (!patch.trimmed)
            patch.lip = gap(transformed(opening.outline.outer, to_page), patch.outline.outer).distance;
    }
    return meeting;
}

} // namespace zesty
