#include "io/paint/dress_paper_painter.h"

#include "core/dress/layers.h"
#include "core/geometry/measure.h"
#include "core/setout/photo_mats.h"

#include <optional>

namespace zesty {

namespace {

constexpr double torn_step = 2.2; ///< mm from bend to bend
constexpr double torn_way = 0.9;  ///< mm to either side
constexpr double torn_core = 1.6; ///< mm of white paper core that tearing shows
constexpr int vellum_alpha = 120;
const QColor no_paper(0xee, 0xea, 0xe0);

/// What a place of the edge does: from -1 to 1, without a pattern that the eye finds.
double wander(std::size_t i) {
    auto h = static_cast<std::uint32_t>(i * 2654435761u);
    h ^= h >> 15;
    h *= 2246822519u;
    h ^= h >> 13;
    return static_cast<double>(h % 2001) / 1000.0 - 1;
}

struct PaperLook {
    std::string paper;
    Side side = Side::A;
    double turn_deg = 0;
    bool torn_edge = false;
    bool see_through = false;
    std::optional<Mounting> held; ///< nothing: it lies on what belongs to it, and has the usual shadow
};

void paint_paper(QPainter& painter, const Project& project, const Textures& textures, const Polygon& outline,
                 const PaperLook& look) {
    const QPainterPath path = look.torn_edge ? torn(outline.outer, torn_way) : to_path({outline.outer, {}});
    const Box box = bounds(outline);
    const int paper = project.stash && !look.paper.empty() ? project.stash->find(look.paper) : -1;
    QBrush brush(no_paper);
    if (paper >= 0)
        brush = textures.brush(paper, Transform::moved(box.x0, box.y0) * Transform::turned_deg(look.turn_deg),
                               pixels_per_mm(painter), look.side);
    const Mounting held = look.held.value_or(Mounting{});
    painter.fillPath(path.translated(shadow_of(held, {0.6, 0.8})),
                     shadow_colour(held, look.see_through ? 20 : 52));
    painter.save();
    if (look.see_through) painter.setOpacity(vellum_alpha / 255.0);
    painter.fillPath(path, brush);
    painter.restore();
    if (look.torn_edge) {
        painter.save();
        painter.setClipPath(path, Qt::IntersectClip);
        painter.strokePath(path, QPen(QColor(255, 254, 250, 215), torn_core));
        painter.restore();
    }
    QPen edge(QColor(38, 36, 43, 60));
    edge.setCosmetic(true);
    painter.strokePath(path, edge);
}

} // namespace

QPointF shadow_of(const Mounting& held, QPointF flat) {
    constexpr double farther = 0.55; // of the height
    return flat * (1 + farther * raised_by(held.how));
}

QColor shadow_colour(const Mounting& held, int flat_alpha) {
    constexpr double softer = 0.12;
    return {38, 36, 43, static_cast<int>(flat_alpha / (1 + softer * raised_by(held.how)))};
}

QPainterPath torn(const Ring& ring, double way) {
    QPainterPath out;
    std::size_t bend = 0;
    for (std::size_t i = 0; i < ring.size(); ++i) {
        const Point a = ring[i];
        const Point b = ring[(i + 1) % ring.size()];
        const double long_edge = distance(a, b);
        if (long_edge <= 0) continue;
        const Point across = Point{-(b - a).y, (b - a).x} * (1 / long_edge);
        const int steps = std::max(1, static_cast<int>(long_edge / torn_step));
        for (int k = 0; k < steps; ++k, ++bend) {
            const Point p = a + (b - a) * (static_cast<double>(k) / steps) + across * (way * wander(bend));
            if (bend == 0)
                out.moveTo(p.x, p.y);
            else
                out.lineTo(p.x, p.y);
        }
    }
    out.closeSubpath();
    return out;
}

void paint_mats(QPainter& painter, const Project& project, const Textures& textures, const Photo& photo) {
    for (std::size_t m = photo.mats.size(); m-- > 0;) {
        const PhotoMat& mat = photo.mats[m];
        paint_paper(painter, project, textures, outline_of_mat(photo, m),
                    {mat.paper, mat.side, photo.turn_deg, mat.torn, mat.see_through,
                     m + 1 == photo.mats.size() ? std::optional(photo.held) : std::nullopt});
    }
}

void paint_layers(QPainter& painter, const Project& project, const Textures& textures, LayerPlace place) {
    for (const PaperLayer& layer : project.dress.layers)
        if (layer.place == place)
            paint_paper(painter, project, textures, outline_of(layer, project.set_out.page),
                        {layer.paper, layer.side, layer.shape == LayerShape::Tape ? 0 : layer.turn_deg,
                         layer.torn || layer.shape == LayerShape::Hill, false, layer.held});
}

void paint_stitching(QPainter& painter, const Stitching& stitching, const StitchingFacts& facts) {
    constexpr double thick = 0.7; // mm of thread
    painter.save();
    for (const StitchRun& run : facts.runs) {
        const Point step = (run.to - run.from) * (1.0 / (run.holes - 1));
        painter.setPen(QPen(to_qt(stitching.thread), thick, Qt::SolidLine, Qt::RoundCap));
        for (int i = 0; i + 1 < run.holes; ++i) {
            if (stitching.stitch == Stitch::Running && i % 2 == 1) continue; // on the back
            const Point a = run.from + step * i;
            const Point b = a + step;
            painter.drawLine(QPointF(a.x, a.y), QPointF(b.x, b.y));
        }
    }
    painter.restore();
}

} // namespace zesty
