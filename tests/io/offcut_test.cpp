// Scraps measured from scans as a scanner or a camera makes them: turned, grainy, shaded, and some at a
// slant.

#include "core/geometry/measure.h"
#include "io/trace/offcut.h"
#include "support/rounds.h"

#include <QBuffer>
#include <QImage>
#include <QPainter>
#include <QPainterPath>
#include <gtest/gtest.h>
#include <random>

namespace zesty {

namespace {

constexpr double dots = 300 / 25.4; ///< to a millimetre

double between(std::mt19937& random, double least, double most) {
    return least + (most - least) * static_cast<double>(random() % 10001) / 10000;
}

/// A torn piece with a hole, about 90 mm across.
Polygon some_offcut(std::mt19937& random) {
    Polygon out;
    const int n = 5 + static_cast<int>(random() % 5);
    for (int i = 0; i < n; ++i) {
        const double w = 2 * M_PI * (i + between(random, 0, 0.5)) / n;
        const double r = between(random, 30, 48);
        out.outer.push_back({85 + r * std::cos(w), 60 + r * std::sin(w)});
    }
    out.holes.push_back({{80, 55}, {91, 57}, {86, 68}});
    return out;
}

QPainterPath path_of(const Ring& ring) {
    QPainterPath path;
    QPolygonF points;
    for (Point p : ring) points << QPointF(p.x, p.y);
    path.addPolygon(points);
    path.closeSubpath();
    return path;
}

/// Light paper and a square of 1 in on a dark ground. `slant` is what the far side of the picture is smaller
/// by.
QByteArray scan_of(const Polygon& offcut, double turn_deg, double slant, std::mt19937& random) {
    QImage image(static_cast<int>(160 * dots), static_cast<int>(130 * dots), QImage::Format_RGB32);
    image.fill(QColor(60, 64, 70));
    QPainter p(&image);
    p.setRenderHint(QPainter::Antialiasing);
    QTransform look;
    const double w = image.width();
    const double h = image.height();
    const double in = slant * w / 2;
    EXPECT_TRUE(QTransform::quadToQuad(QPolygonF({{0, 0}, {w, 0}, {w, h}, {0, h}}),
                                       QPolygonF({{in, 0}, {w - in, 0}, {w, h}, {0, h}}), look));
    QTransform turn;
    turn.translate(w / 2, h / 2).rotate(turn_deg).scale(0.85, 0.85).translate(-w / 2, -h / 2);
    p.setTransform(QTransform::fromScale(dots, dots) * turn * look);
    QPainterPath paper = path_of(offcut.outer);
    for (const Ring& hole : offcut.holes) paper = paper.subtracted(path_of(hole));
    p.fillPath(paper, QColor(215, 208, 200));
    p.fillRect(QRectF(5, 5, 25.4, 25.4), QColor(228, 228, 228));
    p.end();
    for (int y = 0; y < image.height(); ++y) {
        auto* row = reinterpret_cast<QRgb*>(image.scanLine(y));
        for (int x = 0; x < image.width(); ++x) {
            const double shade = 1 - 0.15 * x / image.width();
            const int n = static_cast<int>(random() % 17) - 8;
            const auto seen = [&](int v) { return std::clamp(static_cast<int>(v * shade) + n, 0, 255); };
            row[x] = qRgb(seen(qRed(row[x])), seen(qGreen(row[x])), seen(qBlue(row[x])));
        }
    }
    QByteArray out;
    QBuffer buffer(&out);
    image.save(&buffer, "PNG");
    return out;
}

double farthest(const Ring& from, const Ring& to) {
    double most = 0;
    for (std::size_t i = 0; i < from.size(); ++i)
        for (double t = 0; t < 1; t += 0.1) {
            const Point p = from[i] * (1 - t) + from[(i + 1) % from.size()] * t;
            double least = 1e9;
            for (std::size_t k = 0; k < to.size(); ++k)
                least = std::min(least, distance_to_segment(p, to[k], to[(k + 1) % to.size()]));
            most = std::max(most, least);
        }
    return most;
}

} // namespace

TEST(Offcut, IsMeasuredToHalfAMillimetreHoweverItLies) {
    std::mt19937 random(14);
    for (int round = 0; round < testing::rounds(12); ++round) {
        const Polygon real = some_offcut(random);
        const auto measured = measured_offcut(scan_of(real, between(random, -12, 12), 0, random), 25.4);
        ASSERT_TRUE(measured) << measured.error().message;
        ASSERT_EQ(measured->holes.size(), 1u);
        const Box box = bounds(real);
        const Polygon here = transformed(real, Transform::moved(-box.x0, -box.y0));
        EXPECT_LT(farthest(here.outer, measured->outer), 0.5) << "round " << round;
        EXPECT_LT(farthest(measured->outer, here.outer), 0.5) << "round " << round;
        EXPECT_LT(farthest(measured->holes[0], here.holes[0]), 0.5) << "round " << round;
    }
}

TEST(Offcut, PicturesAtASlantAreRefusedInOneSentence) {
    std::mt19937 random(15);
    for (const double slant : {0.06, 0.12, 0.25}) {
        const auto measured = measured_offcut(scan_of(some_offcut(random), 3, slant, random), 25.4);
        ASSERT_FALSE(measured) << slant;
        EXPECT_NE(measured.error().message.find("slant"), std::string::npos) << measured.error().message;
    }
    EXPECT_FALSE(measured_offcut("no picture", 25.4));
}

} // namespace zesty
