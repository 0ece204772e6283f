#include "core/dress/pile.h"

#include "core/dress/embellishments.h"
#include "core/dress/layers.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/setout/photo_mats.h"
#include "core/setout/photos.h"
#include "core/setout/set_out.h"

#include <algorithm>

namespace zesty {

namespace {

class Piling {
public:
    explicit Piling(const DressNow& now) : now_(now) {}

    std::vector<LyingThing> all() {
        layers(LayerPlace::UnderCuts);
        cuts(false);
        photos(false);
        cuts(true);
        layers(LayerPlace::UnderPhotos);
        photos(true);
        layers(LayerPlace::OnTop);
        embellishments();
        return std::move(pile_);
    }

private:
    void put(LyingThing thing) {
        thing.box = bounds(thing.outline);
        pile_.push_back(std::move(thing));
    }

    void layers(LayerPlace place) {
        for (std::size_t i = 0; i < now_.decided.layers.size(); ++i)
            if (now_.decided.layers[i].place == place)
                put({Lying::Layer,
                     static_cast<int>(i),
                     -1,
                     {outline_of(now_.decided.layers[i], now_.page.page)},
                     {},
                     true});
    }

    void embellishments() {
        for (std::size_t i = 0; i < now_.decided.embellishments.size(); ++i) {
            const PlacedEmbellishment& e = now_.decided.embellishments[i];
            if (const Embellishment* of = now_.stash.embellishment(e.id))
                put({Lying::Embellishment, static_cast<int>(i), -1, {outline_of(e, *of)}, {}, true});
        }
    }

    void photos(bool on_top) {
        for (std::size_t i = 0; i < now_.page.photos.size(); ++i) {
            const Photo& photo = now_.page.photos[i];
            if (photo.on_top != on_top) continue;
            for (std::size_t m = photo.mats.size(); m-- > 0;)
                put({Lying::Mat,
                     static_cast<int>(i),
                     static_cast<int>(m),
                     {outline_of_mat(photo, m)},
                     {},
                     !photo.mats[m].see_through});
            put({Lying::Photo, static_cast<int>(i), -1, {outline_of(photo)}, {}, true});
        }
    }

    /// A backed opening hides as well as its bars do: all of a piece hides but for what stays open.
    Region hidden_by_cut(int c) const {
        const CutFile& cut = *now_.sections.cut;
        const Transform& t = now_.whole.to_page;
        Region solid;
        Region open;
        for (const Piece& p : cut.pieces)
            if (p.layer == c && p.in_opening < 0)
                solid.push_back(transformed(Polygon{p.outline.outer, {}}, t));
        for (std::size_t o = 0; o < cut.openings.size(); ++o) {
            const auto s = static_cast<std::size_t>(now_.sections.of_opening[o]);
            if (now_.sections.cut_of_opening[o] == c && now_.sections.all[s].treatment == Treatment::Open)
                open.push_back(transformed(cut.openings[o].outline, t));
        }
        if (open.empty()) return solid;
        const auto rest = subtract(solid, open);
        return rest ? *rest : solid;
    }

    void cuts(bool above_photos) {
        if (!now_.sections.cut) return;
        for (std::size_t c = 0; c < now_.page.cuts.size(); ++c) {
            if (now_.page.cuts[c].above_photos != above_photos) continue;
            LyingThing thing{Lying::Cut, static_cast<int>(c), -1, {}, {}, true};
            thing.outline = hidden_by_cut(static_cast<int>(c));
            put(std::move(thing));
        }
    }

    const DressNow& now_;
    std::vector<LyingThing> pile_;
};

} // namespace

std::vector<LyingThing> pile_of(const DressNow& now) {
    return Piling(now).all();
}

double hidden_share_of(const Region& region, const std::vector<LyingThing>& pile, std::size_t above) {
    const double whole = area(region);
    if (whole <= 0) return 0;
    const Box box = bounds(region);
    Region rest = region;
    for (std::size_t i = above + 1; i < pile.size() && !rest.empty(); ++i) {
        if (!pile[i].hides || !pile[i].box.meets(box)) continue;
        auto left = subtract(rest, pile[i].outline);
        if (!left) return 0;
        rest = std::move(*left);
    }
    return std::clamp(1 - area(rest) / whole, 0.0, 1.0);
}

Region free_base(const DressNow& now, const std::vector<LyingThing>& pile,
                 const std::vector<TitleFacts>& titles, const Region& besides) {
    Region base;
    for (const Box& b : bases_of(now.page.page))
        if (!b.empty()) base.push_back({ring_of(b), {}});
    Region taken = besides;
    for (const LyingThing& thing : pile)
        taken.insert(taken.end(), thing.outline.begin(), thing.outline.end());
    for (const TitleFacts& title : titles)
        for (const TitleLetter& letter : title.letters) taken.push_back(letter.box);
    const auto joined = unite(taken);
    const auto free = joined ? subtract(base, *joined) : joined;
    return free ? *free : Region{};
}

Mounting mounting_of(const LyingThing& thing, const DressNow& now) {
    const auto i = static_cast<std::size_t>(thing.index);
    switch (thing.what) {
    case Lying::Layer:
        return now.decided.layers[i].held;
    case Lying::Mat:
    case Lying::Photo:
        return now.page.photos[i].held;
    case Lying::Embellishment:
        return now.decided.embellishments[i].held;
    case Lying::Title:
        return now.decided.titles[i].held;
    case Lying::Cut:
        break;
    }
    return now.page.cuts[i].held;
}

std::string name_of(const LyingThing& thing, const DressNow& now) {
    const auto i = static_cast<std::size_t>(thing.index);
    switch (thing.what) {
    case Lying::Layer:
        return name_of(now.decided.layers[i], i);
    case Lying::Mat:
        return name_of_mat(now.page.photos[i], i, static_cast<std::size_t>(thing.part));
    case Lying::Photo:
        return name_of(now.page.photos[i], i);
    case Lying::Embellishment: {
        const Embellishment* of = now.stash.embellishment(now.decided.embellishments[i].id);
        return of ? of->name : now.decided.embellishments[i].id;
    }
    case Lying::Title:
        return "the title";
    case Lying::Cut:
        break;
    }
    return now.page.cuts.size() == 1 ? "the cut" : "cut " + std::to_string(i + 1);
}

} // namespace zesty
