#include "io/paint/hold_painter.h"

#include "io/paint/textures.h"

#include <QImage>
#include <algorithm>

namespace zesty {

namespace {

const QColor wash(251, 248, 241, 200);
const QColor foam_line(0x26, 0x24, 0x2b);
constexpr double flat_below = 0.8; ///< mm: paper on paper, which is not coloured

double line_width(Adhesive what) {
    switch (what) {
    case Adhesive::Sheet:
        return 0.5;
    case Adhesive::FineGlue:
        return 1.0;
    case Adhesive::Tape:
        return 2.2;
    case Adhesive::Dots:
        break;
    }
    return 1.6;
}

void wash_page(QPainter& painter, const Page& page) {
    for (const Box& leaf : page.leaves())
        painter.fillRect(QRectF(leaf.x0, leaf.y0, leaf.width(), leaf.height()), wash);
}

QImage picture_of(const HeightGrid& grid, double album_takes) {
    QImage out(static_cast<int>(grid.columns), static_cast<int>(grid.rows),
               QImage::Format_ARGB32_Premultiplied);
    out.fill(Qt::transparent);
    for (std::size_t r = 0; r < grid.rows; ++r) {
        auto* line = reinterpret_cast<QRgb*>(out.scanLine(static_cast<int>(r)));
        for (std::size_t c = 0; c < grid.columns; ++c)
            if (const double top = grid.top[r * grid.columns + c]; top >= flat_below)
                line[c] = qPremultiply(colour_of_height(top, album_takes).rgba());
    }
    return out;
}

} // namespace

QColor colour_of_height(double height, double album_takes) {
    if (height < flat_below) return {251, 248, 241, 0};
    if (height > album_takes) return {0xb0, 0x2a, 0x4b, 190};
    // From lemon to leaf, the higher the darker.
    const double t = std::clamp(height / std::max(album_takes, flat_below), 0.0, 1.0);
    const auto between = [&](int a, int b) { return static_cast<int>(a + (b - a) * t); };
    return {between(0xf2, 0x3e), between(0xcf, 0x7c), between(0x5a, 0x4f), 180};
}

QColor colour_of_glue(GlueWhen when) {
    switch (when) {
    case GlueWhen::Now:
        return {0x3e, 0x7c, 0x4f};
    case GlueWhen::After:
        return {0xe0, 0xa8, 0x00};
    case GlueWhen::Never:
        break;
    }
    return {0xb0, 0x2a, 0x4b};
}

void paint_heights(QPainter& painter, const Project& project, const Plan& plan) {
    const HeightFacts& heights = plan.dress.heights;
    painter.save();
    wash_page(painter, project.set_out.page);
    if (heights.grid) {
        const HeightGrid& grid = *heights.grid;
        painter.setRenderHint(QPainter::SmoothPixmapTransform);
        painter.drawImage(QRectF(0, 0, static_cast<double>(grid.columns) * grid.cell,
                                 static_cast<double>(grid.rows) * grid.cell),
                          picture_of(grid, project.dress.album_takes));
    }
    painter.setRenderHint(QPainter::Antialiasing);
    for (const RaisedThing& thing : heights.raised) {
        for (const FoamStrip& s : thing.strips) {
            painter.setPen(QPen(foam_line, 0.6 + 0.25 * s.thickness, Qt::SolidLine, Qt::FlatCap));
            painter.drawLine(QPointF(s.from.x, s.from.y), QPointF(s.to.x, s.to.y));
        }
        painter.setPen(QPen(foam_line, 0.5));
        painter.setBrush(QColor(255, 255, 255, 150));
        for (const FoamPad& pad : thing.pads)
            painter.drawRect(QRectF(pad.at.x - pad.side / 2, pad.at.y - pad.side / 2, pad.side, pad.side));
        painter.setBrush(Qt::NoBrush);
    }
    painter.restore();
}

void paint_glue_map(QPainter& painter, const GlueMap& map) {
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    const auto zone = [&](const Region& region, GlueWhen when) {
        QColor fill = colour_of_glue(when);
        fill.setAlpha(34);
        QPen rim(colour_of_glue(when), 1.2, Qt::DashLine);
        rim.setCosmetic(true);
        for (const Polygon& p : region) {
            painter.fillPath(to_path(p), fill);
            painter.strokePath(to_path(p), rim);
        }
    };
    zone(map.after, GlueWhen::After);
    zone(map.never, GlueWhen::Never);
    painter.setPen(Qt::NoPen);
    for (const GluePlace& place : map.places) {
        const double half = line_width(place.what) / 2;
        painter.setBrush(colour_of_glue(place.when));
        if (place.when == GlueWhen::Never) {
            // A small cross, so that it is told apart in grey, too.
            painter.setPen(QPen(colour_of_glue(place.when), 0.35));
            painter.drawLine(QPointF(place.at.x - 0.8, place.at.y - 0.8),
                             QPointF(place.at.x + 0.8, place.at.y + 0.8));
            painter.drawLine(QPointF(place.at.x - 0.8, place.at.y + 0.8),
                             QPointF(place.at.x + 0.8, place.at.y - 0.8));
            painter.setPen(Qt::NoPen);
        } else {
            painter.drawEllipse(QPointF(place.at.x, place.at.y), half + 0.1, half + 0.1);
        }
    }
    painter.restore();
}

void paint_glue(QPainter& painter, const Project& project, const Plan& plan) {
    painter.save();
    wash_page(painter, project.set_out.page);
    QPainterPath leaves;
    for (const Box& leaf : project.set_out.page.leaves())
        leaves.addRect(leaf.x0, leaf.y0, leaf.width(), leaf.height());
    painter.setClipPath(leaves, Qt::IntersectClip);
    // What is on foam has no glue to be kept away.
    for (const GlueMap& map : plan.dress.glue.cuts)
        if (!map.places.empty()) paint_glue_map(painter, map);
    painter.restore();
}

} // namespace zesty
