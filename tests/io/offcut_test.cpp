// Scraps measured from scans as a scanner or a camera makes them: turned, grainy, shaded, and some at a
// slant.

#include "core/geometry/measure.h"
#include "devices/scanner.h"
#include "io/trace/offcut.h"
#include "io/trace/sheet_picture.h"
#include "support/between.h"
#include "support/rounds.h"

#include <QBuffer>
#include <QImage>
#include <QPainter>
#include <gtest/gtest.h>
#include <random>

namespace zesty {

namespace {

using testing::between;

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

/// As a file that takes no time to pack.
QByteArray file_of(const QImage& image) {
    QByteArray out;
    QBuffer buffer(&out);
    image.save(&buffer, "BMP");
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

/// How far a measured scrap is from the real one, which may lie turned and moved.
double off(const Polygon& real, const Polygon& measured) {
    const Box box = bounds(real);
    const Polygon here = transformed(real, Transform::moved(-box.x0, -box.y0));
    if (measured.holes.size() != 1) return 1e9;
    return std::max({farthest(here.outer, measured.outer), farthest(measured.outer, here.outer),
                     farthest(measured.holes[0], here.holes[0])});
}

} // namespace

TEST(Offcut, FortyScansOfAllKindsAreMeasuredToHalfAMillimetreOrRefused) {
    std::mt19937 random(14);
    int measured_ones = 0;
    int slanted_ones = 0;
    for (int round = 0; round < testing::rounds(40); ++round) {
        const Polygon real = some_offcut(random);
        devices::ScanLook look;
        look.turn_deg = between(random, -12, 12);
        if (round % 2) look.slant = between(random, 0.01, 0.12);
        look.slant_deg = between(random, 0, 360);
        look.shadow = between(random, 0, 0.2);
        look.grain = 4 + round % 8;
        const auto measured = measured_offcut(file_of(devices::scanned(real, look, random())), 25.4);
        if (!measured) {
            EXPECT_GT(look.slant, 0.02) << measured.error().message;
            EXPECT_NE(measured.error().message.find("slant"), std::string::npos) << measured.error().message;
            continue;
        }
        ++measured_ones;
        slanted_ones += look.slant > 0;
        EXPECT_LT(off(real, *measured), 0.5) << "round " << round << ", slant " << look.slant;
    }
    EXPECT_GE(measured_ones, testing::rounds(40) * 3 / 4);
    EXPECT_GE(slanted_ones, testing::rounds(40) / 4);
}

TEST(Offcut, WhatCannotBeMeasuredIsRefusedInOneSentence) {
    std::mt19937 random(15);
    const Polygon real = some_offcut(random);
    devices::ScanLook look;
    look.slant = 0.45;
    const auto slanted = measured_offcut(file_of(devices::scanned(real, look, 1)), 25.4);
    if (slanted) {
        EXPECT_LT(off(real, *slanted), 0.5);
    }
    look = {};
    look.square = 4;
    look.slant = 0.12;
    look.grain = 16;
    const auto small = measured_offcut(file_of(devices::scanned(real, look, 1)), 4);
    ASSERT_FALSE(small) << "a square of 4 mm tells too little about a slant";
    EXPECT_NE(small.error().message.find("slant"), std::string::npos) << small.error().message;
    EXPECT_FALSE(measured_offcut("no picture", 25.4));
}

TEST(SheetPicture, ASheetIsCroppedOutOfItsGroundHoweverItLies) {
    std::mt19937 random(21);
    for (int round = 0; round < testing::rounds(12); ++round) {
        // Four fields of colour with a border of stripes, as no ground looks.
        QImage sheet(480, round % 2 ? 480 : 240, QImage::Format_RGB32);
        const int w = sheet.width();
        const int h = sheet.height();
        QPainter p(&sheet);
        p.fillRect(0, 0, w / 2, h / 2, QColor(200, 60, 50));
        p.fillRect(w / 2, 0, w / 2, h / 2, QColor(60, 140, 70));
        p.fillRect(0, h / 2, w / 2, h / 2, QColor(230, 200, 90));
        p.fillRect(w / 2, h / 2, w / 2, h / 2, QColor(60, 110, 190));
        p.end();
        QImage seen(900, 800, QImage::Format_RGB32);
        seen.fill(QColor(70, 74, 78));
        QTransform look;
        look.translate(450, 400)
            .rotate(between(random, -25, 25))
            .scale(1.1, 1.1)
            .translate(-w / 2.0, -h / 2.0);
        QTransform slant;
        const double in = between(random, 0, 30);
        ASSERT_TRUE(QTransform::quadToQuad(QPolygonF({{0, 0}, {900, 0}, {900, 800}, {0, 800}}),
                                           QPolygonF({{in, 0}, {900 - in, 0}, {900, 800}, {0, 800}}), slant));
        QPainter q(&seen);
        q.setRenderHint(QPainter::SmoothPixmapTransform);
        q.setTransform(look * slant);
        q.drawImage(0, 0, sheet);
        q.end();
        const auto cropped = cropped_to_sheet(seen);
        ASSERT_TRUE(cropped) << cropped.error().message;
        EXPECT_NEAR(static_cast<double>(cropped->width()) / cropped->height(), static_cast<double>(w) / h,
                    0.08);
        for (const double u : {0.04, 0.46, 0.54, 0.96})
            for (const double v : {0.04, 0.46, 0.54, 0.96}) {
                const QColor now = cropped->pixelColor(static_cast<int>(u * cropped->width()),
                                                       static_cast<int>(v * cropped->height()));
                const QColor was = sheet.pixelColor(static_cast<int>(u * w), static_cast<int>(v * h));
                EXPECT_LT(std::abs(now.red() - was.red()) + std::abs(now.green() - was.green()) +
                              std::abs(now.blue() - was.blue()),
                          30)
                    << u << " " << v;
            }
    }
    QImage full(200, 200, QImage::Format_RGB32);
    full.fill(Qt::white);
    for (int k = 0; k < 200; k += 2)
        for (int y = 0; y < 200; ++y) full.setPixelColor(k, y, Qt::blue);
    const auto none = cropped_to_sheet(full);
    ASSERT_FALSE(none);
    EXPECT_NE(none.error().message.find("ground"), std::string::npos);
    full.fill(Qt::white);
    EXPECT_FALSE(cropped_to_sheet(full));
    EXPECT_FALSE(cropped_file("no picture"));
}

} // namespace zesty
