#pragma once
// The one sheet that a whole cut is stuck on. Page millimetres.

#include "core/geometry/shapes.h"
#include "core/result.h"

namespace zesty {

/// The silhouette a hair smaller, with every patch that rides on it, as far as it lies on the page. Empty
/// when nothing does.
Result<Polygon> one_sheet(const Ring& silhouette, const std::vector<const Polygon*>& riders, const Box& page);

} // namespace zesty
