#pragma once
// A frame that is decided when everything else is done, as decided. Millimetres on the page.

#include "core/geometry/lengths.h"
#include "core/limits.h"
#include "core/names.h"

#include <array>
#include <string>

namespace zesty {

enum class LateFraming {
    None,
    Trimmed, ///< the page is trimmed to the reveals and mounted on the frame paper
    Over     ///< strips are glued over the edges of the page
};
template <> inline constexpr std::array words_of<LateFraming>{"none", "trimmed", "over"};

struct LateFrame {
    LateFraming how = LateFraming::None;
    /// How wide it is at each corner: upper left, upper right, lower right, lower left. Between them its
    /// inner edge runs straight.
    std::array<double, 4> corners{mm_per_inch / 4, mm_per_inch / 4, mm_per_inch / 4, mm_per_inch / 4};
    std::string paper = {};       ///< id; empty for paper that is not from the stash
    std::string side_paper = {};  ///< of its left and right side; empty for the same
    double lip = mm_per_inch / 2; ///< of the paper behind a page that is trimmed
    bool operator==(const LateFrame&) const = default;
};
inline constexpr Limits late_reveal_limits{0, 300};
inline constexpr Limits late_lip_limits{0, 200};

} // namespace zesty
