#pragma once
// How much of which colour the page shows, and where.

#include "core/match/findings.h"

namespace zesty {

/// One hue family over 40 % of the coloured area; base and the same family together over 60 %; an accent in
/// one quarter of the page alone. Families are eight sectors of hue in CIELAB, as colours are called; what
/// has little chroma has none. Areas are what is seen: patches without what photos hide, base and frame
/// without what lies on them.
std::vector<Finding> hue_findings(const PapersNow& now);

} // namespace zesty
