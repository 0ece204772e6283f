#include "core/setout/decisions.h"

namespace zesty {

const PlacedCut* SetOutDecisions::cut_by_id(int id) const {
    const auto it = std::find_if(cuts.begin(), cuts.end(), [&](const PlacedCut& c) { return c.id == id; });
    return it == cuts.end() ? nullptr : &*it;
}

} // namespace zesty
