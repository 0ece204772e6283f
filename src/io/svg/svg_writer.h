#pragma once
// A Drawing as an SVG file in real units, for drawings that came in another format.

#include "core/cutfile/drawing.h"

#include <string>

namespace zesty {

/// Reading it back gives the same shapes to a thousandth of a millimetre. Colours that are "#rrggbb" and
/// groups are kept.
std::string svg_text(const Drawing& drawing);

} // namespace zesty
