// Every used sheet at true scale, several on a page where they fit.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sections/hidden.h"
#include "core/stash/side_names.h"
#include "io/guide/chapters/chapters.h"
#include "io/guide/sheet_pages.h"
#include "io/paint/cutting_mat_painter.h"
#include "io/paint/page_painter.h"

#include <algorithm>

namespace zesty::guide {

namespace {

// Widths of lines, mm: one that scissors follow at arm's length, and one that only tells.
constexpr double to_cut = 0.35;
constexpr double to_see = 0.14;

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
void crosses(GuidePaper& g, const QRectF& part, const PrintedPart& printed) {
    g.pen(0.15);
    const auto cross = [&](double x, double y) {
        g.painter.drawLine(QPointF(x - 3, y), QPointF(x + 3, y));
        g.painter.drawLine(QPointF(x, y - 3), QPointF(x, y + 3));
        g.painter.drawEllipse(QPointF(x, y), 1.5, 1.5);
    };
    for (const double y : {part.top(), part.bottom()}) {
        if (printed.tile.column > 0) cross(part.left(), y);
        if (printed.tile.column + 1 < printed.columns) cross(part.right(), y);
    }
    for (const double x : {part.left(), part.right()}) {
        if (printed.tile.row > 0) cross(x, part.top());
        if (printed.tile.row + 1 < printed.rows) cross(x, part.bottom());
    }
}

void caption(GuidePaper& g, const PrintedPart& printed, const QRectF& part) {
    const Sheet& s = g.plan.papers.sheets[g.plan.sheets.used[static_cast<std::size_t>(printed.used)].sheet];
    const double wide = std::max(part.width(), caption_width);
    const QRectF where(part.x(), part.y() - caption_room, wide, caption_room);
    g.text(where, 3, QString::fromStdString(g.project.stash->papers[s.paper].name + ", " + s.id),
           Qt::AlignLeft, true);
    QString more = name_of(s.kind);
    if (!printed.where.empty()) more = "part of the " + more + ": " + QString::fromStdString(printed.where);
    if (printed.rows * printed.columns > 1)
        more = QString("Part %1%2 of %3 by %4: join at the crosses.")
                   .arg(QChar('A' + printed.tile.row % 26))
                   .arg(printed.tile.column + 1)
                   .arg(printed.rows)
                   .arg(printed.columns);
    g.text(where.adjusted(0, 4, 0, 0), 2.6, more, Qt::AlignLeft, false, quiet);
}

/// `t`: from the page.
void paint_patch(GuidePaper& g, int p, const Transform& t) {
    const Patch& patch = g.plan.sections.patches[p];
    if (!patch.blank.outer.empty()) {
        g.pen(to_cut);
        g.painter.drawPath(to_path(transformed(patch.blank, t)));
        g.pen(to_see, quiet, Qt::DashDotLine);
    } else {
        g.pen(patch.rides_on >= 0 ? to_see : to_cut, patch.rides_on >= 0 ? quiet : ink);
    }
    g.painter.drawPath(to_path(transformed(patch.outline, t)));
    const Opening& o = g.plan.sections.cut->openings[patch.opening];
    g.pen(to_see, quiet, Qt::DotLine);
    g.painter.drawPath(to_path(transformed(Polygon{o.outline.outer, {}}, t * g.plan.set_out.whole.to_page)));
    const Point c = (t * g.plan.set_out.whole.to_page)(o.label.centre);
    // Inside its patch, however small that is.
    const double room = 2 * o.label.radius * g.plan.set_out.whole.scale;
    g.number({c.x, c.y}, patch.opening, std::clamp(0.45 * room, 1.6, 3.0));
}

/// As the page has it, since it lies on no sheet yet.
void paint_patch_alone(GuidePaper& g, const PrintedPart& printed, bool mirrored) {
    const QRectF r = g.room();
    const QRectF part(r.x() + printed.at.x, r.y() + printed.at.y, printed.part.width(),
                      printed.part.height());
    g.painter.save();
    g.painter.setClipRect(part.adjusted(-0.3, -0.3, 0.3, 0.3));
    paint_patch(g, printed.patch,
                Transform::moved(part.x() - printed.part.x0, part.y() - printed.part.y0) *
                    (mirrored ? Transform::mirrored_x() : Transform{}));
    g.painter.restore();
    if (printed.rows * printed.columns > 1) crosses(g, part, printed);
}

void paint_part(GuidePaper& g, const PrintedPart& printed, bool mirrored) {
    if (printed.patch >= 0) return paint_patch_alone(g, printed, mirrored);
    const QRectF r = g.room();
    const UsedSheet& used = g.plan.sheets.used[static_cast<std::size_t>(printed.used)];
    const Sheet& s = g.plan.papers.sheets[used.sheet];
    const QRectF part(r.x() + printed.at.x, r.y() + printed.at.y, printed.part.width(),
                      printed.part.height());
    const Transform to_paper = Transform::moved(part.x() - printed.part.x0, part.y() - printed.part.y0) *
                               (mirrored ? Transform::mirrored_x() : Transform{});
    caption(g, printed, part);
    g.painter.save();
    g.painter.setClipRect(part.adjusted(-0.3, -0.3, 0.3, 0.3));
    g.pen(0.25, quiet, Qt::DashLine);
    g.painter.drawPath(to_path(transformed(s.outline, to_paper)));
    for (int p : used.patches) paint_patch(g, p, to_paper * g.plan.sheets.placed[p].to_sheet());
    room_for_later(g, used.sheet, to_paper);
    g.painter.restore();
    if (printed.rows * printed.columns > 1) crosses(g, part, printed);
}

void print(GuidePaper& g, bool mirrored) {
    const QRectF r = g.room();
    for (const PrintedPage& page : sheet_pages(g.plan, mirrored, r.width(), r.height())) {
        g.new_page(QString::fromStdString(g.project.title) + (mirrored ? ": tracing" : ": sheets"),
                   mirrored ? "Mirrored for tracing: lay the paper face down. True scale."
                            : "Seen from the good side. True scale.");
        for (const PrintedPart& part : page) paint_part(g, part, mirrored);
        g.text(
            {margin, g.height - margin - 50, g.width - 2 * margin - 54, 50}, 3,
            "Solid: where to cut. Dotted: the opening it backs. Dashed: the edge of the sheet. "
            "Dash and dot: the patch inside a rough piece. Dash and two dots: reserved for later.\n\n"
            "Blades cut fingers: cut away from your hand, on a cutting mat, along a metal ruler, and cap the "
            "blade. The maker's instructions for a machine or glue come before these numbers.",
            Qt::AlignLeft | Qt::AlignBottom, false, quiet);
    }
}

} // namespace

void print_sheets(GuidePaper& g) {
    print(g, false);
}

void print_tracing_sheets(GuidePaper& g) {
    print(g, true);
}

} // namespace zesty::guide
