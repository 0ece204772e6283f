#pragma once
// SVG in real millimetres, as machines take it: one user unit is one millimetre.

#include "core/geometry/shapes.h"

#include <QString>
#include <string>

class QXmlStreamWriter;

namespace zesty {

/// Opens a drawing of that size; whoever writes it ends the document.
void begin_svg_in_mm(QXmlStreamWriter& xml, double width, double height, const std::string& title);
/// A group of lines that are not filled.
void begin_lines(QXmlStreamWriter& xml, const char* id, const char* colour, const char* width);

/// "M... L... Z", to a ten-thousandth of a millimetre.
QString path_data(const Ring& ring);
QString path_data(const Polygon& polygon);

} // namespace zesty
