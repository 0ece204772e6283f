#pragma once
// From painted paths to the area they cover.
//
// Input rings may cross, touch, repeat and run either way; coordinates are in any unit. Output is valid
// polygons: outer rings without self-crossings, holes inside them, interiors that do not meet. Rings of
// fewer than three different points cover nothing.
//
// Robustness is a ladder. Rings that never touch are sorted by nesting alone, which is exact. Otherwise the
// lines are noded and polygonised by GEOS and each face asks for its winding number; if that gives an
// invalid area the lines are snapped to a grid of 1e-7 of the size of the drawing and it is tried again.
// 200,000 crossings are refused.

#include "core/geometry/shapes.h"
#include "core/result.h"

namespace zesty {

enum class FillRule { NonZero, EvenOdd };

struct FilledPath {
    std::vector<Ring> rings;
    FillRule rule = FillRule::NonZero;
};

/// The union of what the paths cover.
Result<Region> fill(const std::vector<FilledPath>& paths);
Result<Region> fill(const FilledPath& path);

} // namespace zesty
