// Every used sheet at true scale, in tiles where it is larger than the paper.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sections/hidden.h"
#include "core/stash/side_names.h"
#include "io/guide/chapters/chapters.h"
#include "io/paint/cutting_mat_painter.h"
#include "io/paint/page_painter.h"

#include <algorithm>

namespace zesty::guide {

namespace {

/// What is not to be cut into, with the page that wants it.
void room_for_later(GuidePaper& g, int sheet, const Transform& to_paper) {
    for (const ReservedRoom& kept : g.plan.sheets.room) {
        if (kept.sheet != sheet) continue;
        const Polygon there = transformed(kept.on_sheet, to_paper);
        g.pen(0.15, quiet, Qt::DashDotDotLine);
        g.painter.drawPath(to_path(there));
        const auto middle = largest_circle(there, 0.5);
        if (!middle) continue;
        const double half = std::max(middle->radius, 8.0);
        g.text({middle->centre.x - half, middle->centre.y - half, 2 * half, 2 * half}, 3,
               kept.page.empty() ? QString("reserved") : "for " + QString::fromStdString(kept.page),
               Qt::AlignCenter, false, quiet);
    }
}

/// Alignment marks on the sides where another part joins.
void crosses(GuidePaper& g, const QRectF& part, const Tile& tile, const Tiling& tiling) {
    g.pen(0.15);
    const auto cross = [&](double x, double y) {
        g.painter.drawLine(QPointF(x - 3, y), QPointF(x + 3, y));
        g.painter.drawLine(QPointF(x, y - 3), QPointF(x, y + 3));
        g.painter.drawEllipse(QPointF(x, y), 1.5, 1.5);
    };
    for (const double y : {part.top(), part.bottom()}) {
        if (tile.column > 0) cross(part.left(), y);
        if (tile.column + 1 < tiling.columns) cross(part.right(), y);
    }
    for (const double x : {part.left(), part.right()}) {
        if (tile.row > 0) cross(x, part.top());
        if (tile.row + 1 < tiling.rows) cross(x, part.bottom());
    }
}

void paint_tile(GuidePaper& g, const UsedSheet& used, const Tile& tile, const Transform& turn,
                const Tiling& tiling) {
    const QRectF r = g.room();
    const Sheet& s = g.plan.papers.sheets[used.sheet];
    const Transform to_paper = Transform::moved(r.x() + 4 - tile.part.x0, r.y() + 4 - tile.part.y0);
    const QRectF part(r.x() + 4, r.y() + 4, tile.part.width(), tile.part.height());
    g.painter.save();
    g.painter.setClipRect(part.adjusted(-0.3, -0.3, 0.3, 0.3));
    g.pen(0.25, quiet, Qt::DashLine);
    g.painter.drawPath(to_path(transformed(s.outline, to_paper * turn)));
    for (int p : used.patches) {
        const Transform t = to_paper * turn * g.plan.sheets.placed[p].to_sheet();
        const Patch& patch = g.plan.sections.patches[p];
        if (!patch.blank.outer.empty()) {
            g.pen(0.2);
            g.painter.drawPath(to_path(transformed(patch.blank, t)));
            g.pen(0.1, quiet, Qt::DashDotLine);
        } else {
            g.pen(patch.rides_on >= 0 ? 0.1 : 0.2, patch.rides_on >= 0 ? quiet : ink);
        }
        g.painter.drawPath(to_path(transformed(patch.outline, t)));
        const Opening& o = g.plan.sections.cut->openings[g.plan.sections.patches[p].opening];
        g.pen(0.1, quiet, Qt::DotLine);
        g.painter.drawPath(
            to_path(transformed(Polygon{o.outline.outer, {}}, t * g.plan.set_out.whole.to_page)));
        const Point c = (t * g.plan.set_out.whole.to_page)(o.label.centre);
        g.number({c.x, c.y}, g.plan.sections.patches[p].opening, 3);
    }
    room_for_later(g, used.sheet, to_paper * turn);
    g.painter.restore();
    if (tiling.rows * tiling.columns > 1) crosses(g, part, tile, tiling);
    g.text({margin, g.height - margin - 50, g.width - 2 * margin - 54, 50}, 3,
           "Solid: where to cut. Dotted: the opening it backs. Dashed: the edge of the sheet. "
           "Dash and dot: the patch inside a rough piece. Dash and two dots: reserved for later.\n\n"
           "Blades cut fingers: cut away from your hand, on a mat, along a metal ruler, and cap the blade. "
           "The "
           "maker's instructions for a machine or glue come before these numbers.",
           Qt::AlignLeft | Qt::AlignBottom, false, quiet);
}

void print_sheet(GuidePaper& g, const UsedSheet& used, bool mirrored) {
    const Sheet& s = g.plan.papers.sheets[used.sheet];
    const Transform turn = mirrored ? Transform::mirrored_x() : Transform{};
    std::vector<Box> boxes;
    for (int p : used.patches)
        boxes.push_back(bounds(
            transformed(g.plan.sections.patches[p].on_sheet(), turn * g.plan.sheets.placed[p].to_sheet())));
    const QRectF r = g.room();
    const Tiling tiling =
        tiles_of(bounds(transformed(s.outline, turn)), boxes, r.width() - 8, r.height() - 8);
    const QString name = QString::fromStdString(g.project.stash->papers[s.paper].name + ", " + s.id + " (" +
                                                name_of(s.kind) + ")");
    for (const Tile& tile : tiling.tiles) {
        QString where;
        if (tiling.rows * tiling.columns > 1)
            where = QString(" Part %1%2 of %3 by %4: join at the crosses.")
                        .arg(QChar('A' + tile.row % 26))
                        .arg(tile.column + 1)
                        .arg(tiling.rows)
                        .arg(tiling.columns);
        g.new_page(name, (mirrored ? "Mirrored for tracing: lay the paper face down. True scale."
                                   : "Seen from the good side. True scale.") +
                             where);
        paint_tile(g, used, tile, turn, tiling);
    }
}

} // namespace

void print_sheets(GuidePaper& g) {
    for (const UsedSheet& u : g.plan.sheets.used) print_sheet(g, u, false);
}

void print_tracing_sheets(GuidePaper& g) {
    for (const UsedSheet& u : g.plan.sheets.used) print_sheet(g, u, true);
}

} // namespace zesty::guide
