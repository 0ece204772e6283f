#include "core/dress/heights.h"

#include "core/dress/embellishments.h"
#include "core/dress/foam.h"
#include "core/dress/title.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>

namespace zesty {

namespace {

constexpr float paper_thick = 0.15F;
constexpr float cut_thick = 0.3F;
constexpr float photo_thick = 0.25F;
constexpr float letter_thick = 0.3F;
constexpr double bridges_from = 1;    ///< mm of height that glued paper does not follow
constexpr double support_from = 0.02; ///< share of a thing that has to lie on a level for it to count
constexpr double tip_from = 0.6;      ///< of the way from foot to tip
constexpr std::size_t most_cells = 160'000;
constexpr std::array foam_steps{0.0, 1.0, 2.0, 3.0, 4.0, 6.0, 8.0};

HeightGrid empty_grid(const Page& page) {
    HeightGrid out;
    const Box whole = page.whole();
    out.cell = std::max(1.0, std::sqrt(whole.area() / static_cast<double>(most_cells)));
    out.columns = static_cast<std::size_t>(std::max(1.0, std::ceil(whole.width() / out.cell)));
    out.rows = static_cast<std::size_t>(std::max(1.0, std::ceil(whole.height() / out.cell)));
    out.top.assign(out.columns * out.rows, 0);
    return out;
}

/// Calls visit(cell, middle) for every cell whose middle lies in the polygon.
template <class Visit> void each_cell_in(const HeightGrid& grid, const Polygon& polygon, Visit visit) {
    const Box box = bounds(polygon);
    if (box.empty()) return;
    const auto row_at = [&](double y) { return std::floor(y / grid.cell - 0.5); };
    const auto first = static_cast<std::size_t>(std::max(0.0, row_at(box.y0)));
    std::vector<double> crossings;
    for (std::size_t r = first; r < grid.rows; ++r) {
        const double y = (static_cast<double>(r) + 0.5) * grid.cell;
        if (y > box.y1) break;
        crossings.clear();
        const auto look = [&](const Ring& ring) {
            for (std::size_t i = 0; i < ring.size(); ++i) {
                const Point a = ring[i];
                const Point b = ring[(i + 1) % ring.size()];
                if ((a.y <= y) != (b.y <= y))
                    crossings.push_back(a.x + (y - a.y) / (b.y - a.y) * (b.x - a.x));
            }
        };
        look(polygon.outer);
        for (const Ring& hole : polygon.holes) look(hole);
        std::sort(crossings.begin(), crossings.end());
        for (std::size_t i = 0; i + 1 < crossings.size(); i += 2) {
            const double from = std::max(0.0, std::ceil(crossings[i] / grid.cell - 0.5));
            const double to = std::min(static_cast<double>(grid.columns), crossings[i + 1] / grid.cell + 0.5);
            for (double c = from; c < to && (c + 0.5) * grid.cell < crossings[i + 1]; ++c)
                visit(r * grid.columns + static_cast<std::size_t>(c), Point{(c + 0.5) * grid.cell, y});
        }
    }
}

/// One part of a thing, with how thick it is.
struct Leaf {
    Region outline;
    float thick = paper_thick;
    bool hides = true;
};
/// What is held as one: a photo with its mats, a cut with its patches.
struct HeldThing {
    Lying what = Lying::Cut;
    int index = 0;
    std::string name;
    Mounting held;
    bool for_shakers = false;
    std::vector<Leaf> leaves; ///< lowest first
};

class HeightMapping {
public:
    HeightMapping(const DressNow& now, const std::vector<LyingThing>& pile,
                  const std::vector<TitleFacts>& titles, const std::vector<TuckZones>& zones)
        : now_(now), zones_(zones), grid_(empty_grid(now.page.page)) {
        gather(pile);
        gather(titles);
    }

    HeightFacts run() {
        for (const HeldThing& thing : things_) lay(thing);
        HeightFacts out;
        std::size_t over = 0;
        for (std::size_t c = 0; c < grid_.top.size(); ++c) {
            const double top = grid_.top[c];
            if (top > now_.decided.album_takes + 1e-6) ++over;
            if (top <= out.highest) continue;
            out.highest = top;
            out.at = middle_of_cell(c);
        }
        out.over_share = static_cast<double>(over) / static_cast<double>(grid_.top.size());
        out.raised = std::move(raised_);
        add_up(out);
        out.grid = std::make_shared<const HeightGrid>(std::move(grid_));
        return out;
    }

private:
    Point middle_of_cell(std::size_t c) const {
        return {(static_cast<double>(c % grid_.columns) + 0.5) * grid_.cell,
                (static_cast<double>(c / grid_.columns) + 0.5) * grid_.cell};
    }

    Leaf leaf_of(const LyingThing& thing) const {
        switch (thing.what) {
        case Lying::Cut:
            return {thing.outline, cut_thick};
        case Lying::Photo:
            return {thing.outline, photo_thick};
        case Lying::Embellishment: {
            const auto& placed = now_.decided.embellishments[static_cast<std::size_t>(thing.index)];
            const Embellishment* of = now_.stash.embellishment(placed.id);
            return {thing.outline, of ? static_cast<float>(of->thickness) : paper_thick};
        }
        case Lying::Title:
            return {thing.outline, letter_thick};
        case Lying::Layer:
        case Lying::Mat:
            break;
        }
        return {thing.outline, paper_thick};
    }

    bool has_shaker(int cut) const {
        return std::any_of(now_.sections.shakers.begin(), now_.sections.shakers.end(), [&](const Shaker& s) {
            return now_.sections.cut_of_opening[static_cast<std::size_t>(s.opening)] == cut;
        });
    }

    /// A photo's mats come right before it and are held with it.
    void gather(const std::vector<LyingThing>& pile) {
        for (const LyingThing& thing : pile) {
            const bool goes_on = !things_.empty() && things_.back().what == Lying::Photo &&
                                 things_.back().index == thing.index &&
                                 (thing.what == Lying::Photo || thing.what == Lying::Mat);
            if (!goes_on) {
                LyingThing named = thing;
                if (named.what == Lying::Mat) named.what = Lying::Photo;
                HeldThing held{named.what, named.index, name_of(named, now_), mounting_of(named, now_),
                               false,      {}};
                const bool stands = held.held.how == Mount::Normal || held.held.how == Mount::Double;
                if (named.what == Lying::Cut && !stands && has_shaker(named.index)) {
                    held.held.how = Mount::Normal;
                    held.for_shakers = true;
                }
                things_.push_back(std::move(held));
            }
            things_.back().leaves.push_back(leaf_of(thing));
            things_.back().leaves.back().hides = thing.hides;
        }
    }

    void gather(const std::vector<TitleFacts>& titles) {
        for (std::size_t i = 0; i < titles.size() && i < now_.decided.titles.size(); ++i) {
            HeldThing held{
                Lying::Title, static_cast<int>(i), "the title", now_.decided.titles[i].held, false, {}};
            if (now_.decided.titles[i].label && !titles[i].label.outer.empty())
                held.leaves.push_back({{titles[i].label}, paper_thick});
            Leaf letters{{}, letter_thick};
            for (const TitleLetter& l : titles[i].letters)
                if (!l.missing && !is_written(l, now_.stash)) letters.outline.push_back(l.box);
            if (!letters.outline.empty()) held.leaves.push_back(std::move(letters));
            if (!held.leaves.empty()) things_.push_back(std::move(held));
        }
    }

    void lay(const HeldThing& thing) {
        cells_.clear();
        // Polygons of one part, such as letters close together, may lie on each other; they count once.
        const bool simple = thing.leaves.size() == 1 && thing.leaves.front().outline.size() == 1;
        thick_.assign(simple ? 0 : grid_.top.size(), 0);
        float below = 0; // of the thickest that may lie under this part
        for (const Leaf& leaf : thing.leaves) {
            for (const Polygon& p : leaf.outline)
                each_cell_in(grid_, p, [&](std::size_t c, Point) {
                    if (simple || thick_[c] <= 0) cells_.push_back(c);
                    if (!simple) thick_[c] = std::min(thick_[c] + leaf.thick, below + leaf.thick);
                });
            below += leaf.thick;
        }
        if (cells_.empty()) return;
        const double low = support(0);
        const double high = support(1);
        const bool bridges = high - low >= bridges_from;
        if (thing.held.how == Mount::Glued && !bridges)
            for (const std::size_t c : cells_) grid_.top[c] += thickness(thing, c);
        else
            raise(thing, high, bridges);
    }

    float thickness(const HeldThing& thing, std::size_t c) const {
        return thick_.empty() ? thing.leaves.front().thick : thick_[c];
    }

    /// The lowest or highest level that enough of the thing lies on.
    double support(int which) {
        heights_.clear();
        for (const std::size_t c : cells_) heights_.push_back(grid_.top[c]);
        const auto slack = static_cast<std::size_t>(support_from * static_cast<double>(heights_.size()));
        const auto nth =
            heights_.begin() + static_cast<std::ptrdiff_t>(which == 0 ? slack : heights_.size() - 1 - slack);
        std::nth_element(heights_.begin(), nth, heights_.end());
        return *nth;
    }

    void raise(const HeldThing& thing, double support, bool bridges) {
        RaisedThing out;
        out.what = thing.what;
        out.index = thing.index;
        out.name = thing.name;
        out.how = thing.held.how;
        out.for_shakers = thing.for_shakers;
        out.bridges = bridges;
        const double cell = grid_.cell * grid_.cell;
        std::map<double, double> levels;
        const double foot = thing.held.foot_deg * M_PI / 180;
        const Point up{-std::cos(foot), -std::sin(foot)};
        double from = std::numeric_limits<double>::infinity();
        double to = -from;
        for (const std::size_t c : cells_) {
            from = std::min(from, dot(middle_of_cell(c), up));
            to = std::max(to, dot(middle_of_cell(c), up));
        }
        const double under = support + raised_by(thing.held.how);
        const auto risen = [&](Point p) { // from foot to tip
            return std::clamp((dot(p, up) - from) / std::max(1e-6, to - from), 0.0, 1.0);
        };
        const auto underside = [&](Point p, double below) {
            return thing.held.how == Mount::Tip ? below + raised_by(Mount::Tip) * risen(p)
                                                : std::max(under, below);
        };
        put_foam(thing, out, [&](Point p) {
            if (thing.held.how == Mount::Tip) return risen(p) >= tip_from ? raised_by(Mount::Tip) : 0.0;
            const double below = height_at(p);
            return foam_step(std::max(under, below) - below);
        });
        for (const std::size_t c : cells_) {
            const double below = grid_.top[c];
            const double at = underside(middle_of_cell(c), below);
            levels[foam_step(at - below)] += cell;
            grid_.top[c] = static_cast<float>(at) + thickness(thing, c);
            out.top = std::max(out.top, static_cast<double>(grid_.top[c]));
            out.full += cell;
        }
        for (auto level = levels.rbegin(); level != levels.rend(); ++level)
            if (level->second >= support_from * out.full) out.levels.push_back({level->first, level->second});
        raised_.push_back(std::move(out));
    }

    double height_at(Point p) const {
        const auto c = static_cast<std::ptrdiff_t>(std::floor(p.x / grid_.cell));
        const auto r = static_cast<std::ptrdiff_t>(std::floor(p.y / grid_.cell));
        const bool on_page = c >= 0 && r >= 0 && c < static_cast<std::ptrdiff_t>(grid_.columns) &&
                             r < static_cast<std::ptrdiff_t>(grid_.rows);
        return on_page ? grid_.top[static_cast<std::size_t>(r) * grid_.columns + static_cast<std::size_t>(c)]
                       : 0;
    }

    /// Foam where there is something to fill; thickness(at) says how much.
    template <class Thickness>
    void put_foam(const HeldThing& thing, RaisedThing& out, Thickness thickness) const {
        FoamPlaces places;
        if (thing.what == Lying::Cut) {
            places = foam_behind_cut(now_, zones_[static_cast<std::size_t>(thing.index)], thing.index);
        } else {
            Region hides;
            for (const Leaf& leaf : thing.leaves)
                if (leaf.hides) hides.insert(hides.end(), leaf.outline.begin(), leaf.outline.end());
            const auto joined = unite(hides);
            places = foam_behind(now_, joined ? *joined : hides);
        }
        for (FoamStrip strip : places.strips) {
            strip.thickness = thickness((strip.from + strip.to) * 0.5);
            if (strip.thickness <= 0) continue;
            out.planned += distance(strip.from, strip.to) * now_.foam_width;
            out.strips.push_back(strip);
        }
        for (FoamPad pad : places.pads) {
            pad.thickness = thickness(pad.at);
            if (pad.thickness <= 0) continue;
            out.planned += pad.side * pad.side;
            out.pads.push_back(pad);
        }
    }

    static void add_up(HeightFacts& out) {
        std::map<double, FoamTotal> totals;
        const auto of = [&](double thickness) -> FoamTotal& {
            FoamTotal& total = totals[thickness];
            total.thickness = thickness;
            return total;
        };
        for (const RaisedThing& thing : out.raised) {
            for (const FoamStrip& s : thing.strips) of(s.thickness).length += distance(s.from, s.to);
            for (const FoamPad& p : thing.pads) ++of(p.thickness).pads;
            out.full += thing.full;
            out.planned += thing.planned;
        }
        for (const auto& [thickness, total] : totals) out.foam.push_back(total);
    }

    const DressNow& now_;
    const std::vector<TuckZones>& zones_;
    HeightGrid grid_;
    std::vector<HeldThing> things_;
    std::vector<RaisedThing> raised_;
    std::vector<std::size_t> cells_;
    std::vector<float> thick_, heights_;
};

} // namespace

double foam_step(double gap) {
    return *std::min_element(foam_steps.begin(), foam_steps.end(),
                             [&](double a, double b) { return std::abs(a - gap) < std::abs(b - gap); });
}

HeightFacts heights_of(const DressNow& now, const std::vector<LyingThing>& pile,
                       const std::vector<TitleFacts>& titles, const std::vector<TuckZones>& zones) {
    return HeightMapping(now, pile, titles, zones).run();
}

} // namespace zesty
