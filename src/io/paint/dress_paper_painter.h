#pragma once
// Photo mats and paper layers as they will be seen: with their papers, shadows and torn edges.

#include "core/project/plan.h"
#include "core/project/project.h"
#include "io/paint/textures.h"

#include <QPainter>

namespace zesty {

/// All mats of a photo, the outermost first; the painter is in page millimetres.
void paint_mats(QPainter& painter, const Project& project, const Textures& textures, const Photo& photo);

/// The layers of one place in the pile.
void paint_layers(QPainter& painter, const Project& project, const Textures& textures, LayerPlace place);

/// Stitches and holes, in the colour of the thread.
void paint_stitching(QPainter& painter, const Stitching& stitching, const StitchingFacts& facts);

/// Where a shadow falls that falls there from something glued flat: the higher it is held, the farther.
QPointF shadow_of(const Mounting& held, QPointF flat);
/// And how dark it is: the higher, the softer.
QColor shadow_colour(const Mounting& held, int flat_alpha);

/// A line that wanders as a torn edge does, the same every time; closed.
QPainterPath torn(const Ring& ring, double way);

} // namespace zesty
