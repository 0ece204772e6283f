#pragma once
// How many random cases a test tries.

#include <algorithm>

namespace zesty::testing {

/// As many as asked for; a quarter under the sanitizers, which look at every step and take ten times as long.
constexpr int rounds(int all) {
#ifdef __SANITIZE_ADDRESS__
    return std::max(1, all / 4);
#else
    return all;
#endif
}

} // namespace zesty::testing
