#pragma once
// What of the openings is hidden by what lies on them, and whether what is left looks like a mistake.

#include "core/dress/pile.h"

namespace zesty {

inline constexpr double sliver_width = mm_per_inch / 8; ///< a part that is seen and nowhere as wide
inline constexpr double sliver_share = 0.05;            ///< of an opening, when less is left

/// By what lies above each opening's own cut. Openings that are open can be hidden, but leave no slivers: the
/// base shows there as it does elsewhere.
CoverageFacts coverage_of(const DressNow& now, const std::vector<LyingThing>& pile);

/// Of these openings alone.
std::vector<CoveredOpening> covered_openings(const DressNow& now, const std::vector<LyingThing>& pile,
                                             const std::vector<int>& openings);

} // namespace zesty
