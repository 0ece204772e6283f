#pragma once
// Random numbers that are the same with every standard library.

#include <random>

namespace zesty::testing {

inline double between(std::mt19937& random, double least, double most) {
    return least + (most - least) * static_cast<double>(random() % 10001) / 10000;
}

} // namespace zesty::testing
