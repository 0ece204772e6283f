#pragma once
// The work on a page, step by step, as it follows from the plan. Minutes.
//
// Only what physics wants is an order here: gut before gluing, what is wet before it is mounted, acetate dry
// before it is trimmed, tuck before the glue, stitch before foam, foam before placing, dry before what lies
// on it. What is habit goes by BuildDecisions::habits. Drying times are the household's; the maker's
// instructions win.

#include "core/build/step.h"
#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// In an order in which they can be done. With somebody's own among them; none for an empty page.
std::vector<BuildStep> build_steps(const Project& project, const Plan& plan);

/// Own steps whose place among the others cannot be kept, one sentence each.
std::vector<std::string> own_steps_left_out(const Project& project, const std::vector<BuildStep>& steps);

/// What turning a habit round changes for this page, one sentence each.
std::vector<std::string> habit_changes(const Project& project, const Plan& plan, const Habits& other);

} // namespace zesty
