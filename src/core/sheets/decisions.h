#pragma once
// What a person decides about sheets: the gap between patches, places held by hand, and room for later.
// Millimetres.

#include "core/limits.h"
#include "core/sections/decisions.h"
#include "core/stash/reserved_piece.h"

#include <map>
#include <string>
#include <vector>

namespace zesty {

/// A patch put on its sheet by hand.
struct SheetPin {
    std::string sheet; ///< Sheet::id
    double rotation_deg = 0;
    Point shift;
    bool operator==(const SheetPin&) const = default;
};

struct SheetDecisions {
    double blade_gap = 0.5; ///< kept free between patches on a sheet
    /// What room is reserved for on the sheets, by page and paper.
    std::vector<ReservedPiece> reserved;
    std::map<Spot, SheetPin> pins; ///< by opening
    bool operator==(const SheetDecisions&) const = default;
};
inline constexpr Limits blade_gap_limits{0, 50};

template <class Decisions, class Visit>
void each_naming(Decisions& d,
                 Visit&& visit) requires std::is_same_v<std::remove_const_t<Decisions>, SheetDecisions> {
    visit(d.pins, Named::Opening);
}

} // namespace zesty
