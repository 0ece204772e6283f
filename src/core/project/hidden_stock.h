#pragma once
// Paper that the page itself takes from the stash, and the paper it hides that can still be used.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// Takes the frame, the base and cuts that are made of papers in the stash out of the plan's sheets, each
/// from the smallest sheet that is large enough; what is left of those sheets stays in the stock. Adds the
/// gutted middle of the frame, what lies under photos where the page allows it, and drop-outs of cuts, as
/// sheets with their origin. Sheets keep their places in the list; a sheet of which nothing is left has no
/// area. Findings about sheets that are not large enough go to the plan's frame. The plan must be set out.
void take_hidden_stock(const Project& project, Plan& plan);

} // namespace zesty
