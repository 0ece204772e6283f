#pragma once
// Clusters and balance: what the eye makes of everything that lies on the page. Page millimetres.

#include "core/dress/pile.h"

namespace zesty {

/// Embellishments nearer than 1 in to each other hang together; `pile` has everything that lies there.
BalanceFacts balance_of(const DressNow& now, const std::vector<LyingThing>& pile,
                        const std::vector<EmbellishmentFacts>& embellishments,
                        const std::vector<TitleFacts>& titles);

/// What of that deserves a second look.
std::vector<Finding> balance_findings(const DressNow& now, const BalanceFacts& facts);

} // namespace zesty
