#pragma once
// Which photo to order, asked about one on a page: what its size cuts off, what else it could be, and where
// the cut edge of a circle can be hidden.

#include "core/project/plan.h"
#include "core/project/project.h"
#include "core/setout/photo_ways.h"

namespace zesty {

/// An error of kind NothingToDo where the photo has no picture yet.
Result<std::vector<WayToPrint>> which_photo(const Project& project, const Plan& plan, int photo);

/// Openings that a circle of that diameter covers from behind, with its edge behind their own bars and in no
/// other opening.
std::vector<int> openings_round(const Plan& plan, double diameter, double overlap);

} // namespace zesty
