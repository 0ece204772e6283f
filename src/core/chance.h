#pragma once
// Numbers between 0 and 1 that are the same with every standard library.

#include <random>

namespace zesty {

inline float chance(std::mt19937& random) {
    return static_cast<float>(random() >> 8) * (1.F / (1 << 24));
}

} // namespace zesty
