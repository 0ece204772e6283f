#include "core/dress/embellishments.h"

#include "core/dress/fixes.h"
#include "core/dress/grounds.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace zesty {

namespace {

constexpr double near_ground = 10; ///< delta E 2000 from which on it is seen
constexpr double dark_photo = 45;  ///< L*

EmbellishmentFacts facts_of(const DressNow& now, const std::vector<LyingThing>& pile, std::size_t i) {
    EmbellishmentFacts out;
    const PlacedEmbellishment& placed = now.decided.embellishments[i];
    const Embellishment* of = now.stash.embellishment(placed.id);
    if (!of) return out;
    out.known = true;
    out.outline = outline_of(placed, *of);
    std::size_t place = pile.size();
    for (std::size_t k = 0; k < pile.size(); ++k)
        if (pile[k].what == Lying::Embellishment && pile[k].index == static_cast<int>(i)) place = k;
    const auto grounds = grounds_under(now, pile, place, {out.outline});
    const auto most = std::max_element(grounds.begin(), grounds.end(),
                                       [](const Ground& a, const Ground& b) { return a.area < b.area; });
    if (most != grounds.end()) {
        out.contrast = difference(to_lab(of->colour), to_lab(most->colour));
        out.rim_on_dark = of->white_rim > 0 && most->of_photo && to_lab(most->colour).l < dark_photo;
    }
    if (!now.sections.cut) return out;
    const Transform to_drawing = inverse(now.whole.to_page);
    Box there;
    for (const Point p : out.outline.outer) there.add(to_drawing(p));
    for (std::size_t o = 0; o < now.sections.cut->openings.size() && out.opening < 0; ++o) {
        if (!now.sections.cut->openings[o].box.holds(there)) continue;
        const Polygon opening = transformed(now.sections.cut->openings[o].outline, now.whole.to_page);
        const auto beyond = subtract({out.outline}, {opening});
        if (beyond && area(*beyond) < 0.01) out.opening = static_cast<int>(o);
    }
    return out;
}

} // namespace

Polygon outline_of(const PlacedEmbellishment& placed, const Embellishment& of) {
    return transformed(of.outline, Transform::moved(placed.centre.x, placed.centre.y) *
                                       Transform::turned_deg(placed.turn_deg));
}

std::vector<EmbellishmentFacts> embellishment_facts(const DressNow& now,
                                                    const std::vector<LyingThing>& pile) {
    std::vector<EmbellishmentFacts> out;
    for (std::size_t i = 0; i < now.decided.embellishments.size(); ++i) out.push_back(facts_of(now, pile, i));
    return out;
}

std::vector<ShortThing> short_embellishments(const DressNow& now) {
    std::map<std::string, int> used;
    for (const PlacedEmbellishment& e : now.decided.embellishments) ++used[e.id];
    std::vector<ShortThing> out;
    for (const auto& [id, count] : used) {
        const Embellishment* of = now.stash.embellishment(id);
        if (const int there = (of ? of->count : 0) + (now.had ? now.had->embellishment(id) : 0);
            count > there)
            out.push_back({id, count, there});
    }
    return out;
}

std::vector<Finding> embellishment_findings(const DressNow& now, const DressFacts& facts) {
    std::vector<Finding> out;
    const auto name = [&](const std::string& id) {
        const Embellishment* of = now.stash.embellishment(id);
        return of ? of->name : id;
    };
    for (const ShortThing& s : facts.short_embellishments)
        out.push_back({.code = Code::EmbellishmentsShort,
                       .title = name(s.id) + ": " + std::to_string(s.used - s.there) + " short",
                       .message = "The page has " + std::to_string(s.used) + ", there " +
                                  (s.there == 1 ? "is 1." : "are " + std::to_string(s.there) + "."),
                       .fixes = {{"Take " + std::to_string(s.used - s.there) + " off the page",
                                  TakeEmbellishmentsOff{s.id, s.used - s.there}}}});
    for (std::size_t i = 0; i < facts.embellishments.size(); ++i) {
        const EmbellishmentFacts& e = facts.embellishments[i];
        const PlacedEmbellishment& placed = now.decided.embellishments[i];
        if (!e.known) continue;
        if (e.contrast < near_ground)
            out.push_back({.code = Code::EmbellishmentFaint,
                           .title = name(placed.id) + " is hardly seen where it lies",
                           .message = "Its colour differs from what lies under it by " +
                                      std::to_string(std::lround(e.contrast)) +
                                      "; from 10 on it can be seen from a step away.",
                           .where = placed.centre,
                           .swatch = now.stash.embellishment(placed.id)->colour});
        if (e.rim_on_dark)
            out.push_back(
                {.code = Code::WhiteRim,
                 .title = name(placed.id) + " shows a white rim on a dark photo",
                 .message = "Cut its rim of " +
                            format_length(now.stash.embellishment(placed.id)->white_rim, now.units) +
                            " off, or lay it on paper.",
                 .where = placed.centre});
    }
    return out;
}

} // namespace zesty
