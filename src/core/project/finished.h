#pragma once
// Is it finished? What a page lacks, and nothing else.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// Each a few words: "no journaling", "2 patches short". Empty when nothing is missing.
std::vector<std::string> missing_of(const Project& project, const Plan& plan);

} // namespace zesty
