#pragma once
// Patches that are larger than every sheet there is, and what can be done about them.

#include "core/match/capacity.h"
#include "core/project/plan.h"
#include "core/project/project.h"
#include "core/project/ways_out.h"

namespace zesty {

/// Sections without paper of which some patch fits on no sheet of any paper, in their order. What has been
/// given a paper that is too small is short of it. `capacity` must be in use for the plan.
std::vector<int> larger_than_every_sheet(const Project& project, const Plan& plan, Capacity& capacity);
/// Each fix has been tried: what comes of it fits on sheets that there are, or is bought.
Finding too_large(const Project& project, const Plan& plan, Capacity& capacity, int section,
                  const Shapes& shapes);

/// Dividing an opening where a bar that ends at it would run on, or in the middle; and buying a whole sheet
/// of the paper where that would hold the patch. `paper` may be -1.
std::vector<Fix> ways_for_large(const Project& project, const Plan& plan, int patch, int paper);

} // namespace zesty
