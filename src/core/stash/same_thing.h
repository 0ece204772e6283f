#pragma once
// Papers, embellishments, letter sets and records are the same where their uid is, whatever they are called;
// those without one where their id is.

#include <vector>

namespace zesty {

/// Index of the same thing; -1 where it is not there.
template <class Thing> int find_thing(const std::vector<Thing>& things, const Thing& like) {
    for (std::size_t i = 0; i < things.size(); ++i) {
        const Thing& t = things[i];
        if (t.uid.empty() || like.uid.empty() ? t.uid == like.uid && t.id == like.id : t.uid == like.uid)
            return static_cast<int>(i);
    }
    return -1;
}

} // namespace zesty
