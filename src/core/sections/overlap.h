#pragma once
// Patches that run over the bars they share.

#include "core/sections/patches.h"

#include <functional>

namespace zesty {

/// Takes patches that meet in the middle of bars and the same patches with all they could cover, both in
/// order of openings, and gives each of them as much of the bars as leaves nowhere more than two on each
/// other. What is glued before takes its share first.
Result<std::vector<Patch>> overlapped(std::vector<Patch> meeting, const std::vector<Patch>& reaching,
                                      const CutFile& cut, const Transform& to_page,
                                      const std::function<bool(int opening, int other)>& before);

} // namespace zesty
