#pragma once
// How much of what is printed on a paper an opening of some size shows, wherever it is cut.
//
// The colours of a picture vary within a window of that size, in one place more than in another. What is
// counted is the place with little of it: four of five windows show more. A window as large as what repeats
// shows as much as the whole sheet; in one that is much smaller only one of the colours is seen, and most
// windows miss a small motif that stands far from the next.

#include "core/stash/pixels.h"

#include <array>
#include <vector>

namespace zesty {

/// Sides of square windows, mm.
inline constexpr std::array variation_windows{3.0, 6.0, 12.0, 25.0, 50.0, 100.0};

/// By window: how much the colours vary within four of five at least; last, over the whole picture. Root mean
/// square of distances from their mean in CIELAB; never less in a larger window. Empty for a picture without
/// pixels.
std::vector<double> variation_of(const Pixels& pixels);

/// The same for a round opening of that radius in mm, between two windows in proportion. 0 without numbers.
double variation_within(const std::vector<double>& variation, double radius);
/// The share of a pattern that an opening of that radius shows, 0 to 1: of the variance. 0 without numbers.
double share_seen(const std::vector<double>& variation, double radius);
/// Radius in mm from which an opening shows the pattern: at least half of the variance. 0 where nothing
/// varies that could be seen, or where there are no numbers.
double readable_from(const std::vector<double>& variation);

} // namespace zesty
