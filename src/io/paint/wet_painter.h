#pragma once
// Paint, ink, splatters and paste on the base, and a frame that comes last. Page millimetres.

#include "core/project/plan.h"
#include "core/project/project.h"
#include "io/paint/textures.h"

#include <QPainter>

namespace zesty {

void paint_wet(QPainter& painter, const Project& project, const Plan& plan);

/// What lies outside the inner edge becomes frame.
void paint_late_frame(QPainter& painter, const Project& project, const Plan& plan, const Textures& textures,
                      const QColor& otherwise);

} // namespace zesty
