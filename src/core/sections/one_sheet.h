#pragma once
// The one sheet that a whole cut is stuck on. Page millimetres.

#include "core/geometry/shapes.h"
#include "core/result.h"

namespace zesty {

/// The silhouette a hair smaller, with every patch that rides on it, as far as it lies on the page. Empty
/// when nothing does.
Result<Polygon> one_sheet(const Ring& silhouette, const std::vector<const Polygon*>& riders, const Box& page);

/// Sheets for some patches of a cut whose other openings have something else behind them: what rides within
/// 3/4 in of each other shares one, and nothing shows in the others' openings.
Result<Region> sheets_beside(const std::vector<const Polygon*>& riders, const Region& other_openings);

} // namespace zesty
