#include "core/sections/overlap.h"

#include "core/geometry/cuttable.h"
#include "core/geometry/measure.h"
#include "core/on_two_threads.h"

#include <algorithm>
#include <numeric>

namespace zesty {

namespace {

constexpr double sliver = 0.15; ///< half the width of what scissors cannot cut
constexpr double no_hole = 4;   ///< mm2

Result<Region> without_slivers(const Region& region) {
    if (region.empty()) return region;
    const auto thin = grow(region, -sliver, Corner::Sharp);
    if (!thin || thin->empty()) return thin;
    return grow(*thin, sliver, Corner::Sharp);
}

/// The polygon of the region in which the opening lies.
const Polygon* around(const Region& region, Point inside) {
    for (const Polygon& p : region)
        if (contains(p.outer, inside)) return &p;
    return nullptr;
}

/// Patches that meet, and what each could cover beyond its own half of the bars.
class Overlapping {
public:
    Overlapping(const std::vector<Patch>& patches, const CutFile& cut, const Transform& to_page)
        : patches_(patches), cut_(cut), to_page_(to_page), beyond_(patches.size(), Region{}),
          rank_(patches.size()) {}

    /// First for all: neither depends on the others' results.
    Result<void> look_beyond(std::size_t i, const Patch& reaching) {
        if (reaching.area < patches_[i].area + 0.01) return {};
        auto beyond = subtract({reaching.outline}, {patches_[i].outline});
        if (!beyond) return tl::make_unexpected(beyond.error());
        beyond_[i] = std::move(*beyond);
        return {};
    }

    void put_in_order(const std::function<bool(int opening, int other)>& before) {
        std::vector<std::size_t> order(patches_.size());
        std::iota(order.begin(), order.end(), std::size_t{0});
        std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
            return before(patches_[a].opening, patches_[b].opening);
        });
        for (std::size_t r = 0; r < order.size(); ++r) rank_[order[r]] = r;
    }

    /// Then for all: the patch with what is left to it once those glued earlier have theirs.
    Result<Patch> extended(std::size_t i) const {
        Patch patch = patches_[i];
        Region more = beyond_[i];
        const Box box = bounds(more);
        for (std::size_t j = 0; j < patches_.size() && !more.empty(); ++j) {
            if (rank_[j] >= rank_[i] || beyond_[j].empty() || !bounds(beyond_[j]).meets(box)) continue;
            auto rest = subtract(more, beyond_[j]);
            if (!rest) return tl::make_unexpected(rest.error());
            more = std::move(*rest);
        }
        auto thick = without_slivers(more);
        if (!thick) return tl::make_unexpected(thick.error());
        if (thick->empty()) return patch;
        thick->push_back(patch.outline);
        const auto joined = unite(*thick);
        if (!joined) return tl::make_unexpected(joined.error());
        const Opening& opening = cut_.openings[patch.opening];
        const Polygon* own = around(*joined, to_page_(opening.label.centre));
        if (!own) return patch;
        Polygon longer = *own;
        std::erase_if(longer.holes, [](const Ring& h) { return std::abs(signed_area(h)) < no_hole; });
        longer = made_cuttable(longer);
        if (longer.outer.empty()) return patch;
        patch.outline = std::move(longer);
        patch.area = area(patch.outline);
        if (!patch.trimmed)
            patch.lip = gap(transformed(opening.outline.outer, to_page_), patch.outline.outer).distance;
        return patch;
    }

private:
    const std::vector<Patch>& patches_;
    const CutFile& cut_;
    const Transform& to_page_;
    std::vector<Region> beyond_;
    std::vector<std::size_t> rank_; ///< in the order of gluing
};

} // namespace

Result<std::vector<Patch>> overlapped(std::vector<Patch> meeting, const std::vector<Patch>& reaching,
                                      const CutFile& cut, const Transform& to_page,
                                      const std::function<bool(int opening, int other)>& before) {
    Overlapping all(meeting, cut, to_page);
    std::vector<const Patch*> farther(meeting.size(), nullptr);
    for (std::size_t i = 0, k = 0; i < meeting.size(); ++i) {
        while (k < reaching.size() && reaching[k].opening < meeting[i].opening) ++k;
        if (k < reaching.size() && reaching[k].opening == meeting[i].opening) farther[i] = &reaching[k];
    }
    std::vector<Result<void>> looked(meeting.size());
    on_two_threads(meeting.size(), [&](std::size_t i) {
        if (farther[i]) looked[i] = all.look_beyond(i, *farther[i]);
    });
    for (const auto& r : looked)
        if (!r) return tl::make_unexpected(r.error());
    all.put_in_order(before);
    std::vector<Result<Patch>> made(meeting.size(), Patch{});
    on_two_threads(meeting.size(), [&](std::size_t i) { made[i] = all.extended(i); });
    std::vector<Patch> out;
    for (Result<Patch>& p : made) {
        if (!p) return tl::make_unexpected(p.error());
        out.push_back(std::move(*p));
    }
    return out;
}

} // namespace zesty
