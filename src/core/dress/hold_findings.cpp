// What there is to say about heights, foam and glue.

#include "core/dress/dress.h"
#include "core/dress/fixes.h"
#include "core/dress/glue.h"
#include "core/dress/heights.h"
#include "core/dress/pile.h"
#include "core/geometry/lengths.h"
#include "core/sentences.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr std::size_t most_lowered = 3;

Fix hold_differently(const RaisedThing& thing, Mount how, std::string label) {
    const Mounting held{how};
    if (thing.what == Lying::Cut || thing.what == Lying::Photo)
        return {std::move(label), SetMount{thing.what == Lying::Photo, thing.index, held}};
    return {std::move(label), SetDressMount{thing.what, thing.index, held}};
}

/// The same page with one thing held differently.
double highest_with(const DressNow& now, const DressFacts& facts, const RaisedThing& thing, Mount how) {
    SetOutDecisions page = now.page;
    DressDecisions decided = now.decided;
    const Mounting held{how};
    if (thing.what == Lying::Cut || thing.what == Lying::Photo)
        SetMount{thing.what == Lying::Photo, thing.index, held}(page);
    else
        SetDressMount{thing.what, thing.index, held}(decided);
    const DressNow changed{
        decided,           page,      now.whole,      now.sections,   now.stash, now.papers,
        now.photo_colours, now.units, now.bar_places, now.foam_width, now.had};
    const auto pile = pile_of(changed);
    return heights_of(changed, pile, facts.titles, zones_of(changed, pile)).highest;
}

Finding too_high(const DressNow& now, const DressFacts& facts) {
    const HeightFacts& h = facts.heights;
    Finding out{.code = Code::TooHigh,
                .title = "The page is " + format_mm(h.highest) + " high",
                .message = {},
                .where = h.at};
    std::vector<std::string> names;
    for (const RaisedThing& thing : h.raised)
        if (thing.top > now.decided.album_takes && names.size() < most_lowered) names.push_back(thing.name);
    out.message = "The album takes " + format_mm(now.decided.album_takes) + ", and " + percent(h.over_share) +
                  " of the page is higher" +
                  (names.empty() ? std::string() : ", raised by " + in_a_row(names)) + ".";
    // The highest first; each way of holding it is worked out before it is offered.
    std::vector<const RaisedThing*> tried;
    for (const RaisedThing& thing : h.raised)
        if (!thing.for_shakers && raised_by(thing.how) > 0) tried.push_back(&thing);
    std::sort(tried.begin(), tried.end(),
              [](const RaisedThing* a, const RaisedThing* b) { return a->top > b->top; });
    if (tried.size() > most_lowered) tried.resize(most_lowered);
    for (const RaisedThing* thing : tried)
        for (const auto& [how, words] :
             {std::pair(Mount::Thin, "Thin foam behind "), std::pair(Mount::Glued, "Glue flat: ")}) {
            if (raised_by(how) >= raised_by(thing->how)) continue;
            const double then = highest_with(now, facts, *thing, how);
            if (then > h.highest - 0.1) continue;
            const bool enough = then <= now.decided.album_takes;
            out.fixes.push_back(
                hold_differently(*thing, how, words + thing->name + " (" + format_mm(then) + ")"));
            if (enough) break;
        }
    if (out.fixes.empty()) out.message += " Holding one of them otherwise does not lower it.";
    return out;
}

std::string levels_in_words(const RaisedThing& thing) {
    std::vector<std::string> parts;
    for (const FoamLevel& level : thing.levels)
        parts.push_back((level.thickness > 0 ? std::to_string(std::lround(level.thickness)) + " mm of foam"
                                             : std::string("glue")) +
                        " behind " + percent(level.area / std::max(1e-9, thing.full)) + " of it");
    return in_a_row(parts);
}

bool is_on_two_levels(const RaisedThing& thing) {
    return thing.how != Mount::Tip && thing.levels.size() > 1;
}

bool can_be_glued_flat(const RaisedThing& thing) {
    return !thing.for_shakers && !thing.bridges && thing.how != Mount::Glued;
}

Finding two_levels(const RaisedThing& thing) {
    Finding out{.code = Code::TwoLevels,
                .title = with_capital(thing.name) + " lies on two levels",
                .message = "For a level top it needs " + levels_in_words(thing) + "."};
    if (can_be_glued_flat(thing))
        out.fixes.push_back(hold_differently(thing, Mount::Glued, "Glue it flat"));
    else if (thing.for_shakers)
        out.message += " Its shakers hold it up.";
    else
        out.message += thing.how == Mount::Glued ? " It bridges what lies below it."
                                                 : " Glued, it would bridge what lies below it.";
    return out;
}

} // namespace

std::vector<Finding> hold_findings(const DressNow& now, const DressFacts& facts) {
    std::vector<Finding> out;
    if (facts.heights.highest > now.decided.album_takes + 1e-6) out.push_back(too_high(now, facts));
    for (const RaisedThing& thing : facts.heights.raised) {
        const bool by_foam = thing.what != Lying::Title;
        if (thing.strips.empty() && thing.pads.empty() && by_foam) {
            Finding f{.code = Code::FoamShows,
                      .title = "No foam hides behind " + thing.name,
                      .message = "It is too narrow everywhere for strips of " +
                                 format_length(now.foam_width, now.units) +
                                 " and for a pad; narrower foam, or glue.",
                      .where = {}};
            if (can_be_glued_flat(thing))
                f.fixes.push_back(hold_differently(thing, Mount::Glued, "Glue it flat"));
            out.push_back(std::move(f));
        }
        if (is_on_two_levels(thing)) out.push_back(two_levels(thing));
    }
    std::vector<std::string> numbers;
    for (const BadlyHeld& b : facts.glue.badly_held) numbers.push_back(std::to_string(b.piece + 1));
    if (!numbers.empty()) {
        constexpr std::size_t most_named = 8;
        const std::size_t more = numbers.size() > most_named ? numbers.size() - most_named : 0;
        numbers.resize(numbers.size() - more);
        if (more > 0) numbers.push_back(std::to_string(more) + " more");
        out.push_back({.code = Code::PieceHeldOnce,
                       .title = count_of(facts.glue.badly_held.size(), "loose piece is", "loose pieces are") +
                                " held at one place only",
                       .message = "Piece " + in_a_row(numbers) +
                                  ": no two places for glue are 1/4 in apart; cover the whole back with an "
                                  "adhesive sheet or glue.",
                       .where = facts.glue.badly_held.front().at});
    }
    return out;
}

} // namespace zesty
