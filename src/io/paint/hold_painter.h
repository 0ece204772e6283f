#pragma once
// How high the page is, where its foam goes and where it may be glued, painted over the page. Page
// millimetres.

#include "core/project/plan.h"
#include "core/project/project.h"

#include <QPainter>

namespace zesty {

/// A colour for a height, where an album takes so much.
QColor colour_of_height(double height, double album_takes);
QColor colour_of_glue(GlueWhen when);

/// Heights as an even wash over the page, foam as strips and pads on it.
void paint_heights(QPainter& painter, const Project& project, const Plan& plan);

/// Where glue may go, of all cuts: the wider a line, the more it holds.
void paint_glue(QPainter& painter, const Project& project, const Plan& plan);
/// The same of one cut, without the wash.
void paint_glue_map(QPainter& painter, const GlueMap& map);

} // namespace zesty
