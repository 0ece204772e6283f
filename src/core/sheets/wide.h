#pragma once
// For the loops in which nesting spends its time: the compiler makes a version for wider registers, too.

#if defined(__x86_64__) && defined(__GNUC__) && !defined(__clang__) && !defined(__SANITIZE_ADDRESS__)
#define ZESTY_WIDE __attribute__((target_clones("avx2", "default")))
#else
#define ZESTY_WIDE
#endif

namespace zesty {

/// As std::min and std::max, but by value: of references the compiler makes no wide registers.
inline float lesser(float a, float b) {
    return b < a ? b : a;
}
inline float greater(float a, float b) {
    return a < b ? b : a;
}

} // namespace zesty
