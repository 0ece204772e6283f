#pragma once
// A scrap of paper measured from a picture that shows it beside a square of known size.

#include "core/geometry/shapes.h"
#include "core/result.h"

#include <QByteArray>

namespace zesty {

/// The outline of the largest thing beside the square, with its holes, in millimetres from its top left. Turn
/// and perspective are taken out. Refused with one sentence: what trace_picture() refuses, and pictures taken
/// at such a slant that, with corners of the square known as well as its edges let them be, the outline would
/// not be good to half a millimetre. Lenses that bend straight lines are not allowed for.
Result<Polygon> measured_offcut(const QByteArray& picture, double square);

} // namespace zesty
