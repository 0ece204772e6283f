#pragma once
// How fast a household works.

#include "core/limits.h"

namespace zesty {

struct Pace {
    double blade = 20;       ///< mm a second, of the machine
    double blade_lift = 0.4; ///< seconds a contour
    double scissors = 3;     ///< mm a second
    double pencil = 7;       ///< mm a second
    double glue = 8;         ///< mm a second, fine tip
    double placing = 30;     ///< seconds to pick a patch and lay it down
    double punching = 24;    ///< seconds a circle, with looking for the place
    double foam = 48;        ///< seconds to set a piece on foam
    bool operator==(const Pace&) const = default;
};
inline constexpr Limits speed_limits{0.1, 2000};   ///< mm a second
inline constexpr Limits seconds_limits{0.0, 3600}; ///< of one thing done

} // namespace zesty
