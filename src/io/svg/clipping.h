#pragma once
// What a clip path leaves of a shape.

#include "core/cutfile/drawing.h"
#include "core/geometry/shapes.h"
#include "core/result.h"

namespace zesty::svg {

/// True when the clip is one rectangle, square to the page, around the whole box: then it changes nothing.
bool leaves_whole(const Region& clip, const Box& box);

/// The part of a filled shape that lies in the clip.
Result<Shape> clipped(Shape shape, const Region& clip);

} // namespace zesty::svg
