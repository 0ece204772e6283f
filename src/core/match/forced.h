#pragma once
// What no assignment can avoid.

#include "core/match/cost.h"

namespace zesty {

/// At least so many pairs of neighbours are alike when every section has paper: sections that all touch each
/// other and have fewer papers to choose from than they are, no pair counted twice. `possible`: by section,
/// the faces it may get; empty for sections that are given theirs.
std::size_t least_alike(const MatchJob& job, const Cost& cost, const std::vector<std::vector<int>>& possible);

} // namespace zesty
