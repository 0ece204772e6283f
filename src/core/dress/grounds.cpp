#include "core/dress/grounds.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <cmath>
#include <optional>

namespace zesty {

namespace {

constexpr int samples_across = 9; ///< of the shorter side of what is looked under
constexpr int most_samples = 400;
constexpr double share_that_counts = 0.1; ///< of a pattern
constexpr Rgb plain_cut{0xff, 0xff, 0xff};
constexpr Rgb unknown_photo{0x9f, 0xb4, 0xb0};

/// What is seen at one place: a paper, a photo, or a plain colour.
struct Seen {
    int paper = -1;
    Side side = Side::A;
    int photo = -1;
    Rgb plain = bare_base;
    bool operator==(const Seen&) const = default;
};

class Grounds {
public:
    Grounds(const DressNow& now, const std::vector<LyingThing>& pile, std::size_t below)
        : now_(now), pile_(pile), below_(below), to_drawing_(inverse(now.whole.to_page)) {}

    std::vector<Ground> under(const Region& region) {
        const Box box = bounds(region);
        if (box.empty() || box.area() <= 0) return {};
        const double step = std::max(std::min(box.width(), box.height()) / samples_across,
                                     std::sqrt(box.area() / most_samples));
        const double cell = step * step;
        std::vector<std::pair<Seen, double>> seen;
        for (double y = box.y0 + step / 2; y < box.y1; y += step)
            for (double x = box.x0 + step / 2; x < box.x1; x += step) {
                if (std::none_of(region.begin(), region.end(), [&](const Polygon& p) {
                        return contains(p, Point{x, y});
                    }))
                    continue;
                const Seen what = at({x, y});
                const auto same =
                    std::find_if(seen.begin(), seen.end(), [&](const auto& s) { return s.first == what; });
                if (same == seen.end())
                    seen.emplace_back(what, cell);
                else
                    same->second += cell;
            }
        std::vector<Ground> out;
        for (const auto& [what, area] : seen) add(what, area, out);
        return out;
    }

private:
    Seen paper(const std::string& id, Side side, Rgb otherwise) const {
        Seen out;
        out.paper = id.empty() ? -1 : now_.stash.find(id);
        out.side = out.paper < 0 ? Side::A : side;
        out.plain = out.paper < 0 ? otherwise : bare_base;
        return out;
    }

    Seen at(Point p) const {
        for (std::size_t i = below_; i-- > 0;) {
            const LyingThing& thing = pile_[i];
            if (!thing.hides || !thing.box.contains(p) ||
                std::none_of(thing.outline.begin(), thing.outline.end(),
                             [&](const Polygon& q) { return contains(q, p); }))
                continue;
            if (const auto seen = of(thing, p)) return *seen;
        }
        return paper(now_.page.page.base_paper, Side::A, bare_base);
    }

    /// Nothing where one sees through it.
    std::optional<Seen> of(const LyingThing& thing, Point p) const {
        const auto i = static_cast<std::size_t>(thing.index);
        switch (thing.what) {
        case Lying::Layer:
            return paper(now_.decided.layers[i].paper, now_.decided.layers[i].side, bare_base);
        case Lying::Mat: {
            const PhotoMat& mat = now_.page.photos[i].mats[static_cast<std::size_t>(thing.part)];
            return paper(mat.paper, mat.side, bare_base);
        }
        case Lying::Photo: {
            Seen out;
            out.photo = thing.index;
            return out;
        }
        case Lying::Embellishment: {
            const Embellishment* of = now_.stash.embellishment(now_.decided.embellishments[i].id);
            Seen out;
            if (of) out.plain = of->colour;
            return out;
        }
        case Lying::Cut:
        case Lying::Title:
            break;
        }
        return of_cut(thing.index, p);
    }

    /// An opening's paper, or the material; nothing of an opening that has none.
    std::optional<Seen> of_cut(int cut, Point on_page) const {
        const CutFile& file = *now_.sections.cut;
        const Point p = to_drawing_(on_page);
        for (std::size_t o = 0; o < file.openings.size(); ++o) {
            if (now_.sections.cut_of_opening[o] != cut || !file.openings[o].box.contains(p) ||
                !contains(file.openings[o].outline, p))
                continue;
            const auto s = static_cast<std::size_t>(now_.sections.of_opening[o]);
            const int paper_of = s < now_.papers.of_section.size() ? now_.papers.of_section[s] : -1;
            if (paper_of < 0 || paper_of >= static_cast<int>(now_.stash.papers.size())) return std::nullopt;
            return Seen{paper_of, now_.papers.side_of_section[s], -1, bare_base};
        }
        const PlacedCut& placed = now_.page.cuts[static_cast<std::size_t>(cut)];
        return paper(placed.paper, Side::A, placed.colour.value_or(plain_cut));
    }

    void add(const Seen& what, double area, std::vector<Ground>& out) const {
        const auto add_all = [&](const std::vector<PaletteColour>& colours, bool of_photo) {
            for (const PaletteColour& c : colours)
                if (c.share >= share_that_counts) out.push_back({c.colour, area * c.share, of_photo});
        };
        if (what.photo >= 0) {
            const auto i = static_cast<std::size_t>(what.photo);
            if (i < now_.photo_colours.size() && !now_.photo_colours[i].palette.empty())
                add_all(now_.photo_colours[i].palette, true);
            else
                out.push_back({unknown_photo, area, true});
        } else if (what.paper >= 0) {
            add_all(
                palette_or_colour(now_.stash.papers[static_cast<std::size_t>(what.paper)].face(what.side)),
                false);
        } else {
            out.push_back({what.plain, area, false});
        }
    }

    const DressNow& now_;
    const std::vector<LyingThing>& pile_;
    std::size_t below_;
    Transform to_drawing_;
};

} // namespace

std::vector<Ground> grounds_under(const DressNow& now, const std::vector<LyingThing>& pile, std::size_t below,
                                  const Region& region) {
    return Grounds(now, pile, std::min(below, pile.size())).under(region);
}

} // namespace zesty
