#pragma once
// How an opening, or the bare base, is divided without bars.

#include "core/geometry/boolean.h"
#include "core/limits.h"
#include "core/names.h"

#include <optional>
#include <string>
#include <vector>

namespace zesty {

struct Division {
    enum class Kind { Line, Bands, Rays, Rings, Grid };
    Kind kind = Kind::Bands;
    int count = 2;       ///< bands, rays, rings; columns of a grid. A line always makes two parts.
    int rows = 2;        ///< of a grid
    double turn_deg = 0; ///< 0: bands one below the other, the line level, the first ray to the right
    Point at{0.5, 0.5};  ///< a point of the line, or the centre; 0 to 1 across and down the opening's box
    bool operator==(const Division&) const = default;
};

template <> inline constexpr std::array words_of<Division::Kind>{"line", "bands", "rays", "rings", "grid"};

inline constexpr int most_parts = 60;
inline constexpr Limits division_place_limits{-100, 100}; ///< of Division::at
/// Numbers brought inside what a division may have: no more than most_parts cells, the turn within half a
/// turn.
Division within_limits(Division division);

/// The part of the plane of each part, in order; together they hold the box with room to spare, and they meet
/// without gaps. Bands, rays and rings divide the box evenly.
std::vector<Region> cells(const Division& division, const Box& box);

/// The parts of an outline, cell by cell; empty cells are left out. Where a cell gives several polygons the
/// largest is its part, the others are parts of their own at the end.
struct DividedPart {
    Polygon outline;
    std::size_t cell = 0; ///< into cells()
};
Result<std::vector<DividedPart>> divide(const Polygon& outline, const std::vector<Region>& cells);

} // namespace zesty
