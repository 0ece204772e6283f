#pragma once
// Two sections side by side, for tests.

#include "core/sections/sections.h"

namespace zesty::testing {

inline Neighbours beside(int a, int b, double width = 3) {
    return {a, b, width, {}, {}};
}

} // namespace zesty::testing
