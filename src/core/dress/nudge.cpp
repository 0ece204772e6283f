#include "core/dress/nudge.h"

#include "core/dress/coverage.h"
#include "core/dress/layers.h"
#include "core/dress/writing.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/setout/photos.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace zesty {

namespace {

constexpr int directions = 16;
constexpr double covered_part = 1; ///< mm2 of a protected part, as photo_findings() has it
constexpr double may_lie_on = 1;   ///< mm by which it may lie on journaling

/// By how much a box hangs off the page.
double off_page(const Box& box, const Box& page) {
    return std::max({0.0, page.x0 - box.x0, page.y0 - box.y0, box.x1 - page.x1, box.y1 - page.y1});
}

struct ProtectedPart {
    std::size_t place; ///< of its photo in the pile
    Polygon outline;
};

std::vector<ProtectedPart> protected_parts(const DressNow& now, const std::vector<LyingThing>& pile) {
    std::vector<ProtectedPart> out;
    for (std::size_t i = 0; i < pile.size(); ++i)
        if (pile[i].what == Lying::Photo) {
            const Photo& photo = now.page.photos[static_cast<std::size_t>(pile[i].index)];
            for (const Box& part : photo.protected_parts) out.push_back({i, outline_of(photo, part)});
        }
    return out;
}

/// Whether something above hides a part of a photo. Cuts hide by their material alone.
bool is_covered(const ProtectedPart& part, const std::vector<LyingThing>& pile, const DressNow& now) {
    const Box box = bounds(part.outline);
    const auto meets = [&](const Region& region) {
        const auto both = intersect({part.outline}, region);
        return both && area(*both) > covered_part;
    };
    for (std::size_t i = part.place + 1; i < pile.size(); ++i) {
        if (!pile[i].hides || !pile[i].box.meets(box)) continue;
        if (pile[i].what != Lying::Cut) {
            if (meets(pile[i].outline)) return true;
            continue;
        }
        for (const Piece& p : now.sections.cut->pieces)
            if (p.layer == pile[i].index && meets({transformed(p.outline, now.whole.to_page)})) return true;
    }
    return false;
}

bool belongs(const LyingThing& thing, const DressMove& mover) {
    if (mover.what == Lying::Layer) return thing.what == Lying::Layer && thing.index == mover.index;
    return (thing.what == Lying::Photo || thing.what == Lying::Mat) && thing.index == mover.index;
}

Box box_of(const std::vector<LyingThing>& pile, const DressMove& mover) {
    Box out;
    for (const LyingThing& thing : pile)
        if (belongs(thing, mover)) out.add(thing.box);
    return out;
}

void shift(std::vector<LyingThing>& pile, const DressMove& mover, Point by) {
    const Transform moved = Transform::moved(by.x, by.y);
    for (LyingThing& thing : pile)
        if (belongs(thing, mover)) {
            thing.outline = transformed(thing.outline, moved);
            thing.box = bounds(thing.outline);
        }
}

std::size_t writings_met(const DressNow& now, const std::vector<LyingThing>& pile, const DressMove& mover) {
    std::size_t out = 0;
    for (const Writing& w : now.decided.writings) {
        if (w.with_photo > 0) continue; // it moves along
        const Polygon outline = outline_of(w);
        if (outline.outer.empty()) continue;
        const auto inside = grow({outline}, -may_lie_on);
        for (const LyingThing& thing : pile)
            if (inside && belongs(thing, mover) && thing.box.meets(bounds(outline)))
                if (const auto both = intersect(*inside, thing.outline); both && area(*both) > covered_part) {
                    ++out;
                    break;
                }
    }
    return out;
}

bool any_sliver(const DressNow& now, const std::vector<LyingThing>& pile, const std::vector<int>& openings) {
    return std::any_of(openings.begin(), openings.end(), [&](int o) {
        const auto one = covered_openings(now, pile, {o});
        return !one.empty() && one.front().sliver;
    });
}

bool can_move(const DressNow& now, const LyingThing& thing) {
    return thing.what == Lying::Photo || thing.what == Lying::Mat ||
           (thing.what == Lying::Layer &&
            now.decided.layers[static_cast<std::size_t>(thing.index)].shape != LayerShape::Tape);
}

} // namespace

Nudging::Nudging(const DressNow& now) : now_(now), pile_(pile_of(now)), coverage_(coverage_of(now, pile_)) {}

std::size_t Nudging::faults() const {
    const auto parts = protected_parts(now_, pile_);
    return static_cast<std::size_t>(std::count_if(coverage_.openings.begin(), coverage_.openings.end(),
                                                  [](const CoveredOpening& c) { return c.sliver; }) +
                                    std::count_if(parts.begin(), parts.end(), [&](const ProtectedPart& p) {
                                        return is_covered(p, pile_, now_);
                                    }));
}

std::vector<DressMove> Nudging::movers() const {
    std::map<std::pair<Lying, int>, int> blame;
    const auto name = [](const LyingThing& thing) {
        return std::pair(thing.what == Lying::Mat ? Lying::Photo : thing.what, thing.index);
    };
    for (const CoveredOpening& c : coverage_.openings) {
        if (!c.sliver) continue;
        std::vector<std::pair<Lying, int>> once;
        for (const int i : c.by)
            if (const LyingThing& thing = pile_[static_cast<std::size_t>(i)]; can_move(now_, thing))
                if (std::find(once.begin(), once.end(), name(thing)) == once.end())
                    once.push_back(name(thing));
        for (const auto& one : once) ++blame[one];
    }
    for (const ProtectedPart& part : protected_parts(now_, pile_))
        if (is_covered(part, pile_, now_)) ++blame[name(pile_[part.place])];
    std::vector<std::pair<int, DressMove>> sorted;
    for (const auto& [what, count] : blame) sorted.push_back({count, {what.first, what.second, {}}});
    std::stable_sort(sorted.begin(), sorted.end(),
                     [](const auto& a, const auto& b) { return a.first > b.first; });
    std::vector<DressMove> out;
    for (auto& [count, move] : sorted) out.push_back(move);
    return out;
}

std::vector<int> Nudging::openings_near(const DressMove& mover, double reach) const {
    std::vector<int> out;
    if (!now_.sections.cut) return out;
    const Box near = box_of(pile_, mover).grown(reach);
    for (std::size_t o = 0; o < now_.sections.cut->openings.size(); ++o) {
        const Box& box = now_.sections.cut->openings[o].box;
        Box there;
        for (const Point p : ring_of(box)) there.add(now_.whole.to_page(p));
        if (there.meets(near)) out.push_back(static_cast<int>(o));
    }
    return out;
}

std::optional<DressMove> Nudging::smallest(const DressMove& mover, const NudgeLimits& limits,
                                           const std::function<bool(const DressMove&)>& accept,
                                           const StopToken& stop) const {
    const std::vector<int> openings = openings_near(mover, limits.rings * nudge_step);
    const Box page = now_.page.page.whole();
    const double was_off = off_page(box_of(pile_, mover), page);
    const std::size_t was_on = writings_met(now_, pile_, mover);
    std::vector<LyingThing> pile = pile_;
    int tried = 0;
    for (int ring = 1; ring <= limits.rings; ++ring)
        for (int d = 0; d < directions; ++d) {
            if (stopped(stop) || ++tried > limits.most_tried) return std::nullopt;
            // Straight ways first: they are easier to make by hand.
            const double deg = (d < 4 ? 90.0 * d : d < 8 ? 45 + 90.0 * (d - 4) : 22.5 + 45.0 * (d - 8));
            const Point by = Transform::turned_deg(deg)({ring * nudge_step, 0});
            const DressMove move{mover.what, mover.index, by};
            shift(pile, mover, by);
            const auto parts_stay_free = [&] {
                for (const ProtectedPart& p : protected_parts(now_, pile_)) {
                    ProtectedPart there = p;
                    if (belongs(pile_[p.place], mover))
                        there.outline = transformed(p.outline, Transform::moved(by.x, by.y));
                    if (is_covered(there, pile, now_)) return false;
                }
                return true;
            };
            const bool good = off_page(box_of(pile, mover), page) <= was_off + 0.01 &&
                              !any_sliver(now_, pile, openings) && parts_stay_free() &&
                              writings_met(now_, pile, mover) <= was_on;
            if (good && (!accept || accept(move))) return move;
            for (std::size_t i = 0; i < pile.size(); ++i)
                if (belongs(pile[i], mover)) pile[i] = pile_[i];
        }
    return std::nullopt;
}

std::string label_of(const DressMove& move, const DressNow& now) {
    const auto i = static_cast<std::size_t>(move.index);
    const std::string what =
        move.what == Lying::Layer ? name_of(now.decided.layers[i], i) : name_of(now.page.photos[i], i);
    const Point by = move.by;
    const double across = std::abs(by.x);
    const double down = std::abs(by.y);
    std::string way = by.x > 0 ? "right" : "left";
    if (down > across) way = by.y > 0 ? "down" : "up";
    const double lesser = std::min(across, down);
    if (lesser > 0.3 * std::max(across, down))
        way = std::string(by.y > 0 ? "down" : "up") + " and " + (by.x > 0 ? "right" : "left");
    return "Move " + what + " " + format_length(length(by), now.units) + " " + way;
}

} // namespace zesty
