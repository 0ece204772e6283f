#pragma once
// What falls out of a cut's openings has exactly their shapes: as embellishments it is kept for later.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// The stash with the drop-outs of one cut, by its place among the cuts: one embellishment for each shape,
/// with as many as there are openings of it. Those too small to handle are left out; so is what is cut from
/// another paper. The same ones again add to their counts.
Stash with_drop_outs(Stash stash, const Project& project, const Plan& plan, int cut);

/// The cuts, by their places, whose own paper is not in the stash: finishing puts none of their drop-outs
/// back.
std::vector<int> cuts_from_elsewhere(const Project& project);

/// The drop-outs of these cuts become embellishments of the stash at hand. What is one is no scrap as well:
/// of a cut whose paper is in the stash, finishing puts none back.
void take_drop_outs(Project& project, const Plan& plan, const std::vector<int>& cuts);

} // namespace zesty
