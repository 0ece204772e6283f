// What is where: the page with its numbers, and what backs every opening.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sections/hidden.h"
#include "core/sentences.h"
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

/// Columns of lines, one area after the other.
struct ListArea {
    QRectF where;
    int columns = 1;
};

/// What backs every opening; goes on on further pages when it must. How far down it goes.
double list(GuidePaper& g, std::vector<ListArea> areas) {
    constexpr double row = 4.4;
    std::size_t area = 0;
    int column = 0;
    double y = areas.front().where.y();
    double lowest = y;
    for (std::size_t o = 0; g.plan.sections.cut && o < g.plan.sections.cut->openings.size(); ++o) {
        while (y + row > areas[area].where.bottom()) {
            if (++column == areas[area].columns) {
                column = 0;
                if (++area == areas.size()) {
                    g.new_page(QString::fromStdString(g.project.title) + ": key, continued",
                               "What backs every opening.");
                    areas = {{g.room(), 3}};
                    area = 0;
                    lowest = 0;
                }
            }
            y = areas[area].where.y();
        }
        const QRectF& r = areas[area].where;
        const double w = r.width() / areas[area].columns;
        const QRectF line(r.x() + column * w, y, w - 3, row);
        g.text(line, 3, QString::number(o + 1), Qt::AlignLeft | Qt::AlignVCenter, true);
        g.text(line.adjusted(8, 0, 0, 0), 3, backing(g, static_cast<int>(o)),
               Qt::AlignLeft | Qt::AlignVCenter);
        y += row;
        lowest = std::max(lowest, y);
    }
    return lowest;
}

/// The page, reduced, with the numbers of its openings.
void picture(GuidePaper& g, QPointF corner, double scale) {
    const Page& page = g.project.set_out.page;
    g.painter.save();
    g.painter.translate(corner);
    g.painter.scale(scale, scale);
    paint_page(g.painter, g.project, g.plan, g.textures);
    g.pen(0.2 / scale, quiet);
    g.painter.drawRect(QRectF(0, 0, page.full_width(), page.full_height()));
    g.painter.restore();
    for (std::size_t o = 0; g.plan.sections.cut && o < g.plan.sections.cut->openings.size(); ++o) {
        const Circle& c = g.plan.sections.cut->openings[o].label;
        const Point at = g.plan.set_out.whole.to_page(c.centre) * scale;
        g.number(corner + QPointF(at.x, at.y), static_cast<int>(o), 2.4);
    }
}

} // namespace

void print_key(GuidePaper& g) {
    g.new_page(
        QString::fromStdString(g.project.title) + ": key",
        QString::fromStdString(
            (g.project.set_out.date.empty() ? std::string() : date_in_words(g.project.set_out.date) + ". ") +
            "Page " +
            format_size(g.project.set_out.page.full_width(), g.project.set_out.page.full_height(),
                        g.project.units) +
            ", cut " +
            format_size(g.plan.set_out.whole.size.x, g.plan.set_out.whole.size.y, g.project.units) +
            ". This picture is reduced; the sheets that follow are at true scale."));
    const QRectF r = g.room();
    const Page& page = g.project.set_out.page;
    constexpr double gap = 5, beside = 62;
    const bool wide = page.full_width() > 1.3 * page.full_height();
    const double scale =
        wide
            ? std::min(r.width() / page.full_width(), 0.55 * r.height() / page.full_height())
            : std::min((r.width() - beside - gap) / page.full_width(), 0.8 * r.height() / page.full_height());
    picture(g, r.topLeft(), scale);
    const double right = r.x() + scale * page.full_width();
    const double bottom = r.y() + scale * page.full_height();
    const QRectF below(r.x(), bottom + gap, wide ? r.width() : right - r.x(), r.bottom() - bottom - gap);
    std::vector<ListArea> areas;
    if (!wide) areas.push_back({{right + gap, r.y(), r.right() - right - gap, r.height()}, 1});
    areas.push_back({below, wide ? 3 : 2});
    const int before = g.pages();
    const double listed = list(g, areas);
    g.used_to(listed == 0 ? g.height : g.pages() > before ? listed : std::max(listed, bottom));
}

} // namespace zesty::guide
