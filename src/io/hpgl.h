#pragma once
// What a machine cuts, in the language of plotters (HP-GL): 40 units to a millimetre, y upwards from the
// lower left corner of the cutting mat.

#include "io/cutting_file.h"

namespace zesty {

inline constexpr int hpgl_units_per_mm = 40;

/// Contours in the order and from the corners they are given. Each is closed and goes on for `overcut` mm
/// beyond its start, so that its corner comes free.
QByteArray cutting_hpgl(const CuttingFile& file, double overcut = 0.5);

} // namespace zesty
