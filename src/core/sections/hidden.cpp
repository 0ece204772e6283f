#include "core/sections/hidden.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/setout/photo_mats.h"

#include <algorithm>

namespace zesty {

namespace {

struct Cover {
    Polygon outline; ///< on the page
    Box box;
    AskedArea area;
    int cut = -1; ///< of SetOutDecisions::cuts; -1 for a photo
    bool on_top = true;

    Cover(Polygon on_page, int of_cut, bool above)
        : outline(std::move(on_page)), box(bounds(outline)), area(outline), cut(of_cut), on_top(above) {}
};

std::vector<Cover> covers_of(const SetOutDecisions& page, const Composition& composed, const Spots& spots,
                             const std::vector<char>& open) {
    std::vector<Cover> out;
    for (const Photo& p : page.photos) out.emplace_back(matted_outline(p), -1, p.on_top);
    if (page.cuts.size() < 2) return out;
    const Transform& t = composed.whole.to_page;
    for (const Piece& p : composed.cut->pieces) out.emplace_back(transformed(p.outline, t), p.layer, true);
    // Backed openings of a cut hide what is below as well as its bars do.
    for (std::size_t o = 0; o < spots.whole.size(); ++o) {
        if (spots.is_base(static_cast<int>(o)) || open[o]) continue;
        out.emplace_back(transformed(spots.cut->openings[o].outline, t), spots.cut_of_opening[o], true);
    }
    return out;
}

bool lies_over(const SetOutDecisions& page, const Cover& cover, int cut) {
    if (cover.cut >= 0) return cover.cut > cut;
    if (cover.on_top || cut < 0) return cover.on_top;
    return !page.cuts[cut].above_photos;
}

} // namespace

Result<std::vector<double>> covered_shares(const SetOutDecisions& page, const Composition& composed,
                                           const Spots& spots, const std::vector<char>& open) {
    std::vector<double> out(spots.whole.size(), 0);
    if (page.photos.empty() && page.cuts.size() < 2) return out;
    const std::vector<Cover> covers = covers_of(page, composed, spots, open);
    for (std::size_t o = 0; o < out.size(); ++o) {
        const Polygon opening = transformed(spots.cut->openings[o].outline, composed.whole.to_page);
        const Box box = bounds(opening);
        const AskedArea asked(opening);
        Region seen{opening};
        for (const Cover& c : covers) {
            if (seen.empty()) break;
            if (!c.box.meets(box) || !lies_over(page, c, spots.cut_of_opening[o]) || !c.area.meets(asked))
                continue;
            auto left = subtract(seen, {c.outline});
            if (!left) return tl::make_unexpected(left.error());
            seen = std::move(*left);
        }
        const double whole = area(opening);
        if (whole > 0) out[o] = std::clamp(1 - area(seen) / whole, 0.0, 1.0);
    }
    return out;
}

} // namespace zesty
