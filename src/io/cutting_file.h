#pragma once
// What a machine cuts from one mat, as SVG and DXF in real millimetres; hpgl.h has it for plotters.

#include "core/build/cutting_job.h"
#include "core/result.h"

#include <QByteArray>
#include <utility>
#include <vector>

namespace zesty {

/// The two strokes of each cross; a cross reaches 3 mm to each side.
inline constexpr double cross_reach = 3;
std::vector<std::pair<Point, Point>> registration_lines(const CuttingFile& file);

/// The group "cut" is what to cut, the groups "registration" and "labels" are not.
QByteArray cutting_svg(const CuttingFile& file);
/// Closed polylines on the layer "cut", lines on "registration", text on the layer "labels"; y upwards, as
/// DXF has it. An error of kind Unwritable where there is no room for a temporary file.
Result<QByteArray> cutting_dxf(const CuttingFile& file);

} // namespace zesty
