// Loose pieces and their openings, with the same label.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sections/hidden.h"
#include "core/stash/side_names.h"
#include "io/guide/chapters/chapters.h"
#include "io/paint/cutting_mat_painter.h"
#include "io/paint/page_painter.h"

#include <algorithm>

namespace zesty::guide {

/// Loose pieces and their openings with the same label, cut by cut as they lie on the mat.
void print_loose_pieces(GuidePaper& g) {
    if (g.plan.sections.inserts.empty()) return;
    const Box box = g.plan.set_out.whole.cut_box;
    // As large as goes on what is left of a page, if that is not too small.
    constexpr double least = 90, list = 14;
    const QRectF r = g.chapter(
        QString::fromStdString(g.project.title) + ": loose pieces",
        "Leave them on the cutting mat until needed: each label stands on a piece and in its opening.",
        std::min(box.height(), least) + list);
    const double scale = std::min({1.0, r.width() / box.width(), (r.height() - list) / box.height()});
    const Transform to_paper = Transform::moved(r.x(), r.y()) * Transform::scaled(scale) *
                               Transform::moved(-box.x0, -box.y0) * g.plan.set_out.whole.to_page;
    g.pen(0.12, quiet);
    for (const Piece& p : g.plan.sections.cut->pieces)
        g.painter.drawPath(to_path(transformed(p.outline, to_paper)));
    QStringList lines;
    for (const InsertLabel& l : g.plan.sections.inserts) {
        const Polygon piece = transformed(g.plan.sections.cut->pieces[l.piece].outline, to_paper);
        g.painter.fillPath(to_path(piece), QColor(0xf6, 0xe7, 0xb5));
        g.pen(0.2);
        g.painter.drawPath(to_path(piece));
        const Box b = bounds(piece);
        g.tag({b.x1 + 3.2, b.y0 - 1.2}, QString::fromStdString(l.label), 2.6);
        lines << QString::fromStdString(l.label) + QString(": opening %1").arg(l.opening + 1);
    }
    g.text({r.x(), r.y() + box.height() * scale + 4, r.width(), r.height() - box.height() * scale - 4}, 3.2,
           lines.join("     "));
    g.used_to(r.y() + box.height() * scale + list);
}

} // namespace zesty::guide
