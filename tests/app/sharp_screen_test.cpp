// What is painted for a screen with more pixels lies where it lies on others.

#include "app/page/background_picture.h"
#include "core/project/planner.h"
#include "io/paint/page_painter.h"
#include "io/paint/painted_cuts.h"
#include "io/paint/textures.h"
#include "io/project_file.h"
#include "support/demo.h"
#include "support/patience.h"

#include <QTest>
#include <algorithm>
#include <gtest/gtest.h>

namespace zesty {

TEST(BackgroundPicture, OnASharperScreenShowsTheSameFiner) {
    const auto opened = open_project(demo::file("kite-hill-dressed.zesty"));
    ASSERT_TRUE(opened);
    const auto plan = std::make_shared<const Plan>(*Planner().shapes(*opened));
    const auto textures = std::make_shared<const Textures>(*opened);
    const auto painted = [&](double pixel_ratio) {
        const auto cuts = std::make_shared<PaintedCuts>();
        BackgroundPicture picture;
        picture.request({240, 240}, pixel_ratio, Qt::white,
                        [plan, textures, cuts, page = *opened](QPainter& painter) {
                            const double scale = 240 / page.set_out.page.full_width();
                            painter.setRenderHint(QPainter::Antialiasing);
                            painter.setRenderHint(QPainter::SmoothPixmapTransform);
                            painter.scale(scale, scale);
                            PageLook look;
                            look.cuts = cuts.get();
                            paint_page(painter, page, *plan, *textures, look);
                        });
        EXPECT_TRUE(QTest::qWaitFor([&] { return picture.up_to_date(); }, patience_ms));
        return picture.image();
    };
    const QImage one = painted(1);
    const QImage two = painted(2);
    EXPECT_EQ(two.size(), one.size() * 2);
    EXPECT_EQ(two.devicePixelRatio(), 2);
    const QImage shrunk = two.scaled(one.size(), Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
    int unlike = 0;
    for (int y = 0; y < one.height(); ++y)
        for (int x = 0; x < one.width(); ++x) {
            const QColor a = one.pixelColor(x, y);
            const QColor b = shrunk.pixelColor(x, y);
            const int most = std::max({std::abs(a.red() - b.red()), std::abs(a.green() - b.green()),
                                       std::abs(a.blue() - b.blue())});
            unlike += most > 60 ? 1 : 0;
        }
    EXPECT_LT(unlike, one.width() * one.height() / 20) << "everything lies where it lay";
}

} // namespace zesty
