#pragma once
// Random edits of what is decided at Build and kept.

#include "core/project/project.h"

#include <random>

namespace zesty::testing {

void build_edit(Project& project, std::mt19937& random);
void keep_edit(Project& project, std::mt19937& random);

} // namespace zesty::testing
