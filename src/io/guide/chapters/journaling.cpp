// Lines to write on, at true scale, to be laid under the page or traced lightly.

#include "core/dress/writing.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "io/guide/chapters/chapters.h"
#include "io/paint/textures.h"
#include "io/paint/writing_painter.h"

#include <algorithm>

namespace zesty::guide {

namespace {

/// Of a writing on the back its lines alone have a place.
Box box_of_writing(const Writing& writing, const WritingFacts& facts) {
    const Polygon room = outline_of(writing);
    if (!room.outer.empty()) return bounds(room);
    Box out;
    for (const WritingLine& line : facts.lines) {
        out.add(line.from);
        out.add(line.to);
    }
    return out.empty() ? Box{0, 0, 1, 1} : out.grown(2);
}

} // namespace

void print_journaling(GuidePaper& g) {
    const DressFacts& dress = g.plan.dress;
    for (std::size_t i = 0; i < dress.writings.size() && i < dress.placed.size(); ++i) {
        const Box box = box_of_writing(dress.placed[i], dress.writings[i]);
        const QString title =
            QString::fromStdString(g.project.title) +
            (dress.writings.size() == 1 ? QString(": journaling") : QString(": journaling %1").arg(i + 1));
        const QRectF r = g.chapter(
            title,
            QString("At true scale. %1, %2 in all.")
                .arg(QString::fromStdString(count_of(dress.writings[i].lines.size(), "line", "lines")))
                .arg(QString::fromStdString(format_length(dress.writings[i].length, g.project.units))),
            std::min(box.height() + 4, g.room().height()));
        g.painter.save();
        g.painter.setClipRect(r);
        g.painter.translate(r.x() - box.x0 + std::max(0.0, (r.width() - box.width()) / 2),
                            r.y() - box.y0 + 2);
        g.pen(0.14, quiet, Qt::DashLine);
        g.painter.setBrush(Qt::NoBrush);
        g.painter.drawPath(to_path(outline_of(dress.placed[i])));
        g.pen(0.14, quiet);
        paint_writing_lines(g.painter, dress.writings[i]);
        Writing light = dress.placed[i];
        light.pen = {150, 146, 152};
        paint_writing(g.painter, light, dress.writings[i], g.project.dress.letter_width);
        g.painter.restore();
        g.used_to(r.y() + box.height() + 4);
    }
}

} // namespace zesty::guide
