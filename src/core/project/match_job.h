#pragma once
// What match is asked, from what has been decided and planned.

#include "core/match/match.h"
#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// Papers that are given by hand stay; with `keep_chosen` every paper that has been chosen does. The project
/// must have a stash, which the job refers to.
MatchJob match_job(const Project& project, const Plan& plan, bool keep_chosen);

} // namespace zesty
