#pragma once
// What the papers' colours, the photos and the roles of papers give cause to say.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

void add_colour_findings(const Project& project, const Plan& plan, std::vector<Finding>& out);

} // namespace zesty
