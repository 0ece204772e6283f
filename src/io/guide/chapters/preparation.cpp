// What has to be measured, ordered and cut before anything is glued.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/stash_at_hand.h"
#include "core/project/thin_bars.h"
#include "core/sections/hidden.h"
#include "core/stash/side_names.h"
#include "io/guide/chapters/chapters.h"
#include "io/paint/cutting_mat_painter.h"
#include "io/paint/page_painter.h"

#include <algorithm>
#include <map>

namespace zesty::guide {

namespace {

QString gluing_order(GuidePaper& g) {
    std::vector<const Patch*> order;
    for (const Patch& p : g.plan.sections.patches) order.push_back(&p);
    std::sort(order.begin(), order.end(), [](const Patch* a, const Patch* b) { return a->order < b->order; });
    QStringList numbers;
    for (const Patch* p : order) numbers << QString::number(p->opening + 1);
    return numbers.join(", ");
}

/// Mats and layers to cut, letters and embellishments to have at hand.
void add_dressing(GuidePaper& g, std::vector<QString>& out) {
    const auto words = [](const std::string& t) { return QString::fromStdString(t); };
    const Stash& stash = stash_at_hand(g.project);
    for (const DressPiece& piece : g.plan.dress.pieces) {
        const Box b = bounds(piece.outline);
        const int paper = piece.paper.empty() ? -1 : stash.find(piece.paper);
        QString line =
            words(piece.what) + ": cut " + words(format_size(b.width(), b.height(), g.project.units));
        if (paper >= 0) line += " of " + words(stash.papers[static_cast<std::size_t>(paper)].name);
        if (piece.placed) line += " from sheet " + words(piece.sheet);
        if (!piece.outline.holes.empty()) {
            const Box hole = bounds(piece.outline.holes.front());
            line += ", and take " + words(format_size(hole.width(), hole.height(), g.project.units)) +
                    " out of its middle";
        }
        out.push_back(line + ".");
    }
    for (std::size_t i = 0; i < g.plan.dress.titles.size() && i < g.project.dress.titles.size(); ++i) {
        QStringList sets;
        for (const std::string& id : g.project.dress.titles[i].sets)
            if (const LetterSet* set = stash.letter_set(id)) sets << words(set->name);
        out.push_back(QString("Title \"%1\"%2, %3 long.")
                          .arg(words(g.project.dress.titles[i].text))
                          .arg(sets.isEmpty() ? QString() : " in " + sets.join(", "))
                          .arg(words(format_length(g.plan.dress.titles[i].length, g.project.units))));
    }
    std::map<std::string, int> counts;
    for (const PlacedEmbellishment& e : g.project.dress.embellishments) ++counts[e.id];
    QStringList things;
    for (const auto& [id, count] : counts) {
        const Embellishment* of = stash.embellishment(id);
        things << QString("%1 %2").arg(count).arg(words(of ? of->name : id));
    }
    if (!things.isEmpty()) out.push_back("Embellishments: " + things.join(", ") + ".");
}

/// What has to be measured, ordered and cut besides patches, and the order of gluing.
std::vector<QString> to_prepare(GuidePaper& g) {
    const auto words = [](const std::string& t) { return QString::fromStdString(t); };
    std::vector<QString> out;
    for (const PhotoCount& c : g.plan.set_out.photo_sizes)
        out.push_back(QString("Order %1 x %2.")
                          .arg(c.count)
                          .arg(words(c.round ? format_length(c.width, g.project.units) + " round"
                                             : format_size(c.width, c.height, g.project.units))));
    for (const Box& cell : g.plan.set_out.free_cells)
        out.push_back("Cell left free in the grid of photos: " +
                      words(format_size(cell.width(), cell.height(), g.project.units)) + ".");
    add_dressing(g, out);
    for (const Finding& f : g.plan.findings)
        if (goes_into_guide(f.code)) out.push_back(words(f.title + ". " + f.message));
    const bool order_matters = gluing_order_matters(g.project.sections);
    if (order_matters && !g.plan.sections.patches.empty())
        out.push_back("Glue in this order: " + gluing_order(g) + ".");
    for (const std::string& bar : thin_bars_in_words(g.project, g.plan)) out.push_back(words(bar));
    return out;
}

} // namespace

void print_preparation(GuidePaper& g) {
    const std::vector<QString> items = to_prepare(g);
    if (items.empty()) return;
    const auto height = [](const QString& item) {
        return 4.6 * (1 + std::floor(static_cast<double>(item.size()) / 105));
    };
    double all = 0;
    for (const QString& item : items) all += height(item) + 2;
    const QString title = QString::fromStdString(g.project.title) + ": to prepare";
    const QRectF r = g.chapter(title, "Before anything is glued.", std::min(all, g.room().height()));
    double y = r.y();
    for (const QString& item : items) {
        if (y + height(item) > r.bottom()) {
            g.new_page(title + ", continued", "");
            y = g.room().y();
        }
        g.pen(0.2);
        g.painter.drawRect(QRectF(r.x(), y + 0.7, 3, 3));
        g.text({r.x() + 6, y, r.width() - 6, height(item)}, 3.4, item);
        y += height(item) + 2;
    }
    g.used_to(y);
}

} // namespace zesty::guide
