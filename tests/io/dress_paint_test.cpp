// Words on the painted page, and the page in grey and squinting.

#include "core/dress/writing.h"
#include "core/geometry/measure.h"
#include "core/project/planner.h"
#include "io/paint/page_painter.h"
#include "io/paint/values.h"
#include "support/pages.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>

namespace zesty {

namespace {

constexpr int pixels_wide = 600;

QImage painted(const Project& project) {
    Planner planner(testing::laid_before());
    const auto plan = planner.shapes(project);
    EXPECT_TRUE(plan);
    return page_picture(project, *plan, pixels_wide);
}

int range(QRgb c) {
    return std::max({qRed(c), qGreen(c), qBlue(c)}) - std::min({qRed(c), qGreen(c), qBlue(c)});
}

double mean_of(const QImage& image) {
    double sum = 0;
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x) sum += qGray(image.pixel(x, y));
    return sum / (image.width() * image.height());
}

} // namespace

TEST(DressPaint, WordsLieInTheirRoomAndThoseOnTheBackNowhere) {
    Project p;
    const QImage bare = painted(p);
    for (const WritingShape shape : {WritingShape::Lines, WritingShape::Arc, WritingShape::Back}) {
        Writing w;
        w.shape = shape;
        w.centre = {150, 150};
        w.text = "wind and kites and a hill and a long afternoon";
        w.turn_deg = 20;
        w.radius = 70;
        w.height = 40;
        w.sweep_deg = 300;
        p.dress.writings = {w};
        const QImage now = painted(p);
        const double mm = p.set_out.page.full_width() / pixels_wide;
        // Letters reach a little over their lines.
        const Polygon room = outline_of(w);
        int changed = 0;
        for (int y = 0; y < pixels_wide; ++y)
            for (int x = 0; x < pixels_wide; ++x) {
                if (now.pixel(x, y) == bare.pixel(x, y)) continue;
                ++changed;
                const Point at{(x + 0.5) * mm, (y + 0.5) * mm};
                double away = contains(room.outer, at) ? 0 : 1e9;
                for (std::size_t i = 0; i < room.outer.size() && away > 0; ++i)
                    away = std::min(away, distance_to_segment(at, room.outer[i],
                                                              room.outer[(i + 1) % room.outer.size()]));
                EXPECT_LT(away, 3) << x << " " << y;
            }
        EXPECT_TRUE(shape == WritingShape::Back ? changed == 0 : changed > 300) << changed;
    }
}

TEST(DressPaint, GreyHasNoColourAndSquintingNoEdges) {
    QImage picture(400, 300, QImage::Format_RGB32);
    picture.fill(QColor(230, 227, 220));
    for (int x = 0; x < 400; x += 20)
        for (int y = 0; y < 300; ++y)
            for (int k = 0; k < 10; ++k) picture.setPixel(x + k, y, qRgb(190, 40, 30));
    picture.setDevicePixelRatio(2);
    EXPECT_EQ(as_seen(picture, Seen::Colour), picture);
    const QImage grey = as_seen(picture, Seen::Grey);
    const QImage squint = as_seen(picture, Seen::Squint);
    EXPECT_EQ(grey.size(), picture.size());
    EXPECT_EQ(squint.size(), picture.size());
    EXPECT_EQ(squint.devicePixelRatio(), 2);
    int step = 0, before = 0;
    for (int x = 1; x < 399; ++x) {
        EXPECT_LE(range(grey.pixel(x, 100)), 1);
        step = std::max(step, std::abs(qGray(squint.pixel(x, 100)) - qGray(squint.pixel(x - 1, 100))));
        before = std::max(before, std::abs(qGray(picture.pixel(x, 100)) - qGray(picture.pixel(x - 1, 100))));
    }
    EXPECT_LT(step, before / 6) << "no edge is left";
    EXPECT_NEAR(mean_of(squint), mean_of(picture), 6) << "as light as before";
    EXPECT_TRUE(as_seen(QImage(), Seen::Squint).isNull());
}

} // namespace zesty
