#pragma once
// Values mixed into one number, so that what has been worked out of them is found again. Not for files: it
// may change with the program.

#include "core/geometry/shapes.h"

#include <bit>
#include <cstdint>

namespace zesty {

inline void mix(std::uint64_t& h, std::uint64_t v) {
    h ^= v + 0x9e3779b97f4a7c15ull + (h << 6) + (h >> 2);
    h *= 0x100000001b3ull;
}

inline void mix(std::uint64_t& h, double v) {
    mix(h, std::bit_cast<std::uint64_t>(v));
}

inline void mix(std::uint64_t& h, const Polygon& p) {
    const auto ring = [&](const Ring& r) {
        mix(h, static_cast<std::uint64_t>(r.size()));
        for (const Point q : r) {
            mix(h, q.x);
            mix(h, q.y);
        }
    };
    ring(p.outer);
    mix(h, static_cast<std::uint64_t>(p.holes.size()));
    for (const Ring& r : p.holes) ring(r);
}

} // namespace zesty
