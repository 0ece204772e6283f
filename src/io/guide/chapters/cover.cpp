// The first page: what the page will be, and what it takes.

#include "core/build/progress.h"
#include "core/project/build_steps.h"
#include "core/sentences.h"
#include "io/guide/chapters/chapters.h"
#include "io/paint/page_painter.h"

namespace zesty::guide {

void print_cover(GuidePaper& g) {
    const auto words = [](const std::string& t) { return QString::fromStdString(t); };
    const Page& page = g.project.set_out.page;
    g.new_page(words(g.project.title),
               words(g.project.set_out.date.empty() ? "The guide to build it."
                                                    : date_in_words(g.project.set_out.date) + "."));
    const QRectF r = g.room();
    const double scale = std::min(r.width() / page.full_width(), (r.height() - 62) / page.full_height());
    g.painter.save();
    g.painter.translate(r.x() + (r.width() - scale * page.full_width()) / 2, r.y());
    g.painter.scale(scale, scale);
    paint_page(g.painter, g.project, g.plan, g.textures);
    g.pen(0.2 / scale, quiet);
    g.painter.setBrush(Qt::NoBrush);
    g.painter.drawRect(QRectF(0, 0, page.full_width(), page.full_height()));
    g.painter.restore();
    const std::vector<BuildStep> steps = build_steps(g.project, g.plan);
    const Timetable times = timetable(times_of(steps), g.project.build.pairs, g.project.seed);
    double hands = 0;
    for (const BuildStep& s : steps) hands += s.time.hands;
    QStringList says;
    says << "Page " + words(format_size(page.full_width(), page.full_height(), g.project.units)) + ".";
    if (g.plan.sections.cut)
        says << "Cut " +
                    words(format_size(g.plan.set_out.whole.size.x, g.plan.set_out.whole.size.y,
                                      g.project.units)) +
                    ", " + words(count_of(g.plan.sections.cut->openings.size(), "opening", "openings")) +
                    ", " + words(count_of(g.plan.sections.patches.size(), "patch", "patches")) + " from " +
                    words(count_of(g.plan.sheets.used.size(), "sheet", "sheets")) + ".";
    says << words(count_of(steps.size(), "step", "steps")) + ", " + words(minutes_in_words(hands)) +
                " of work; everything is dry after " + words(minutes_in_words(times.finish)) + ".";
    if (!g.plan.sheets.short_patches.empty())
        says << words(count_of(g.plan.sheets.short_patches.size(), "patch has", "patches have")) +
                    " no paper yet: see what there is to get.";
    double y = r.y() + scale * page.full_height() + 5;
    for (const QString& line : says) {
        g.text({r.x(), y, r.width() - 55, 6}, 3.8, line);
        y += 6;
    }
    g.used_to(g.height);
}

} // namespace zesty::guide
