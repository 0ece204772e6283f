#pragma once
// The way of the blade's holder along a closed contour. Millimetres.
//
// The tip of a drag blade trails the axis it turns about by its offset. With Corners::Swivel the axis goes on
// by that offset beyond a sharp corner and turns on an arc about it, so that the tip stays in the corner;
// along edges the axis is ahead of the tip by the offset. With Corners::Lift the blade is lifted at sharp
// corners and set down anew.

#include "core/build/decisions.h"
#include "core/geometry/shapes.h"

#include <vector>

namespace zesty {

/// One stroke with the blade down, from its first point to its last.
using Stroke = std::vector<Point>;

/// The strokes of a contour from its first corner round to it and beyond by the overcut. At least three
/// corners; none for fewer.
std::vector<Stroke> blade_path(const Ring& contour, const CuttingSettings& settings);

/// Where the tip cuts when the axis follows a stroke and the blade points along its beginning (the tractrix
/// of a drag blade, in steps no longer than `step`).
Stroke tip_path(const Stroke& axis, double offset, double step = 0.02);

} // namespace zesty
