#include "core/project/has_room.h"

#include "core/sheets/room_for.h"

#include <algorithm>

namespace zesty {

std::vector<Region> left_of_papers(const Stash& stash, const std::vector<Sheet>& sheets,
                                   const SheetFacts& laid) {
    std::vector<Region> out(stash.papers.size());
    for (std::size_t s = 0; s < sheets.size(); ++s) {
        const auto used = std::find_if(laid.used.begin(), laid.used.end(),
                                       [&](const UsedSheet& u) { return u.sheet == static_cast<int>(s); });
        Region& left = out[sheets[s].paper];
        if (used == laid.used.end())
            left.push_back(sheets[s].outline);
        else
            left.insert(left.end(), used->leftovers.begin(), used->leftovers.end());
    }
    return out;
}

std::vector<double> turns_of(Direction way) {
    if (way == Direction::Free) return {};
    return way == Direction::Half ? std::vector<double>{0, 180} : std::vector<double>{0};
}

std::vector<int> with_room(const Stash& stash, const std::vector<Region>& left, Point size,
                           const std::vector<int>& among) {
    const Polygon piece{ring_of(Box{0, 0, size.x, size.y}), {}};
    std::vector<int> out;
    for (const int p : among) {
        const bool any = stash.papers[p].direction == Direction::Free;
        if (has_room(left[p], piece, any ? std::vector<double>{} : std::vector<double>{0, 90, 180, 270}))
            out.push_back(p);
    }
    return out;
}

std::vector<int> with_room(const Stash& stash, const std::vector<Region>& left, const Patch& patch,
                           const std::vector<int>& among) {
    std::vector<int> out;
    for (const int p : among) {
        if (has_room(left[p], patch.on_sheet(), turns_of(stash.papers[p].direction))) out.push_back(p);
    }
    return out;
}

} // namespace zesty
