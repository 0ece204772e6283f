#pragma once
// Where a rectangle finds a place on a sheet, so that what is left of the sheet stays as whole as may be.
// Millimetres.

#include "core/geometry/shapes.h"

#include <optional>

namespace zesty {

struct PlaceInSheet {
    Box box;            ///< on the sheet
    Transform to_sheet; ///< from where the rectangle was
};

/// Into a corner of the sheet, the upper left first, as it is before it is turned a quarter. Nothing where
/// the sheet holds it at none of its corners.
std::optional<PlaceInSheet> place_in_sheet(const Polygon& sheet, const Box& wanted, bool may_turn);

} // namespace zesty
