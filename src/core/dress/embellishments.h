#pragma once
// Embellishments on the page. Page millimetres.

#include "core/dress/pile.h"

namespace zesty {

/// Where it lies.
Polygon outline_of(const PlacedEmbellishment& placed, const Embellishment& of);

/// By DressDecisions::embellishments. `pile` has them all.
std::vector<EmbellishmentFacts> embellishment_facts(const DressNow& now, const std::vector<LyingThing>& pile);
std::vector<ShortThing> short_embellishments(const DressNow& now);

} // namespace zesty
