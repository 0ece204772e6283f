#pragma once
// SVG to a Drawing.
//
// Qt's own SVG module is not used for this: it cuts paths off after 32,767 elements and knows no symbols,
// nested drawings or clip paths, all of which real cut files have. XML comes from QXmlStreamReader.
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

/// SVG or SVGZ from disk; messages begin with the path.
Result<Drawing> read_drawing(const QString& path);

} // namespace zesty
