#pragma once
// What a machine cuts, in the language of plotters (HP-GL): 40 units to a millimetre, y upwards from the
// lower left corner of the cutting mat. The blade is pen 1; pen 2 draws the crosses for registration first.

#include "core/build/decisions.h"
#include "io/cutting_file.h"

namespace zesty {

inline constexpr int hpgl_units_per_mm = 40;

/// Contours in the order and from the corners they are given, as the blade goes with these settings. Before
/// each contour stands a comment with its number from 1: `CO "contour 1";`.
QByteArray cutting_hpgl(const CuttingFile& file, const CuttingSettings& settings = {});

} // namespace zesty
