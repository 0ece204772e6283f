#pragma once
// How colours are spread over the page: the two schools, everything between them, and what counts how much.

#include "core/limits.h"
#include "core/names.h"
#include "core/stash/colour.h"

#include <vector>

namespace zesty {

/// What says which tone a place of the page wants when colours drift.
enum class ToneMap {
    Gradient,  ///< light at one end, dark at the other
    Zones,     ///< bands from the light end on, each with a colour of its own
    Background ///< the picture of the base paper
};
template <> inline constexpr std::array words_of<ToneMap>{"gradient", "zones", "background"};

/// Weights go from 0 to this. A person sets them up to 2; proposals that are made for one aim go beyond.
inline constexpr Limits weight_limits{0, 8};
inline constexpr Limits drift_limits{0, 1};

/// How much each aim counts: 1 as usual, 0 not at all.
struct MatchWeights {
    double differ = 1;  ///< neighbours look different
    double spread = 1;  ///< every paper all over the page, and no colour too much in one spot
    double pattern = 1; ///< large patterns in large openings; stripes side by side run the same way
    double behind = 1;  ///< papers stand out from the cut and from the base
    double photo = 1;   ///< papers beside a photo keep clear of its colours
    double thrift = 1;  ///< scraps first, few new sheets
    bool operator==(const MatchWeights&) const = default;
};

struct MatchStyle {
    /// 0 scatters: a paper that is used in one place is not used again close by. 1 drifts: every place gets
    /// the tone that the map wants there.
    double drift = 0;
    double light_deg = -90; ///< where the light end lies, clockwise from the right: -90 is the top
    ToneMap map = ToneMap::Gradient;
    std::vector<Rgb> zones = {}; ///< colours of the bands, from the light end on
    MatchWeights weights = {};
    bool operator==(const MatchStyle&) const = default;
};

/// What a person wants of a paper as a whole.
enum class PaperRole {
    UseUp, ///< as much of it as goes
    Spare, ///< as little of it as goes
    Tie    ///< holds the others together: in three places at least
};
template <> inline constexpr std::array words_of<PaperRole>{"use-up", "spare", "tie"};

} // namespace zesty
