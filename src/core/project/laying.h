#pragma once
// Patches laid on their sheets, and what that says.

#include "core/match/capacity.h"
#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// The patches that sheets of the paper have to give, with the sides that show; those that ride on others
/// come with them.
std::vector<LaidPatch> patches_with(const Plan& plan, int paper);

/// Lays the patches of every paper and notes places, uses, what is short and why, the sheets used and what
/// they leave. `proposed`: papers have been looked for, so that what has none found none. False when told to
/// stop.
bool lay_patches(const Project& project, Plan& plan, Capacity& capacity, bool proposed, const StopToken& stop,
                 const Progress& progress);

} // namespace zesty
