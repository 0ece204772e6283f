#pragma once
// The smallest move of a thing on the page that leaves no slivers. Page millimetres.

#include "core/dress/pile.h"
#include "core/stop.h"

#include <functional>

namespace zesty {

/// A photo with its mats, or a layer, moved.
struct DressMove {
    Lying what = Lying::Photo; ///< Photo or Layer
    int index = 0;
    Point by;
    bool operator==(const DressMove&) const = default;
};

inline constexpr double nudge_step = mm_per_inch / 32;

/// How far and how long to look.
struct NudgeLimits {
    int rings = 24; ///< of `nudge_step` each, 16 places on every one
    int most_tried = 10'000;
};

/// What lies there as it is; moves are tried out one by one.
class Nudging {
public:
    explicit Nudging(const DressNow& now);

    /// Openings of which slivers are left, or photos' protected parts that are covered, and things that could
    /// move out of that: the thing most faults come of first.
    std::vector<DressMove> movers() const;
    const std::vector<LyingThing>& pile() const { return pile_; }
    std::size_t faults() const; ///< slivers and covered parts, of all

    /// The smallest move of `mover` after which nothing that it has to do with is a fault, it hangs no
    /// further off the page and lies on no journaling it did not lie on before; `accept` is asked of each
    /// such move and may refuse. Nothing where there is none within the limits.
    std::optional<DressMove> smallest(const DressMove& mover, const NudgeLimits& limits,
                                      const std::function<bool(const DressMove&)>& accept = {},
                                      const StopToken& stop = {}) const;

private:
    std::vector<int> openings_near(const DressMove& mover, double reach) const;

    const DressNow& now_;
    std::vector<LyingThing> pile_;
    CoverageFacts coverage_;
};

/// "Move Photo 2 by 1/8 in".
std::string label_of(const DressMove& move, const DressNow& now);

} // namespace zesty
