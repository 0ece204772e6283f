#pragma once
// What has to find room on the page besides cuts and photos: sizes, and a place once one is found.
// Millimetres.

#include "core/geometry/shapes.h"
#include "core/limits.h"
#include "core/names.h"

#include <optional>

namespace zesty {

enum class RoomFor { Title, Journaling, Cluster };
template <> inline constexpr std::array words_of<RoomFor>{"title", "journaling", "cluster"};

struct RoomWanted {
    RoomFor what = RoomFor::Title;
    double width = 0;
    double height = 0;
    std::optional<Point> centre = {}; ///< on the page, where it has a place
    bool operator==(const RoomWanted&) const = default;

    /// Where it lies; empty without a place.
    Box box() const {
        if (!centre) return {};
        return {centre->x - width / 2, centre->y - height / 2, centre->x + width / 2, centre->y + height / 2};
    }
};
inline constexpr Limits room_side_limits{1, 3000};
inline constexpr Limits covered_limits{0, 1}; ///< share of a cut that photos may cover
inline constexpr std::size_t most_rooms = 60;

} // namespace zesty
