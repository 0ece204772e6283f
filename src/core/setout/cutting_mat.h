#pragma once
// The carrier of the cutting machine. Millimetres.

#include "core/geometry/lengths.h"
#include "core/limits.h"

namespace zesty {

struct CuttingMat {
    double width = 12 * mm_per_inch; ///< as far as it is cut on
    double height = 12 * mm_per_inch;
    double gap = 2; ///< kept free between pieces
    bool operator==(const CuttingMat&) const = default;
};
inline constexpr Limits cutting_mat_limits{10, 3000};
inline constexpr Limits cutting_mat_gap_limits{0, 50};

} // namespace zesty
