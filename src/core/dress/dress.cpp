#include "core/dress/dress.h"

#include "core/dress/balance.h"
#include "core/dress/coverage.h"
#include "core/dress/embellishments.h"
#include "core/dress/glue.h"
#include "core/dress/grounds.h"
#include "core/dress/heights.h"
#include "core/dress/late_framing.h"
#include "core/dress/stitching.h"
#include "core/dress/title.h"
#include "core/dress/wet.h"
#include "core/dress/writing.h"
#include "core/dress/writing_place.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/setout/photo_mats.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double no_dress_area = 1; ///< mm2

/// What is seen of each mat, and of each layer.
void look_at_paper(const DressNow& now, const std::vector<LyingThing>& pile, DressFacts& out) {
    out.layers_seen.assign(now.decided.layers.size(), 1);
    for (std::size_t i = 0; i < pile.size(); ++i) {
        const LyingThing& thing = pile[i];
        if (thing.what == Lying::Layer)
            out.layers_seen[static_cast<std::size_t>(thing.index)] =
                1 - hidden_share_of(thing.outline, pile, i);
        if (thing.what != Lying::Mat) continue;
        MatFacts facts{thing.index, thing.part, area(thing.outline), 0, 0};
        facts.seen = 1 - hidden_share_of(thing.outline, pile, i);
        // Its own photo and the mats between follow it directly.
        std::size_t photo = i + 1;
        while (photo < pile.size() && pile[photo].what != Lying::Photo) ++photo;
        Region own;
        for (std::size_t k = i + 1; k <= photo && k < pile.size(); ++k)
            if (pile[k].hides) own.insert(own.end(), pile[k].outline.begin(), pile[k].outline.end());
        const auto joined = unite(own);
        const auto border = joined ? subtract(thing.outline, *joined) : joined;
        facts.border_seen =
            border && area(*border) > no_dress_area ? 1 - hidden_share_of(*border, pile, photo) : 0;
        out.mats.push_back(facts);
    }
    std::sort(out.mats.begin(), out.mats.end(), [](const MatFacts& a, const MatFacts& b) {
        return std::pair(a.photo, a.mat) < std::pair(b.photo, b.mat);
    });
}

void look_at_writings(const DressNow& now, const std::vector<LyingThing>& pile, DressFacts& out) {
    for (std::size_t i = 0; i < now.decided.writings.size(); ++i) {
        const Writing w = on_page(now.decided.writings[i], now.page);
        WritingFacts facts = written(w, now.decided.letter_width);
        facts.pen = pen_look(now, pile, w);
        facts.entered = entered_by(now, pile, out.titles, i);
        if (!facts.entered.empty()) facts.way_out = way_to_free_place(now, pile, out.titles, i);
        out.writings.push_back(std::move(facts));
        out.placed.push_back(w);
    }
}

} // namespace

DressFacts dress_facts(const DressNow& now) {
    DressFacts out;
    const std::vector<LyingThing> pile = pile_of(now);
    look_at_paper(now, pile, out);
    out.coverage = coverage_of(now, pile);
    out.titles = title_facts(now, pile);
    look_at_writings(now, pile, out);
    for (const Stitching& s : now.decided.stitchings) out.stitchings.push_back(stitched(s, now, pile));
    out.embellishments = embellishment_facts(now, pile);
    out.short_embellishments = short_embellishments(now);
    const std::vector<TuckZones> zones = zones_of(now, pile);
    out.heights = heights_of(now, pile, out.titles, zones);
    out.glue = glue_of(now, pile, zones, out.heights);
    WetLook wet = wet_facts(now, pile);
    out.wet = std::move(wet.zones);
    out.wet_pairs = std::move(wet.pairs);
    out.frame = late_frame_facts(now, pile, out.wet, out.titles);
    out.balance = balance_of(now, pile, out.embellishments, out.titles);
    return out;
}

} // namespace zesty
