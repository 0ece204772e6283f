// The whole page at true scale, every outline with its number and tilt: to be laid under the page, or traced.

#include "core/dress/layers.h"
#include "core/dress/pile.h"
#include "core/dress/writing.h"
#include "core/geometry/measure.h"
#include "core/project/findings.h"
#include "core/sections/facts.h"
#include "core/setout/photo_mats.h"
#include "core/setout/photos.h"
#include "io/guide/chapters/chapters.h"
#include "io/paint/textures.h"

#include <algorithm>
#include <cmath>

namespace zesty::guide {

namespace {

constexpr double smallest_written_on = 32; ///< mm across

/// What is laid on the page, with what is said beside it.
struct Outlined {
    Region outline;
    QString words;
    Qt::PenStyle style = Qt::SolidLine;
};

QString tilted(const QString& name, double turn_deg) {
    const double turn = std::remainder(turn_deg, 360);
    return std::abs(turn) < 0.05
               ? name
               : name + QString(", %1\u00b0")
                            .arg(turn, 0, 'f', std::abs(turn - std::round(turn)) < 0.05 ? 0 : 1);
}

std::vector<Outlined> outlines(const GuidePaper& g) {
    std::vector<Outlined> out;
    const DressNow now = dress_now(g.project, g.plan);
    for (const WetFacts& wet : g.plan.dress.wet) out.push_back({wet.wet, "", Qt::DotLine});
    for (const LyingThing& thing : pile_of(now)) {
        const QString name = QString::fromStdString(name_of(thing, now));
        const auto i = static_cast<std::size_t>(thing.index);
        switch (thing.what) {
        case Lying::Photo:
            out.push_back({thing.outline, tilted(name, g.project.set_out.photos[i].turn_deg)});
            break;
        case Lying::Layer:
            out.push_back({thing.outline, tilted(name, g.project.dress.layers[i].turn_deg)});
            break;
        case Lying::Embellishment:
            out.push_back({thing.outline, tilted(name, g.project.dress.embellishments[i].turn_deg)});
            break;
        case Lying::Cut: {
            // Its outer edge alone: the pencil line that the cut is laid on.
            Region edge;
            for (const Polygon& p : thing.outline) edge.push_back({p.outer, {}});
            out.push_back({std::move(edge), name});
            break;
        }
        case Lying::Mat:
        case Lying::Title:
            out.push_back({thing.outline, ""});
            break;
        }
    }
    for (const TitleFacts& title : g.plan.dress.titles)
        for (const TitleLetter& letter : title.letters)
            out.push_back({{letter.box}, QString::fromStdString(letter.piece)});
    for (const Writing& writing : g.plan.dress.placed)
        if (const Polygon room = outline_of(writing); !room.outer.empty())
            out.push_back({{room}, "journaling", Qt::DashLine});
    return out;
}

void mark(GuidePaper& g, Point at) {
    constexpr double arm = 3;
    g.pen(0.3);
    g.painter.drawLine(QPointF(at.x - arm, at.y), QPointF(at.x + arm, at.y));
    g.painter.drawLine(QPointF(at.x, at.y - arm), QPointF(at.x, at.y + arm));
}

void print_part(GuidePaper& g, const std::vector<Outlined>& all, const Tile& tile, const Tiling& tiling) {
    const QString of = tiling.tiles.size() == 1
                           ? QString()
                           : QString(", part %1%2 of %3 by %4: join the parts at the edges")
                                 .arg(QChar('A' + tile.row % 26))
                                 .arg(tile.column + 1)
                                 .arg(tiling.rows)
                                 .arg(tiling.columns);
    g.new_page(QString::fromStdString(g.project.title) + ": where everything lies",
               "At true scale, from the front" + of + ".");
    const QRectF r = g.room();
    const QRectF part(r.x(), r.y(), tile.part.width(), tile.part.height());
    g.pen(0.15, quiet, Qt::DashDotLine);
    g.painter.drawRect(part);
    g.painter.save();
    g.painter.setClipRect(part);
    g.painter.translate(part.x() - tile.part.x0, part.y() - tile.part.y0);
    int number = 0;
    for (const Outlined& thing : all) {
        g.pen(0.25, ink, thing.style);
        for (const Polygon& p : thing.outline) g.painter.drawPath(to_path(p));
        if (thing.words.isEmpty()) continue;
        ++number;
        const Point middle = bounds(thing.outline).centre();
        const bool letter = thing.words.size() <= 2;
        // Beside what is too small to write on.
        const Box box = bounds(thing.outline);
        const double y = !letter && box.width() < smallest_written_on ? box.y1 : middle.y - 4;
        g.text({middle.x - 30, y, 60, 8}, letter ? 4 : 3.2,
               letter ? thing.words : QString("%1. %2").arg(number).arg(thing.words), Qt::AlignCenter, false,
               quiet);
    }
    if (g.plan.dress.frame)
        for (const Point at : g.plan.dress.frame->marks) mark(g, at);
    g.painter.restore();
    g.used_to(part.bottom());
}

} // namespace

void print_placement(GuidePaper& g) {
    const std::vector<Outlined> all = outlines(g);
    if (all.empty()) return;
    const QRectF room = g.room();
    for (const Box& leaf : g.project.set_out.page.leaves()) {
        const Tiling tiling = tiles_of(leaf, {leaf}, room.width(), room.height());
        for (const Tile& tile : tiling.tiles) print_part(g, all, tile, tiling);
    }
}

} // namespace zesty::guide
