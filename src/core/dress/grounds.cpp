#include "core/dress/grounds.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double too_little = 0.3;        ///< mm2
constexpr double share_that_counts = 0.1; ///< of a pattern
constexpr Rgb plain_cut{0xff, 0xff, 0xff};
constexpr Rgb bare_base{0xf4, 0xf4, 0xf2};
constexpr Rgb unknown_photo{0x9f, 0xb4, 0xb0};

class Grounds {
public:
    Grounds(const DressNow& now, const std::vector<LyingThing>& pile, Region region)
        : now_(now), pile_(pile), rest_(std::move(region)) {}

    std::vector<Ground> below(std::size_t place) {
        for (std::size_t i = place; i-- > 0 && area(rest_) > too_little;) look_at(pile_[i]);
        if (area(rest_) > too_little) paper(now_.page.page.base_paper, Side::A, bare_base, area(rest_));
        return std::move(out_);
    }

private:
    double take(const Region& from) {
        const auto part = intersect(rest_, from);
        if (!part || area(*part) < too_little) return 0;
        if (const auto left = subtract(rest_, from)) rest_ = *left;
        return area(*part);
    }

    void paper(const std::string& id, Side side, Rgb otherwise, double mm2) {
        const int at = id.empty() ? -1 : now_.stash.find(id);
        if (at < 0) {
            out_.push_back({otherwise, mm2});
            return;
        }
        for (const PaletteColour& c :
             palette_or_colour(now_.stash.papers[static_cast<std::size_t>(at)].face(side)))
            if (c.share >= share_that_counts) out_.push_back({c.colour, mm2 * c.share});
    }

    void look_at(const LyingThing& thing) {
        if (!thing.hides || !thing.box.meets(bounds(rest_))) return;
        const auto i = static_cast<std::size_t>(thing.index);
        if (thing.what == Lying::Cut) return look_at_cut(thing.index);
        const double taken = take(thing.outline);
        if (taken <= 0) return;
        switch (thing.what) {
        case Lying::Layer:
            return paper(now_.decided.layers[i].paper, now_.decided.layers[i].side, bare_base, taken);
        case Lying::Mat: {
            const PhotoMat& mat = now_.page.photos[i].mats[static_cast<std::size_t>(thing.part)];
            return paper(mat.paper, mat.side, bare_base, taken);
        }
        case Lying::Photo:
            return photo(i, taken);
        case Lying::Embellishment:
            if (const Embellishment* of = now_.stash.embellishment(now_.decided.embellishments[i].id))
                out_.push_back({of->colour, taken});
            return;
        default:
            return;
        }
    }

    void photo(std::size_t i, double taken) {
        if (i >= now_.photo_colours.size() || now_.photo_colours[i].palette.empty()) {
            out_.push_back({unknown_photo, taken, true});
            return;
        }
        for (const PaletteColour& c : now_.photo_colours[i].palette)
            if (c.share >= share_that_counts) out_.push_back({c.colour, taken * c.share, true});
    }

    void look_at_cut(int cut) {
        const CutFile& file = *now_.sections.cut;
        const Transform& t = now_.whole.to_page;
        const Transform back = inverse(t);
        Box near;
        for (const Point p : ring_of(bounds(rest_))) near.add(back(p));
        Region material;
        for (const Piece& p : file.pieces)
            if (p.layer == cut && p.box.meets(near))
                if (const auto part = clipped(p.outline, near.grown(1)))
                    for (const Polygon& q : *part) material.push_back(transformed(q, t));
        const PlacedCut& placed = now_.page.cuts[static_cast<std::size_t>(cut)];
        if (const double taken = take(material); taken > 0)
            paper(placed.paper, Side::A, placed.colour.value_or(plain_cut), taken);
        for (std::size_t o = 0; o < file.openings.size(); ++o) {
            if (now_.sections.cut_of_opening[o] != cut || !file.openings[o].box.meets(near)) continue;
            const auto s = static_cast<std::size_t>(now_.sections.of_opening[o]);
            if (now_.sections.all[s].treatment == Treatment::Open) continue;
            const double taken = take({transformed(file.openings[o].outline, t)});
            if (taken <= 0) continue;
            const int p = s < now_.papers.of_section.size() ? now_.papers.of_section[s] : -1;
            paper(p < 0 ? std::string() : now_.stash.papers[static_cast<std::size_t>(p)].id,
                  p < 0 ? Side::A : now_.papers.side_of_section[s], bare_base, taken);
        }
    }

    const DressNow& now_;
    const std::vector<LyingThing>& pile_;
    Region rest_;
    std::vector<Ground> out_;
};

} // namespace

std::vector<Ground> grounds_under(const DressNow& now, const std::vector<LyingThing>& pile, std::size_t below,
                                  const Region& region) {
    return Grounds(now, pile, region).below(std::min(below, pile.size()));
}

} // namespace zesty
