#include "core/dress/wet.h"

#include "core/dress/fixes.h"
#include "core/dress/grounds.h"
#include "core/geometry/boolean.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/setout/cover_map.h"
#include "core/setout/set_out.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double hardly_seen_share = 0.25;
constexpr double well_seen_share = 0.6;
constexpr double like_the_base = 10; ///< delta E 2000
constexpr double wet_apart = mm_per_inch / 4;
constexpr double hue_from = 20;        ///< chroma from which a colour has a hue
constexpr double fights_from_deg = 90; ///< of hue between two that make mud
constexpr double search_step = mm_per_inch / 4;
constexpr int search_rings = 24;
constexpr int most_exact_looks = 24;
constexpr int wet_corners = 64;

const CutFile* cut_of(const DressNow& now, const WetZone& zone, int& layer) {
    for (std::size_t c = 0; c < now.page.cuts.size(); ++c)
        if (now.page.cuts[c].id == zone.cut) {
            layer = static_cast<int>(c);
            return now.sections.cut.get();
        }
    return nullptr;
}

/// The openings of the cut, held with their middle at the zone's centre.
Region stencilled(const DressNow& now, const WetZone& zone) {
    int layer = 0;
    const CutFile* cut = cut_of(now, zone, layer);
    if (!cut) return {};
    Region out;
    for (std::size_t o = 0; o < cut->openings.size(); ++o)
        if (now.sections.cut_of_opening[o] == layer)
            out.push_back(transformed(cut->openings[o].outline, now.whole.to_page));
    const Point middle = bounds(out).centre();
    return transformed(out, Transform::moved(zone.centre.x, zone.centre.y) *
                                Transform::turned_deg(zone.turn_deg) *
                                Transform::moved(-middle.x, -middle.y));
}

Region round_the_cut(const DressNow& now, const WetZone& zone) {
    int layer = 0;
    const CutFile* cut = cut_of(now, zone, layer);
    if (!cut) return {};
    Region solid;
    for (const Piece& p : cut->pieces)
        if (p.layer == layer && p.in_opening < 0)
            solid.push_back(transformed(Polygon{p.outline.outer, {}}, now.whole.to_page));
    const auto grown = grow(solid, zone.margin);
    return grown ? *grown : solid;
}

Region base_of(const DressNow& now) {
    Region base;
    for (const Box& b : bases_of(now.page.page))
        if (!b.empty()) base.push_back({ring_of(b), {}});
    return base;
}

Region on_base(const DressNow& now, const Region& wet) {
    const Region base = base_of(now);
    const auto inside = intersect(wet, base);
    return inside ? *inside : wet;
}

/// What of the base nothing opaque lies on.
Region seen_base(const DressNow& now, const std::vector<LyingThing>& pile) {
    const Region base = base_of(now);
    Region hides;
    for (const LyingThing& thing : pile)
        if (thing.hides) hides.insert(hides.end(), thing.outline.begin(), thing.outline.end());
    const auto joined = unite(hides);
    const auto rest = joined ? subtract(base, *joined) : joined;
    return rest ? *rest : base;
}

double seen_of(const Region& wet, const Region& open) {
    const double whole = area(wet);
    if (whole <= 0) return 0;
    const auto seen = intersect(wet, open);
    return seen ? std::clamp(area(*seen) / whole, 0.0, 1.0) : 0;
}

/// What of the zone would be seen with its middle there, about.
double about_seen(const WetZone& zone, const Box& box, const CoverMap& open) {
    if (zone.shape == WetShape::Circle)
        return open.of_circle(box.centre(), zone.width / 2) /
               std::max(1e-9, M_PI * zone.width * zone.width / 4);
    return open.of(box) / std::max(1e-9, box.area());
}

/// The smallest move after which most of it is seen; none that takes it off the base counts.
void look_for_better(const WetZone& zone, const DressNow& now, const Region& open, WetFacts& facts) {
    if (facts.seen >= hardly_seen_share || zone.shape == WetShape::CutMargin) return;
    const CoverMap map(open);
    const Box box = bounds(facts.wet);
    int looked_at_exactly = 0;
    for (int ring = 1; ring <= search_rings && looked_at_exactly < most_exact_looks; ++ring) {
        const int places = 8 * ring;
        double best = well_seen_share;
        for (int k = 0; k < places; ++k) {
            const double angle = 2 * M_PI * k / places;
            const Point by{ring * search_step * std::cos(angle), ring * search_step * std::sin(angle)};
            const Box there{box.x0 + by.x, box.y0 + by.y, box.x1 + by.x, box.y1 + by.y};
            if (about_seen(zone, there, map) < best || ++looked_at_exactly > most_exact_looks) continue;
            WetZone moved = zone;
            moved.centre = moved.centre + by;
            const Region wet = outline_of(moved, now);
            if (area(wet) < 0.98 * facts.area) continue;
            const double seen = seen_of(wet, open);
            if (seen < best) continue;
            best = seen;
            facts.better = by;
            facts.better_seen = seen;
        }
        if (facts.better) return;
    }
}

double hue_between_deg(const Lab& a, const Lab& b) {
    return std::abs(std::remainder(std::atan2(a.b, a.a) - std::atan2(b.b, b.a), 2 * M_PI)) * 180 / M_PI;
}

bool make_mud(Rgb first, Rgb second) {
    const Lab a = to_lab(first);
    const Lab b = to_lab(second);
    return std::hypot(a.a, a.b) >= hue_from && std::hypot(b.a, b.b) >= hue_from &&
           hue_between_deg(a, b) >= fights_from_deg;
}

double apart_of(const Region& a, const Region& b) {
    const auto both = intersect(a, b);
    if (both && area(*both) > 0) return 0;
    double out = std::numeric_limits<double>::infinity();
    for (const Polygon& p : a)
        for (const Polygon& q : b)
            if (bounds(p).grown(wet_apart).meets(bounds(q)))
                out = std::min(out, gap(p.outer, q.outer).distance);
    return out;
}

Rgb base_colour(const DressNow& now) {
    const int paper = now.page.page.base_paper.empty() ? -1 : now.stash.find(now.page.page.base_paper);
    return paper < 0 ? bare_base : now.stash.papers[static_cast<std::size_t>(paper)].colour;
}

} // namespace

std::string name_of(const WetZone& zone, std::size_t place) {
    if (!zone.name.empty()) return zone.name;
    switch (zone.kind) {
    case WetKind::Ink:
        return "ink " + std::to_string(place + 1);
    case WetKind::Splatter:
        return "splatters " + std::to_string(place + 1);
    case WetKind::Paste:
        return "paste " + std::to_string(place + 1);
    case WetKind::Paint:
        break;
    }
    return "paint " + std::to_string(place + 1);
}

Region outline_of(const WetZone& zone, const DressNow& now) {
    const Box box{-zone.width / 2, -zone.height / 2, zone.width / 2, zone.height / 2};
    switch (zone.shape) {
    case WetShape::Circle:
        return on_base(now, {{circle(zone.centre, zone.width / 2, wet_corners), {}}});
    case WetShape::CutMargin:
        return on_base(now, round_the_cut(now, zone));
    case WetShape::Stencil:
        return on_base(now, stencilled(now, zone));
    case WetShape::Box:
        break;
    }
    return on_base(now, {{transformed(ring_of(box), Transform::moved(zone.centre.x, zone.centre.y) *
                                                        Transform::turned_deg(zone.turn_deg)),
                          {}}});
}

WetLook wet_facts(const DressNow& now, const std::vector<LyingThing>& pile) {
    WetLook out;
    if (now.decided.wet.empty()) return out;
    const Region open = seen_base(now, pile);
    const Lab base = to_lab(base_colour(now));
    for (const WetZone& zone : now.decided.wet) {
        WetFacts facts;
        facts.wet = outline_of(zone, now);
        facts.area = area(facts.wet);
        facts.known = facts.area > 0;
        if (zone.primer)
            if (const auto grown = grow(facts.wet, zone.primer_margin)) facts.primer = on_base(now, *grown);
        facts.seen = seen_of(facts.wet, open);
        facts.contrast = difference(to_lab(zone.colour), base);
        if (facts.known) look_for_better(zone, now, open, facts);
        out.zones.push_back(std::move(facts));
    }
    for (std::size_t a = 0; a < out.zones.size(); ++a)
        for (std::size_t b = a + 1; b < out.zones.size(); ++b) {
            if (!make_mud(now.decided.wet[a].colour, now.decided.wet[b].colour)) continue;
            const double apart = apart_of(out.zones[a].wet, out.zones[b].wet);
            if (apart < wet_apart) out.pairs.push_back({static_cast<int>(a), static_cast<int>(b), apart});
        }
    return out;
}

namespace {

/// "1/2 in to the right and 1 in up".
std::string way_in_words(Point by, Units units) {
    constexpr double least_push = 0.4; // mm
    std::vector<std::string> parts;
    if (std::abs(by.x) >= least_push)
        parts.push_back(format_length(std::abs(by.x), units) + (by.x > 0 ? " to the right" : " to the left"));
    if (std::abs(by.y) >= least_push)
        parts.push_back(format_length(std::abs(by.y), units) + (by.y > 0 ? " down" : " up"));
    return in_a_row(parts);
}

Finding hidden_zone(const DressNow& now, const WetFacts& f, std::size_t i, const std::string& name) {
    const bool nothing = percent(f.seen) == percent(0);
    Finding out{.code = Code::WetHidden,
                .title = (nothing ? "Nothing" : "Only " + percent(f.seen)) + " of " + name + " will be seen",
                .message = nothing ? "Other things lie on it." : "Other things lie on the rest.",
                .where = bounds(f.wet).centre()};
    if (!f.known) {
        out.title = with_capital(name) + " goes by a cut that is not on the page";
        out.message = "Choose another cut or another shape, or remove it.";
        out.where.reset();
        return out;
    }
    if (!f.better) {
        out.message += " No place nearby shows more of it: move what lies there, or leave it out.";
        return out;
    }
    const std::string how = way_in_words(*f.better, now.units);
    out.message = "Moved " + how + ", " + percent(f.better_seen) + " of it is seen.";
    out.fixes.emplace_back("Move it " + how, MoveWetZone{static_cast<int>(i), *f.better});
    return out;
}

/// The base's paper, where this page takes the last sheet of it.
const Paper* last_sheet_of_base(const DressNow& now) {
    const int paper = now.page.page.base_paper.empty() ? -1 : now.stash.find(now.page.page.base_paper);
    if (paper < 0) return nullptr;
    const bool more = std::any_of(now.papers.sheets.begin(), now.papers.sheets.end(), [&](const Sheet& s) {
        return s.paper == paper && s.kind == SheetKind::Full && s.area > 0;
    });
    return more ? nullptr : &now.stash.papers[static_cast<std::size_t>(paper)];
}

} // namespace

std::vector<Finding> wet_findings(const DressNow& now, const DressFacts& facts) {
    std::vector<Finding> out;
    if (facts.wet.empty()) return out;
    for (std::size_t i = 0; i < facts.wet.size(); ++i) {
        const WetFacts& f = facts.wet[i];
        const std::string name = name_of(now.decided.wet[i], i);
        if (!f.known || f.seen < hardly_seen_share) out.push_back(hidden_zone(now, f, i, name));
        if (f.known && f.contrast < like_the_base)
            out.push_back({.code = Code::WetFaint,
                           .title = with_capital(name) + " is hardly seen on the base",
                           .message = "Its colour and the base's are nearly the same; a darker or stronger "
                                      "one shows.",
                           .where = bounds(f.wet).centre(),
                           .swatch = now.decided.wet[i].colour});
    }
    for (const WetPair& pair : facts.wet_pairs) {
        const auto first = static_cast<std::size_t>(pair.first);
        const auto second = static_cast<std::size_t>(pair.second);
        out.push_back({.code = Code::WetHuesFight,
                       .title = "Let the " + name_of(now.decided.wet[first], first) + " dry before the " +
                                name_of(now.decided.wet[second], second),
                       .message = pair.apart > 0 ? "They are " + format_length(pair.apart, now.units) +
                                                       " apart, and wet on wet their colours turn brown."
                                                 : std::string("They meet, and wet on wet their colours turn "
                                                               "brown."),
                       .where = bounds(facts.wet[second].wet).centre()});
    }
    if (const Paper* last = last_sheet_of_base(now))
        out.push_back({.code = Code::WetLastSheet,
                       .title = "The base is the last sheet of " + last->name,
                       .message = "Try the colours on what is trimmed off it, or on another paper, first."});
    if (now.page.page.framed() || now.decided.frame.how == LateFraming::Trimmed)
        out.push_back({.code = Code::WetBeforeTrim,
                       .title = "Wet work and trimming",
                       .message =
                           "Paper that is painted first and trimmed then has clean edges; trimmed first, "
                           "it wastes no colour. Both work once it is dry."});
    return out;
}

} // namespace zesty
