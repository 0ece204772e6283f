#pragma once
// Whether a thing fits into a place, turned if need be. Millimetres.

#include "core/geometry/shapes.h"
#include "core/stop.h"

#include <optional>

namespace zesty {

inline constexpr double fit_clearance = 1.5875; ///< 1/16 in, all round

struct ThingFit {
    bool fits = false;
    Point centre; ///< where the thing's origin comes to lie
    double turn_deg = 0;
    double clearance = 0; ///< at its narrowest place; less than 0 where it reaches beyond
};

/// The place with the most room found for `thing`, which is about its origin, inside `place`. Fits are
/// verified exactly; a thing that does not fit comes with the best place all the same, so that it can be said
/// by how much it is too large. Searches from many places and turns, each going uphill as far as it can (a
/// pattern search: R. Hooke and T. Jeeves, Journal of the ACM 8, 1961).
ThingFit best_fit(const Polygon& thing, const Polygon& place, double clearance = fit_clearance,
                  const StopToken& stop = {});

} // namespace zesty
