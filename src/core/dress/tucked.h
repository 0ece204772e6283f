#pragma once
// What slides behind a cut after it is glued, and where glue would be in its way. Page millimetres.

#include "core/dress/pile.h"

namespace zesty {

struct TuckZones {
    Region never; ///< see GlueMap
    Region after;
    std::vector<std::string> tucks;
};

/// For one cut, by its place among the cuts. A photo that slides behind it comes in by the shortest of
/// sixteen ways from outside.
TuckZones tuck_zones(const DressNow& now, const std::vector<LyingThing>& pile, int cut);

/// The same for every cut.
std::vector<TuckZones> zones_of(const DressNow& now, const std::vector<LyingThing>& pile);

/// Whether a place lies in the region.
bool lies_in(const Region& region, Point at);

} // namespace zesty
