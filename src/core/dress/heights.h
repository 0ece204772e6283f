#pragma once
// How high everything on the base becomes. Page millimetres.
//
// What is glued follows what lies below it; what is raised is level, on its highest support, and wants
// thicker foam where its support is lower. A thing raised at its tip rises evenly from its foot. Paper is
// taken to be 0.15 mm thick, cuts 0.3, photos 0.25.

#include "core/dress/tucked.h"

namespace zesty {

/// `zones` by cut.
HeightFacts heights_of(const DressNow& now, const std::vector<LyingThing>& pile,
                       const std::vector<TitleFacts>& titles, const std::vector<TuckZones>& zones);

/// What of a thing has foam of a thickness behind it: the steps there is foam for, 0 for glue.
double foam_step(double gap);

} // namespace zesty
