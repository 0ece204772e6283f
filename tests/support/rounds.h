#pragma once
// How many random cases a test tries.

#include <algorithm>

namespace zesty::testing {

/// As many as asked for; an eighth under the sanitizers, which look at every step and take ten times as long.
constexpr int rounds(int all) {
#ifdef ZESTY_SANITIZED
    return std::max(1, all / 8);
#else
    return all;
#endif
}

/// What prints and paints for long is looked at without the sanitizers alone: nearly all of its time goes
/// into libraries that they do not see into.
#ifdef ZESTY_SANITIZED
inline constexpr bool sanitized = true;
#else
inline constexpr bool sanitized = false;
#endif

} // namespace zesty::testing
