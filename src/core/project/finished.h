#pragma once
// Is it finished? What a page lacks, and nothing else.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// Each a few words: "no journaling", "2 patches short". Empty when nothing is missing.
std::vector<std::string> missing_of(const Project& project, const Plan& plan);

/// What Build neither cuts nor glues because no paper has been chosen for it, or none that is there; a few
/// words each: "paper for openings 4, 7 and 9".
std::vector<std::string> still_to_choose(const Project& project, const Plan& plan);

} // namespace zesty
