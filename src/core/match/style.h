#pragma once
// How colours are spread over the page: the two schools, and everything between them.

namespace zesty {

struct MatchStyle {
    /// 0 scatters: a paper that is used in one place is not used again close by. 1 drifts: light papers at
    /// one end of the page, dark ones at the other.
    double drift = 0;
    double light_deg = -90; ///< where the light end lies, clockwise from the right: -90 is the top
    bool operator==(const MatchStyle&) const = default;
};

} // namespace zesty
