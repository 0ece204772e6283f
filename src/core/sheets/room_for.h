#pragma once
// Is there room for a piece? Asked of the nesting, so that an L has no room where it has none.

#include "core/sheets/nest.h"

namespace zesty {

/// Whether one of the areas holds the piece, turned by one of these angles; by any where there are none.
/// Millimetres; sheets as seen from side A.
bool has_room(const Region& areas, const Polygon& piece, const std::vector<double>& turns_deg);

} // namespace zesty
