#pragma once
// What patches do on the bars they share, bar by bar.

#include "core/sections/treatment.h"

#include <set>
#include <utility>

namespace zesty {

/// By openings of one cut.
struct SharedBars {
    LipMode usual = LipMode::Meet;
    std::set<std::pair<int, int>> otherwise = {}; ///< where it is not as usual; the lower opening first

    LipMode between(int a, int b) const {
        const bool other = otherwise.contains(std::minmax(a, b));
        return (usual == LipMode::Overlap) != other ? LipMode::Overlap : LipMode::Meet;
    }
    void set(int a, int b, LipMode lips) {
        if (lips == usual)
            otherwise.erase(std::minmax(a, b));
        else
            otherwise.insert(std::minmax(a, b));
    }
    bool all_meet() const { return usual == LipMode::Meet && otherwise.empty(); }
    bool operator==(const SharedBars&) const = default;
};

} // namespace zesty
