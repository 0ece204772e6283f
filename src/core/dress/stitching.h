#pragma once
// Stitches along the edges of the base. Page millimetres.

#include "core/dress/pile.h"

namespace zesty {

/// Parts of the line that something lies on, or nearer to it than its clearance, are left out; of what is
/// left, pieces of at least two stitches count.
StitchingFacts stitched(const Stitching& stitching, const DressNow& now, const std::vector<LyingThing>& pile);

/// Lines of which much is left out.
std::vector<Finding> stitching_findings(const DressNow& now, const DressFacts& facts);

} // namespace zesty
