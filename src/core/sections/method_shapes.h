#pragma once
// What the methods make of an opening, each for itself. Page millimetres throughout.

#include "core/sections/backing.h"

namespace zesty {

/// The opening shrunk by the clearance, without what would be narrower than `least_inlay`; the largest piece
/// that is left, or nothing.
std::optional<Polygon> inlay_shape(const Polygon& opening, double clearance);

/// The rough rectangle that glue and trim takes off the sheet: 1/4 in more all round, turned to be smallest.
Polygon rough_rectangle(const Polygon& patch);

struct Punched {
    Polygon outline;
    double diameter = 0;
    double lip = 0;    ///< behind: the smallest overlap
    double border = 0; ///< on top: the smallest margin left of the opening
};
/// The smallest punch at hand that covers the opening with a lip and stays within `room`; nothing when none
/// does.
std::optional<Punched> punch_behind(const Polygon& opening, const Polygon& room,
                                    const std::vector<double>& punches);
/// The largest punch at hand that lies inside the opening with at least 0.5 mm around.
std::optional<Punched> punch_on_top(const Polygon& opening, const std::vector<double>& punches);

/// Whether the shape lies in the room, but for what nobody can see.
bool lies_within(const Polygon& shape, const Polygon& room);
/// The smallest overlap of `shape` around the opening; negative where it does not cover it.
double lip_of(const Ring& opening, const Ring& shape);

} // namespace zesty
