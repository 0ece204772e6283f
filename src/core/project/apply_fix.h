#pragma once
// The decision behind a finding's button.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// `plan` must be the project's; a fix that no longer fits the project changes nothing.
void apply_fix(Project& project, const Plan& plan, const Fix& fix);

} // namespace zesty
