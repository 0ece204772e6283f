#include "core/setout/decisions.h"

namespace zesty {

CutPlacement sized(CutPlacement place, SizeRule rule, double length) {
    place.rule = rule;
    place.length = length;
    const bool as_it_lies = rule == SizeRule::Margin || rule == SizeRule::Frame;
    // A mirrored cut has the box of the other way round.
    place.sized_at_deg = !as_it_lies ? 0 : place.mirrored ? -place.turn_deg : place.turn_deg;
    return place;
}

const PlacedCut* SetOutDecisions::cut_by_id(int id) const {
    const auto it = std::find_if(cuts.begin(), cuts.end(), [&](const PlacedCut& c) { return c.id == id; });
    return it == cuts.end() ? nullptr : &*it;
}

} // namespace zesty
