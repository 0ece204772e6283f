#pragma once
// A scrap of paper measured from a picture that shows it beside a square of known size.

#include "core/geometry/shapes.h"
#include "core/result.h"

#include <QByteArray>

namespace zesty {

/// The outline of the largest thing beside the square, with its holes, in millimetres from its top left. Turn
/// is taken out. Refused with one sentence: what trace_picture() refuses, and pictures taken at a slant, in
/// which the outline would not be good to half a millimetre.
Result<Polygon> measured_offcut(const QByteArray& picture, double square);

} // namespace zesty
