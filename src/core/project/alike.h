#pragma once
// Neighbours that look the same.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// Pairs with the same side of the same paper, into SectionFacts::neighbours. Not those that are so by
/// decision: locked both, following each other, or both with a pattern that runs on. An ombre is compared by
/// the colours that are really cut, once its patches lie on sheets; before that by the tones that are wanted.
std::vector<int> alike_neighbours(const Project& project, const Plan& plan);

} // namespace zesty
