#pragma once
// One step of the work on the page: just its parts at their places, everything else faint. Millimetres.

#include "core/build/step.h"
#include "io/paint/page_painter.h"

#include <QImage>
#include <QPainterPath>
#include <QString>
#include <vector>

namespace zesty {

struct StepShape {
    QPainterPath parts; ///< on the page; empty where a step is about all of it
    struct Label {
        QString text;
        QPointF at;
    };
    std::vector<Label> labels; ///< numbers of openings, and names
    int sheet = -1;            ///< what it is about is a sheet, not the page: into PaperFacts::sheets
};
StepShape shape_of(const Project& project, const Plan& plan, const BuildStep& step);

/// Into a rectangle: the page, or the sheet, as large as fits; mirrored where the step lies face down.
/// `page`: the whole page as a picture, which may be null while there is none. `label`: height of labels in
/// the painter's units.
void paint_step(QPainter& painter, const QRectF& into, const Project& project, const Plan& plan,
                const BuildStep& step, const QImage& page, const Textures& textures, double label);

} // namespace zesty
