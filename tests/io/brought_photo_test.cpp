// What a photo's file says of itself.

#include "core/project/planner.h"
#include "io/paint/page_painter.h"
#include "io/picture.h"
#include "io/project_file.h"
#include "support/demo.h"
#include "support/pages.h"

#include <QBuffer>
#include <QColor>
#include <QImage>
#include <QPainter>
#include <gtest/gtest.h>

namespace zesty {

namespace {

/// A JPEG whose Exif data say when it was taken.
QByteArray photo_taken(const QByteArray& when) {
    QImage image(40, 30, QImage::Format_RGB32);
    image.fill(QColor(90, 140, 200));
    QByteArray jpeg;
    QBuffer buffer(&jpeg);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, "JPEG");
    const auto u16 = [](int v) {
        return QByteArray(1, static_cast<char>(v & 255)) + QByteArray(1, static_cast<char>(v >> 8));
    };
    const auto u32 = [&](int v) { return u16(v & 65535) + u16(v >> 16); };
    QByteArray exif("Exif\0\0", 6);
    exif += "II" + u16(42) + u32(8);
    exif += u16(1) + u16(0x8769) + u16(4) + u32(1) + u32(26) + u32(0);
    exif += u16(1) + u16(0x9003) + u16(2) + u32(20) + u32(44) + u32(0);
    exif += when + QByteArray(1, '\0');
    const int length = static_cast<int>(exif.size()) + 2;
    const QByteArray head = QByteArray("\xFF\xE1", 2) + QByteArray(1, static_cast<char>(length >> 8)) +
                            QByteArray(1, static_cast<char>(length & 255));
    return jpeg.left(2) + head + exif + jpeg.mid(2);
}

} // namespace

TEST(BroughtPhoto, SaysItsDayAndSizeAndNothingWhereTheFileTalksNonsense) {
    const auto brought = [](const QByteArray& when) {
        const auto photo = brought_picture("kite-day.jpg", photo_taken(when).toStdString());
        EXPECT_TRUE(photo);
        return photo ? **photo : BroughtPicture{};
    };
    EXPECT_EQ(brought("2026:05:17 11:02:09").taken, "2026-05-17");
    EXPECT_EQ(brought("2026:05:17 11:02:09").width, 40);
    EXPECT_EQ(brought("2026:05:17 11:02:09").height, 30);
    EXPECT_EQ(brought("2026:02:31 11:02:09").taken, "") << "no such day";
    EXPECT_EQ(brought("                   ").taken, "");
}

TEST(Sketch, IsSavedWithThePageAndSeenInNothingThatLeavesIt) {
    auto project = open_project(demo::project());
    ASSERT_TRUE(project);
    Planner planner(testing::laid_before());
    const auto plan = planner.shapes(*project);
    ASSERT_TRUE(plan);
    const QImage before = page_picture(*project, *plan, 400);
    auto picture = brought_from(demo::file("photos/kite-day.png"));
    ASSERT_TRUE(picture) << picture.error().message;
    project->set_out.sketch = {*picture, {5, -3}, 300, 90, 0.6, {{SketchRole::Title, {10, 10, 200, 60}}}};
    EXPECT_EQ(page_picture(*project, *plan, 400), before);
    const auto bytes = project_bytes(*project);
    ASSERT_TRUE(bytes);
    const auto again = project_from(*bytes, "x.zesty");
    ASSERT_TRUE(again) << again.error().message;
    EXPECT_TRUE(*again == *project);
    // Where it is asked for it lies on the base.
    const Textures textures(*project);
    QImage shown(400, 400, QImage::Format_ARGB32_Premultiplied);
    shown.fill(Qt::white);
    QImage plain = shown;
    for (QImage* image : {&shown, &plain}) {
        QPainter painter(image);
        painter.scale(400 / 304.8, 400 / 304.8);
        PageLook look;
        look.sketch = image == &shown;
        paint_page(painter, *project, *plan, textures, look);
    }
    EXPECT_NE(shown, plain);
}

} // namespace zesty
