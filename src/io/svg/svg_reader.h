#pragma once
// SVG to a Drawing.
//
// Qt's own SVG module (6.4.2) is not used for this: it leaves out paths of more than 32,767 elements, draws
// symbols and nested drawings without their viewBox, and does not clip; real cut files have all of these. XML
// comes from QXmlStreamReader.
//
// Follows SVG 1.1 for shapes, paths, transforms, viewBox, units, use, symbol, switch, style attributes and
// style sheets, fill rules, display, visibility, opacity and clip paths. Text, pictures and masks are left
// out with a warning. Without a `fill` a shape is filled, as SVG says.

#include "core/cutfile/drawing.h"

#include <QByteArray>
#include <QString>

namespace zesty {

/// Curves are flattened to within 1/10000 of the larger side of what is drawn.
Result<Drawing> read_svg(const QByteArray& data);

} // namespace zesty
