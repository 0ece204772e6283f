#pragma once
// Patches that run over the bars they share.

#include "core/sections/patches.h"

#include <array>

namespace zesty {

/// Where three patches lie on each other, by more than a hair: which, in the order of gluing, as indices.
std::vector<std::array<std::size_t, 3>> third_layers(const std::vector<Patch>& patches,
                                                     const GluedBefore& before);

} // namespace zesty
