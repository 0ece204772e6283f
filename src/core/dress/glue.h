#pragma once
// Where glue may go, how much of what, and what is held badly. Page millimetres.

#include "core/dress/tucked.h"

namespace zesty {

/// `zones` by cut; `heights` says what is on foam instead.
GlueFacts glue_of(const DressNow& now, const std::vector<LyingThing>& pile,
                  const std::vector<TuckZones>& zones, const HeightFacts& heights);

/// What holds a bar of that width on the page, made of paper with that finish.
Adhesive adhesive_for(double width, Finish finish, const NarrowestBars& bars);

/// "fine-tip glue", "tape".
const char* name_of(Adhesive what);

} // namespace zesty
