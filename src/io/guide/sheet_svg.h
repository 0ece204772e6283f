#pragma once
// Cutting files for a machine: one SVG a sheet, in real millimetres, good side up.

#include "core/project/plan.h"

#include <QByteArray>

namespace zesty {

/// The group "cut" holds the patches, one path each with the opening's number as its title; the group "sheet"
/// holds the outline of the sheet for placing it, dashed, not to be cut. The drawing's origin is the corner
/// of the sheet's box; one user unit is one millimetre.
QByteArray sheet_svg(const Plan& plan, const UsedSheet& used, const std::string& paper_name);

} // namespace zesty
