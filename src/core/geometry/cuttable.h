#pragma once
// Outlines a blade can follow: none touches or crosses itself, and none comes so close to itself that writing
// it with a few decimals, or turning it on a sheet, would make it do so. Millimetres.

#include "core/geometry/shapes.h"

namespace zesty {

/// How far points may be moved without an outline touching itself.
inline constexpr double blade_step = 1e-3;

/// Whether the outline is simple and stays so when any of its points is moved by less than blade_step.
bool is_cuttable(const Polygon& outline);

/// The outline without necks, slits and spikes narrower than 0.1 mm where it is not cuttable; itself where it
/// is. An empty polygon where nothing cuttable is left.
Polygon made_cuttable(const Polygon& outline);

} // namespace zesty
