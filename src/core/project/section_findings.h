#pragma once
// What treatments, methods and covered openings give cause to say.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

void add_section_findings(const Project& project, const Plan& plan, std::vector<Finding>& out);

} // namespace zesty
