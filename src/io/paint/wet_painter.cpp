#include "io/paint/wet_painter.h"

#include "core/geometry/measure.h"

#include <cmath>
#include <random>

namespace zesty {

namespace {

constexpr int primer_alpha = 120;
constexpr int ink_alpha = 120;
constexpr int paint_alpha = 205;
constexpr double drop_every = 22;    ///< mm2 of a splattered place, about
constexpr double stroke_apart = 3.2; ///< mm between the strokes of a brush

QPainterPath path_of(const Region& region) {
    QPainterPath out;
    for (const Polygon& p : region) out.addPath(to_path(p));
    return out;
}

/// Drops fall more thickly towards the middle, the same ones every time.
void paint_drops(QPainter& painter, const WetFacts& facts, const QColor& colour, unsigned seed) {
    std::mt19937 random(seed);
    std::uniform_real_distribution<double> any(0, 1);
    const Box box = bounds(facts.wet);
    const int drops = static_cast<int>(std::min(900.0, facts.area / drop_every));
    painter.setPen(Qt::NoPen);
    for (int i = 0; i < drops; ++i) {
        const double across = (any(random) + any(random)) / 2;
        const double down = (any(random) + any(random)) / 2;
        const Point at{box.x0 + across * box.width(), box.y0 + down * box.height()};
        const double size = 0.35 + 2.2 * std::pow(any(random), 3);
        QColor drop = colour;
        drop.setAlpha(130 + static_cast<int>(110 * any(random)));
        for (const Polygon& p : facts.wet)
            if (contains(p, at)) {
                painter.setBrush(drop);
                painter.drawEllipse(QPointF(at.x, at.y), size, size * (0.8 + 0.3 * any(random)));
                break;
            }
    }
}

void paint_strokes(QPainter& painter, const QPainterPath& path, const QColor& colour) {
    painter.save();
    painter.setClipPath(path, Qt::IntersectClip);
    QColor light = colour.lighter(112);
    light.setAlpha(90);
    painter.setPen(QPen(light, 1.1, Qt::SolidLine, Qt::RoundCap));
    const QRectF box = path.boundingRect();
    int row = 0;
    for (double y = box.top(); y < box.bottom(); y += stroke_apart, ++row)
        painter.drawLine(QPointF(box.left(), y + (row % 3) * 0.7),
                         QPointF(box.right(), y + ((row + 1) % 3) * 0.7));
    painter.restore();
}

void paint_zone(QPainter& painter, const WetZone& zone, const WetFacts& facts, unsigned seed) {
    const QPainterPath path = path_of(facts.wet);
    QColor colour = to_qt(zone.colour);
    switch (zone.kind) {
    case WetKind::Splatter:
        paint_drops(painter, facts, colour, seed);
        return;
    case WetKind::Ink:
        colour.setAlpha(ink_alpha);
        painter.fillPath(path, colour);
        painter.strokePath(path, QPen(colour, 0.8));
        return;
    case WetKind::Paste:
        painter.fillPath(path.translated(0.4, 0.5), QColor(38, 36, 43, 60));
        painter.fillPath(path, colour);
        painter.strokePath(path, QPen(colour.lighter(115), 0.6));
        return;
    case WetKind::Paint:
        break;
    }
    colour.setAlpha(paint_alpha);
    painter.fillPath(path, colour);
    paint_strokes(painter, path, to_qt(zone.colour));
}

} // namespace

void paint_wet(QPainter& painter, const Project& project, const Plan& plan) {
    painter.save();
    for (std::size_t i = 0; i < plan.dress.wet.size() && i < project.dress.wet.size(); ++i)
        if (!plan.dress.wet[i].primer.empty())
            painter.fillPath(path_of(plan.dress.wet[i].primer), QColor(255, 255, 252, primer_alpha));
    for (std::size_t i = 0; i < plan.dress.wet.size() && i < project.dress.wet.size(); ++i)
        paint_zone(painter, project.dress.wet[i], plan.dress.wet[i], static_cast<unsigned>(i + 1));
    painter.restore();
}

void paint_late_frame(QPainter& painter, const Project& project, const Plan& plan, const Textures& textures,
                      const QColor& otherwise) {
    if (!plan.dress.frame) return;
    const LateFrame& frame = project.dress.frame;
    const auto leaves = project.set_out.page.leaves();
    const auto brush = [&](const std::string& id, const Box& leaf) -> QBrush {
        const int paper = project.stash && !id.empty() ? project.stash->find(id) : -1;
        if (paper < 0) return otherwise;
        return textures.brush(paper, Transform::moved(leaf.x0, leaf.y0), pixels_per_mm(painter));
    };
    painter.save();
    for (std::size_t l = 0; l < leaves.size() && l < plan.dress.frame->inner.size(); ++l) {
        const Box& leaf = leaves[l];
        const Ring& inner = plan.dress.frame->inner[l];
        QPainterPath rim;
        rim.addRect(leaf.x0, leaf.y0, leaf.width(), leaf.height());
        const QPainterPath hole = inner.empty() ? QPainterPath() : to_path({inner, {}});
        rim = rim.subtracted(hole);
        painter.fillPath(rim, brush(frame.paper, leaf));
        if (!frame.side_paper.empty() && inner.size() == 4) {
            const auto side = [&](Point a, Point b, Point outer_b, Point outer_a) {
                painter.fillPath(to_path({{a, b, outer_b, outer_a}, {}}), brush(frame.side_paper, leaf));
            };
            side(inner[0], inner[3], {leaf.x0, inner[3].y}, {leaf.x0, inner[0].y});
            side(inner[1], inner[2], {leaf.x1, inner[2].y}, {leaf.x1, inner[1].y});
        }
        QPen edge(QColor(38, 36, 43, 90));
        edge.setCosmetic(true);
        painter.strokePath(hole, edge);
    }
    painter.restore();
}

} // namespace zesty
