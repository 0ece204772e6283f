#pragma once
// Which part of a drawing is paper.

#include "core/cutfile/drawing.h"

namespace zesty {

struct Material {
    Region region; ///< valid polygons that do not meet, in the coordinates of the drawing
    std::vector<std::string> warnings;
};

/// The union of everything filled. Where nothing is filled, the closed contours decide by nesting (outer
/// edge, opening, insert, ...): contours lying on each other count once, loose ends that meet are joined, a
/// contour left open by less than a fiftieth of its length is closed, the rest is left out with a warning.
/// Gaps and slivers narrower than 1/5000 of the drawing are not material: they are closed or dropped with a
/// warning. A drawing with nothing to cut is an error of kind NothingToDo.
Result<Material> material_of(const Drawing& drawing);

/// The width below which paper and gaps of a drawing of that size do not count.
double hairline(const Box& box);

} // namespace zesty
