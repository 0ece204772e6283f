#pragma once
// A picture of a sheet of paper, cropped to the sheet.

#include "core/result.h"

#include <QByteArray>
#include <QImage>

namespace zesty {

/// The sheet alone, upright and edge to edge, turn and perspective taken out: what lies on a plain ground
/// that shows all round it and differs from its edges. Refused with one sentence when there is no such ground
/// or no sheet with four straight sides on it.
Result<QImage> cropped_to_sheet(const QImage& picture);

/// The same from and to the bytes of a file; the result is a PNG.
Result<QByteArray> cropped_file(const QByteArray& data);

} // namespace zesty
