#pragma once
// The shapes of paper layers. Page millimetres but where it says otherwise.

#include "core/dress/decisions.h"
#include "core/setout/page.h"

namespace zesty {

/// What lies on the page; torn edges are taken as straight, a hill's as its line.
Polygon outline_of(const PaperLayer& layer, const Page& page);

/// What is cut for it, upright about the origin, with the allowance for tearing.
Polygon blank_of(const PaperLayer& layer, const Page& page);

/// What somebody has called it, or "Strip 2" by its place among DressDecisions::layers.
std::string name_of(const PaperLayer& layer, std::size_t place);

} // namespace zesty
