#pragma once
// Paint, ink and the like on the base. Page millimetres.

#include "core/dress/pile.h"

namespace zesty {

/// "Splatters", or its own name.
std::string name_of(const WetZone& zone, std::size_t place);

/// Where the colour goes, on the base; empty where the cut it goes by is not there.
Region outline_of(const WetZone& zone, const DressNow& now);

struct WetLook {
    std::vector<WetFacts> zones;
    std::vector<WetPair> pairs;
};
/// A place where more is seen is looked for within 6 in, in steps of 1/4 in.
WetLook wet_facts(const DressNow& now, const std::vector<LyingThing>& pile);

} // namespace zesty
