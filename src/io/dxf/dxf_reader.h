#pragma once
// DXF drawings: lines, arcs, circles, ellipses, polylines with bulges, splines and blocks, all as contours;
// text, dimensions and hatches are left out with a warning.

#include "core/cutfile/drawing.h"
#include "core/result.h"

#include <QByteArray>

namespace zesty {

/// Units come from the file's header; without them the size is not known and millimetres are assumed. Layers
/// become groups.
Result<Drawing> read_dxf(const QByteArray& data);

bool looks_like_dxf(const QByteArray& data);

} // namespace zesty
