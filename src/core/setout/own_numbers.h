#pragma once
// Numbers that a household has found out for itself, in the place of the usual rules of thumb. Millimetres.

#include "core/geometry/lengths.h"
#include "core/limits.h"

namespace zesty {

/// What cuts or holds a bar wants it to be this wide.
struct NarrowestBars {
    double blade = 0.8;
    double glue = 1.5; ///< fine tip; narrower ones are delicate
    double foam = mm_per_inch / 8;
    double tape = mm_per_inch / 4;
    bool operator==(const NarrowestBars&) const = default;
};
inline constexpr Limits narrowest_bar_limits{0.05, 50};

/// What is offered where nothing else is said.
struct UsualSizes {
    double shadow = 2; ///< by how much it is larger all round
    double grid_gap = mm_per_inch / 8;
    double photo_overlap = mm_per_inch / 8; ///< of a photo behind the bars round its opening
    double scan_square = mm_per_inch;       ///< the square beside a scan
    bool operator==(const UsualSizes&) const = default;
};
inline constexpr Limits shadow_limits{0.2, 20};
inline constexpr Limits grid_gap_limits{0, 1000};
inline constexpr Limits photo_overlap_limits{0, 100};
inline constexpr Limits scan_square_limits{2, 500};

} // namespace zesty
