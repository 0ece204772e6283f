#include "devices/scanner.h"

#include "core/geometry/measure.h"

#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <cmath>
#include <random>

namespace zesty::devices {

namespace {

constexpr double apart = 8; ///< mm between the square and the scrap

QColor colour(Rgb c) {
    return {c.r, c.g, c.b};
}

/// Mapped corner by corner: straight edges stay straight, and the painter need not know about perspective.
QPainterPath path_of(const Polygon& polygon, const QTransform& view) {
    QPainterPath path;
    path.setFillRule(Qt::OddEvenFill);
    const auto add = [&](const Ring& ring) {
        QPolygonF points;
        for (Point p : ring) points << view.map(QPointF(p.x, p.y));
        path.addPolygon(points);
        path.closeSubpath();
    };
    add(polygon.outer);
    for (const Ring& h : polygon.holes) add(h);
    return path;
}

/// Turned about the middle, and seen at a slant.
QTransform view(const QSizeF& bed, const ScanLook& look) {
    const QPointF middle(bed.width() / 2, bed.height() / 2);
    QTransform turn;
    turn.translate(middle.x(), middle.y()).rotate(look.turn_deg).translate(-middle.x(), -middle.y());
    QTransform aside;
    aside.translate(middle.x(), middle.y()).rotate(look.slant_deg).translate(-middle.x(), -middle.y());
    const double w = bed.width();
    const double h = bed.height();
    const double in = look.slant * w / 2;
    QTransform slant;
    QTransform::quadToQuad(QPolygonF({{0, 0}, {w, 0}, {w, h}, {0, h}}),
                           QPolygonF({{in, in / 2}, {w - in, in / 2}, {w, h}, {0, h}}), slant);
    return turn * aside.inverted() * slant * aside;
}

void shade(QImage& image, const ScanLook& look, unsigned seed) {
    std::mt19937 random(seed);
    const auto range = static_cast<unsigned>(2 * look.grain + 1);
    for (int y = 0; y < image.height(); ++y) {
        auto* row = reinterpret_cast<QRgb*>(image.scanLine(y));
        for (int x = 0; x < image.width(); ++x) {
            const double light = 1 - look.shadow * x / image.width();
            const int grain = static_cast<int>(random() % range) - look.grain;
            const auto seen = [&](int v) {
                return std::clamp(static_cast<int>(std::lround(v * light)) + grain, 0, 255);
            };
            row[x] = qRgb(seen(qRed(row[x])), seen(qGreen(row[x])), seen(qBlue(row[x])));
        }
    }
}

} // namespace

QImage scanned(const Polygon& scrap, const ScanLook& look, unsigned seed) {
    const Box box = bounds(scrap);
    const double across = look.square + apart + box.width();
    const double down = std::max(look.square, box.height());
    // Room for it all however it is turned.
    const double rim = look.margin + (std::hypot(across, down) - std::min(across, down)) / 2 *
                                         std::abs(std::sin(look.turn_deg * M_PI / 180));
    const QSizeF bed(across + 2 * rim, down + 2 * rim);
    const double dots = look.dots_per_inch / 25.4;
    QImage image(static_cast<int>(bed.width() * dots), static_cast<int>(bed.height() * dots),
                 QImage::Format_RGB32);
    image.fill(colour(look.ground));
    image.setDotsPerMeterX(static_cast<int>(std::lround(look.dots_per_inch / 0.0254)));
    image.setDotsPerMeterY(image.dotsPerMeterX());
    QPainter p(&image);
    p.setRenderHint(QPainter::Antialiasing);
    const QTransform seen = view(bed, look) * QTransform::fromScale(dots, dots);
    const Polygon square{ring_of(Box{rim, rim, rim + look.square, rim + look.square}), {}};
    p.fillPath(path_of(square, seen), colour(look.square_paper));
    p.fillPath(
        path_of(scrap, QTransform::fromTranslate(rim + look.square + apart - box.x0, rim - box.y0) * seen),
        colour(look.paper));
    p.end();
    shade(image, look, seed);
    return image;
}

} // namespace zesty::devices
