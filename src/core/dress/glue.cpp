#include "core/dress/glue.h"

#include "core/dress/foam.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/setout/photo_mats.h"
#include "core/setout/photos.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace zesty {

namespace {

constexpr double holds_apart = mm_per_inch / 4;
constexpr double dot_every = 400; ///< mm2 of an embellishment that a dot of glue holds

class Uses {
public:
    void add(Adhesive what, double length, int dots = 0) {
        GlueUse& use = uses_[what];
        use.what = what;
        use.length += length;
        use.dots += dots;
    }
    void add(const std::vector<GlueUse>& more) {
        for (const GlueUse& use : more) add(use.what, use.length, use.dots);
    }
    std::vector<GlueUse> all() const {
        std::vector<GlueUse> out;
        for (const auto& [what, use] : uses_) out.push_back(use);
        return out;
    }

private:
    std::map<Adhesive, GlueUse> uses_;
};

/// How far the two places farthest from each other are apart, by sixteen directions.
double spread_of(const std::vector<Point>& places) {
    constexpr int directions = 16;
    double out = 0;
    for (int k = 0; k < directions; ++k) {
        const double angle = M_PI * k / directions;
        const Point way{std::cos(angle), std::sin(angle)};
        double least = std::numeric_limits<double>::infinity();
        double most = -least;
        for (const Point p : places) {
            least = std::min(least, dot(p, way));
            most = std::max(most, dot(p, way));
        }
        if (!places.empty()) out = std::max(out, most - least);
    }
    return out;
}

class Glueing {
public:
    Glueing(const DressNow& now, const std::vector<LyingThing>& pile, const std::vector<TuckZones>& zones,
            const HeightFacts& heights)
        : now_(now), pile_(pile), zones_(zones), heights_(heights) {}

    GlueFacts run() {
        if (now_.sections.cut) holds_.resize(now_.sections.cut->pieces.size());
        for (std::size_t c = 0; c < zones_.size(); ++c) out_.cuts.push_back(map_of(static_cast<int>(c)));
        badly_held();
        patches();
        papers();
        out_.uses = uses_.all();
        return std::move(out_);
    }

private:
    const RaisedThing* raised(Lying what, int index) const {
        for (const RaisedThing& r : heights_.raised)
            if (r.what == what && r.index == index) return &r;
        return nullptr;
    }

    Finish finish_of(const PlacedCut& cut) const {
        const int paper = cut.paper.empty() ? -1 : now_.stash.find(cut.paper);
        if (paper < 0) return Finish::Matt;
        return now_.stash.papers[static_cast<std::size_t>(paper)].finish.value_or(Finish::Matt);
    }

    GlueMap map_of(int c) {
        const TuckZones& zones = zones_[static_cast<std::size_t>(c)];
        GlueMap out{c, {}, zones.never, zones.after, zones.tucks, {}};
        const RaisedThing* on_foam = raised(Lying::Cut, c);
        if (on_foam) hold_by_foam(c, *on_foam);
        // What bridges a step, or stands on its foot, is glued where it lies low or high.
        const bool glued = !on_foam || (!on_foam->for_shakers &&
                                        (on_foam->how == Mount::Tip || on_foam->how == Mount::Glued));
        if (!now_.bar_places || !glued) return out;
        const Transform& to_page = now_.whole.to_page;
        const double scale = to_page.scale();
        const Finish finish = finish_of(now_.page.cuts[static_cast<std::size_t>(c)]);
        Uses uses;
        for (const BarPlace& place : *now_.bar_places) {
            if (now_.sections.cut->pieces[static_cast<std::size_t>(place.piece)].layer != c) continue;
            GluePlace glue{to_page(place.at), place.length * scale,
                           adhesive_for(place.width * scale, finish, now_.page.bars), GlueWhen::Now};
            if (lies_in(zones.never, glue.at))
                glue.when = GlueWhen::Never;
            else if (lies_in(zones.after, glue.at))
                glue.when = GlueWhen::After;
            if (glue.when != GlueWhen::Never) {
                uses.add(glue.what, glue.length);
                holds_[static_cast<std::size_t>(place.piece)].push_back(glue.at);
            }
            out.places.push_back(glue);
        }
        out.uses = uses.all();
        uses_.add(out.uses);
        return out;
    }

    /// Foam behind a piece holds it.
    void hold_by_foam(int c, const RaisedThing& thing) {
        std::vector<Point> foam;
        for (const FoamStrip& s : thing.strips) foam.push_back((s.from + s.to) * 0.5);
        for (const FoamPad& p : thing.pads) foam.push_back(p.at);
        const auto& pieces = now_.sections.cut->pieces;
        for (std::size_t i = 0; i < pieces.size(); ++i) {
            if (pieces[i].layer != c) continue;
            const Polygon outline{transformed(pieces[i].outline.outer, now_.whole.to_page), {}};
            for (const Point p : foam)
                if (contains(outline, p)) holds_[i].push_back(p);
        }
    }

    void badly_held() {
        for (std::size_t i = 0; i < holds_.size(); ++i) {
            const double apart = spread_of(holds_[i]);
            if (apart >= holds_apart) continue;
            const Piece& piece = now_.sections.cut->pieces[i];
            out_.badly_held.push_back(
                {static_cast<int>(i), now_.whole.to_page(piece.box.centre()), apart, holds_[i].empty()});
        }
    }

    void patches() {
        for (const Patch& p : now_.sections.patches) {
            const Treatment treatment = now_.sections.all[static_cast<std::size_t>(p.section)].treatment;
            const double length = perimeter(p.outline.outer);
            const bool clear = treatment == Treatment::Translucent || treatment == Treatment::Shaker;
            if (treatment == Treatment::Inlay)
                uses_.add(Adhesive::Dots, 0, dots_for(p.area));
            else
                uses_.add(clear ? Adhesive::Sheet : Adhesive::FineGlue, length);
        }
    }

    static int dots_for(double area) { return std::max(1, static_cast<int>(std::ceil(area / dot_every))); }

    /// Photos, mats and layers by tape along their edges; what sticks by itself needs nothing.
    void papers() {
        for (const LyingThing& thing : pile_) {
            if (thing.what == Lying::Cut || thing.outline.empty()) continue;
            const auto i = static_cast<std::size_t>(thing.index);
            if (thing.what == Lying::Layer && now_.decided.layers[i].shape == LayerShape::Tape) continue;
            if (thing.what == Lying::Embellishment) {
                const Embellishment* of = now_.stash.embellishment(now_.decided.embellishments[i].id);
                const bool sticks = of && of->kind == EmbellishmentKind::Sticker;
                if (!sticks && !raised(thing.what, thing.index))
                    uses_.add(Adhesive::Dots, 0, dots_for(area(thing.outline)));
                continue;
            }
            if (thing.what == Lying::Layer ? raised(thing.what, thing.index) != nullptr
                                           : lowest_and_raised(thing))
                continue;
            double along = 0;
            for (const Polygon& p : thing.outline) along += perimeter(p.outer);
            uses_.add(thing.hides ? Adhesive::Tape : Adhesive::Sheet, along);
        }
    }

    /// Of a photo and its mats the lowest is on the foam, where there is any.
    bool lowest_and_raised(const LyingThing& thing) const {
        if (!raised(Lying::Photo, thing.index)) return false;
        const auto mats = now_.page.photos[static_cast<std::size_t>(thing.index)].mats.size();
        return thing.what == Lying::Mat ? thing.part + 1 == static_cast<int>(mats) : mats == 0;
    }

    const DressNow& now_;
    const std::vector<LyingThing>& pile_;
    const std::vector<TuckZones>& zones_;
    const HeightFacts& heights_;
    std::vector<std::vector<Point>> holds_; ///< by piece
    Uses uses_;
    GlueFacts out_;
};

} // namespace

Adhesive adhesive_for(double width, Finish finish, const NarrowestBars& bars) {
    if (finish == Finish::Translucent || width < bars.glue) return Adhesive::Sheet;
    if (finish == Finish::Slick) return width < bars.foam ? Adhesive::Sheet : Adhesive::Tape;
    if (finish == Finish::Textured) return Adhesive::FineGlue;
    return width < bars.tape ? Adhesive::FineGlue : Adhesive::Tape;
}

GlueFacts glue_of(const DressNow& now, const std::vector<LyingThing>& pile,
                  const std::vector<TuckZones>& zones, const HeightFacts& heights) {
    return Glueing(now, pile, zones, heights).run();
}

const char* name_of(Adhesive what) {
    switch (what) {
    case Adhesive::Sheet:
        return "adhesive sheet";
    case Adhesive::FineGlue:
        return "fine-tip glue";
    case Adhesive::Tape:
        return "tape";
    case Adhesive::Dots:
        break;
    }
    return "glue dots";
}

} // namespace zesty
