// What is where: the page with its numbers, and what backs every opening.

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

QString backing(GuidePaper& g, int opening) {
    const int patch = g.plan.patch_of(opening);
    const Section& section = g.plan.sections.all[g.plan.sections.of_opening[opening]];
    if (patch < 0)
        return g.plan.sections.covered[opening] >= hidden_share ? "covered, not backed"
                                                                : name_of(section.treatment);
    const int at = g.plan.sections.patches[patch].section;
    const int paper = g.plan.papers.of_section[at];
    if (paper < 0) return "no paper yet";
    const QString name = QString::fromStdString(
        brief_name_and_side(g.project.stash->papers[paper], g.plan.papers.side_of_section[at]));
    if (g.plan.sheets.placed[patch].sheet < 0) return name + ": short";
    const Patch& p = g.plan.sections.patches[patch];
    if (p.punch > 0)
        return QString("%1, punch %2")
            .arg(name, QString::fromStdString(format_length(p.punch, g.project.units)));
    if (p.method == BackingMethod::Inlay && !p.fell_back)
        return QString("%1, inlay, %2 clear")
            .arg(name, QString::fromStdString(format_mm(g.project.sections.backing.inlay_clearance)));
    if (p.lip <= 0) return name + ", " + name_of(section.treatment);
    return QString("%1, lip %2").arg(name, QString::fromStdString(format_mm(p.lip)));
}

/// What backs every opening, in columns; goes on on further pages when it must.
void list(GuidePaper& g, QRectF r) {
    const double row = 4.4;
    const int columns = 3;
    const double w = r.width() / columns;
    double y = r.y();
    int column = 0;
    for (std::size_t o = 0; g.plan.sections.cut && o < g.plan.sections.cut->openings.size(); ++o) {
        if (y + row > r.bottom()) {
            y = r.y();
            if (++column == columns) {
                g.new_page(QString::fromStdString(g.project.title) + ": key, continued",
                           "What backs every opening.");
                r = g.room();
                y = r.y();
                column = 0;
            }
        }
        const QRectF line(r.x() + column * w, y, w - 3, row);
        g.text(line, 3, QString::number(o + 1), Qt::AlignLeft | Qt::AlignVCenter, true);
        g.text(line.adjusted(8, 0, 0, 0), 3, backing(g, static_cast<int>(o)),
               Qt::AlignLeft | Qt::AlignVCenter);
        y += row;
    }
}

} // namespace

void print_key(GuidePaper& g) {
    g.new_page(QString::fromStdString(g.project.title) + ": key",
               QString::fromStdString(
                   (g.project.set_out.date.empty() ? std::string() : g.project.set_out.date + ". ") +
                   "Page " +
                   format_size(g.project.set_out.page.full_width(), g.project.set_out.page.full_height(),
                               g.project.units) +
                   ", cut " +
                   format_size(g.plan.set_out.whole.size.x, g.plan.set_out.whole.size.y, g.project.units) +
                   ". This picture is reduced; the sheets that follow are at true scale."));
    const QRectF r = g.room();
    const double side = std::min(r.width(), r.height() * 0.62);
    const double scale =
        side / std::max(g.project.set_out.page.full_width(), g.project.set_out.page.full_height());
    g.painter.save();
    g.painter.translate(r.x() + (r.width() - g.project.set_out.page.full_width() * scale) / 2, r.y());
    g.painter.scale(scale, scale);
    paint_page(g.painter, g.project, g.plan, g.textures);
    g.pen(0.2 / scale, quiet);
    g.painter.drawRect(
        QRectF(0, 0, g.project.set_out.page.full_width(), g.project.set_out.page.full_height()));
    g.painter.restore();
    for (std::size_t o = 0; g.plan.sections.cut && o < g.plan.sections.cut->openings.size(); ++o) {
        const Circle& c = g.plan.sections.cut->openings[o].label;
        const Point at = g.plan.set_out.whole.to_page(c.centre) * scale;
        g.number({r.x() + (r.width() - g.project.set_out.page.full_width() * scale) / 2 + at.x, r.y() + at.y},
                 static_cast<int>(o), 2.6);
    }
    list(g, {r.x(), r.y() + side + 4, r.width() - 0, r.bottom() - r.y() - side - 4 + 0});
}

} // namespace zesty::guide
