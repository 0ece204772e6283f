#include "core/sections/hidden.h"

#include "core/geometry/measure.h"
#include "core/setout/photo_mats.h"

#include <algorithm>

namespace zesty {

namespace {

struct Cover {
    Polygon outline; ///< on the page
    Box box;
    int cut = -1; ///< of SetOutDecisions::cuts; -1 for a photo
    bool on_top = true;
};

std::vector<Cover> covers_of(const SetOutDecisions& page, const Composition& composed, const Spots& spots,
                             const std::vector<char>& open) {
    std::vector<Cover> out;
    for (const Photo& p : page.photos) {
        Cover c{matted_outline(p), {}, -1, p.on_top};
        c.box = bounds(c.outline);
        out.push_back(std::move(c));
    }
    if (page.cuts.size() < 2) return out;
    const Transform& t = composed.whole.to_page;
    for (const Piece& p : composed.cut->pieces) {
        Cover c{transformed(p.outline, t), {}, p.layer, true};
        c.box = bounds(c.outline);
        out.push_back(std::move(c));
    }
    // Backed openings of a cut hide what is below as well as its bars do.
    for (std::size_t o = 0; o < spots.whole.size(); ++o) {
        if (spots.is_base(static_cast<int>(o)) || open[o]) continue;
        Cover c{transformed(spots.cut->openings[o].outline, t), {}, spots.cut_of_opening[o], true};
        c.box = bounds(c.outline);
        out.push_back(std::move(c));
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
        Region over;
        for (const Cover& c : covers)
            if (c.box.meets(box) && lies_over(page, c, spots.cut_of_opening[o])) over.push_back(c.outline);
        if (over.empty()) continue;
        const auto joined = unite(over);
        if (!joined) return tl::make_unexpected(joined.error());
        const auto seen = subtract({opening}, *joined);
        if (!seen) return tl::make_unexpected(seen.error());
        const double whole = area(opening);
        if (whole > 0) out[o] = std::clamp(1 - area(*seen) / whole, 0.0, 1.0);
    }
    return out;
}

} // namespace zesty
