#pragma once
// What a decided number may be. Limits stand beside the decision they are for; readers refuse what lies
// outside, edits bring it inside, so that whatever is decided can be stored and opened again.

#include <algorithm>
#include <cmath>

namespace zesty {

struct Limits {
    double least = 0;
    double most = 0;

    /// False for what is not a number.
    constexpr bool hold(double x) const { return x >= least && x <= most; }
    /// The nearest number that is allowed; the least for what is not a number.
    double nearest(double x) const { return std::isnan(x) ? least : std::clamp(x, least, most); }
};

/// A turn that a person may ask for is within this; edits bring it to half a turn either way.
inline constexpr Limits turn_limits{-360, 360};
/// Places on a page or sheet, and shifts to them; mm.
inline constexpr Limits place_limits{-10'000, 10'000};

/// The same turn between -180 and 180 degrees; 0 for what is not finite.
inline double brought_round(double deg) {
    return std::isfinite(deg) ? std::remainder(deg, 360.0) : 0.0;
}

} // namespace zesty
