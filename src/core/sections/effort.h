#pragma once
// How long the work takes. The usual pace is a rule of thumb for a practised pair of hands: a full-page
// lattice of thirty openings comes to well over an hour by hand. Minutes.

#include "core/sections/pace.h"
#include "core/sections/patches.h"

namespace zesty {

/// A blade that is lifted and set down once for every contour.
double cutting_minutes(double length_mm, std::size_t contours, const Pace& pace);

/// From sheet to glued down, for one patch made the way of its method. What the machine cuts costs no hands
/// but its own time.
double backing_minutes(const Patch& patch, const Pace& pace);

} // namespace zesty
