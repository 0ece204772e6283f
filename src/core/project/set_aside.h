#pragma once
// Findings that somebody has looked at and means so. They stay out of the way as long as their reason is the
// same: what they say, numbers included.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

void set_aside(Project& project, const Finding& finding);
void ask_again(Project& project); ///< everything that is set aside

/// Moves findings that are set aside to Plan::set_aside.
void part_set_aside(const Project& project, Plan& plan);

} // namespace zesty
