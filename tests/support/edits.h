#pragma once
// Random decisions on a project, of every kind the window and the command line make.

#include "core/project/project.h"

#include <random>

namespace zesty::testing {

/// One random edit; `openings` is how many the first drawing has.
void random_edit(Project& project, std::mt19937& random, int openings);

} // namespace zesty::testing
