#pragma once
// What has to find room on the page besides cuts and photos, as sizes only. Millimetres.

#include "core/limits.h"
#include "core/names.h"

namespace zesty {

enum class RoomFor { Title, Journaling, Cluster };
template <> inline constexpr std::array words_of<RoomFor>{"title", "journaling", "cluster"};

struct RoomWanted {
    RoomFor what = RoomFor::Title;
    double width = 0;
    double height = 0;
    bool operator==(const RoomWanted&) const = default;
};
inline constexpr Limits room_side_limits{1, 3000};
inline constexpr Limits covered_limits{0, 1}; ///< share of a cut that photos may cover
inline constexpr std::size_t most_rooms = 60;

} // namespace zesty
