#pragma once
// Straight strips out of sheets and scraps of any outline. Sheet millimetres.

#include "core/geometry/shapes.h"

#include <optional>

namespace zesty {

/// The longest rectangle of that width, along either axis, that lies inside the sheet. With `enough` above 0
/// the first of that length from an edge is taken, and is no longer than that. Nothing where the sheet is
/// narrower everywhere.
std::optional<Box> strip_in(const Polygon& sheet, double width, double enough = 0);

} // namespace zesty
