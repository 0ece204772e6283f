#pragma once
// How many random cases a test tries.

#include <algorithm>
#include <cstdlib>

/// There where the sanitizers are.
extern "C" __attribute__((weak)) void __asan_init();

namespace zesty::testing {

/// What prints and paints for long is looked at without the sanitizers alone: nearly all of its time goes
/// into libraries that they do not see into.
inline bool sanitized() {
    return &__asan_init != nullptr;
}

/// As many as asked for; an eighth under the sanitizers, which look at every step and take ten times as long.
inline int rounds(int all) {
    return sanitized() ? std::max(1, all / 8) : all;
}

/// The same of cases of which each takes long: a quarter, and all of them where ZESTY_LONG is set.
inline int long_rounds(int all) {
    return std::getenv("ZESTY_LONG") ? all : rounds(std::max(1, all / 4));
}

} // namespace zesty::testing

/// For a test whose time goes into work that others have the sanitizers look at.
#define LEFT_OUT_UNDER_SANITIZERS(why)                                                                       \
    if (zesty::testing::sanitized()) GTEST_SKIP() << why
