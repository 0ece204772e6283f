#pragma once
// The outlines of what is material in a picture, by potrace.

#include "core/geometry/shapes.h"
#include "core/result.h"

#include <functional>

namespace zesty {

/// In pixels from the top left; outer rings and holes alike, dots of a few pixels left out. `material` is
/// asked about every pixel. Refused with one sentence when there is nothing.
Result<std::vector<Ring>> outlines_of(int width, int height,
                                      const std::function<bool(int x, int y)>& material);

} // namespace zesty
