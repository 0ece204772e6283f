// Dress in the real window: words and how the page is seen.

#include "app/bench.h"
#include "support/demo.h"

#include <QListWidget>
#include <QPlainTextEdit>
#include <QTest>
#include <gtest/gtest.h>

namespace zesty {

using testing::at;
using testing::Bench;
using testing::drag;
using testing::press;

TEST(DressJourney, JournalingIsAddedTypedMovedAndUndone) {
    Bench bench;
    bench.open(demo::project());
    const Project before = bench.document().project();
    bench.key(Qt::Key_J, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(bench.state().waypoint(), Waypoint::Dress);
    ASSERT_EQ(bench.document().project().dress.writings.size(), 1u);
    auto* text = bench.window().findChild<QPlainTextEdit*>("writing-text");
    ASSERT_TRUE(text && text->isVisible());
    QTest::keyClicks(text, "We flew kites");
    bench.settle();
    const auto writing = [&] { return bench.document().project().dress.writings.at(0); };
    EXPECT_EQ(writing().text, "We flew kites");
    EXPECT_EQ(bench.plan().dress.writings.at(0).words, 3);
    testing::type(bench, "Height of the lines", "1/4 in");
    EXPECT_NEAR(writing().line_height, mm_per_inch / 4, 1e-9);
    const Point there = writing().centre;
    drag(bench, at(bench, there), at(bench, there + Point{15, -20}));
    EXPECT_NEAR(writing().centre.x, there.x + 15, 1.5);
    bench.key(&bench.page(), Qt::Key_Right);
    EXPECT_GT(writing().centre.x, there.x + 15);
    auto* says = bench.window().findChild<QLabel*>("words");
    bench.settle();
    EXPECT_TRUE(says->text().contains("3 words are wanted")) << says->text().toStdString();
    press(bench, "Remove");
    bench.settle();
    EXPECT_TRUE(bench.document().project().dress.writings.empty());
    bench.document().history().undo();
    EXPECT_EQ(writing().text, "We flew kites");
    while (bench.document().history().canUndo()) bench.document().history().undo();
    EXPECT_TRUE(bench.document().project() == before);
    bench.settle();
}

TEST(DressJourney, ThePageIsSeenInGreyAndSquintingByOneKey) {
    Bench bench;
    bench.open(demo::project());
    bench.key(&bench.page(), Qt::Key_5, Qt::ControlModifier);
    bench.settle();
    const auto colourful = [&] {
        const QImage shot = bench.page().grab().toImage();
        const QPoint middle = bench.pixel_of(3);
        int most = 0;
        for (int y = -12; y <= 12; ++y)
            for (int x = -12; x <= 12; ++x) {
                const QColor c = shot.pixelColor(middle + QPoint(x, y));
                most = std::max(most, std::max({c.red(), c.green(), c.blue()}) -
                                          std::min({c.red(), c.green(), c.blue()}));
            }
        return most;
    };
    EXPECT_GT(colourful(), 60);
    bench.key(&bench.page(), Qt::Key_E);
    bench.settle();
    EXPECT_LT(colourful(), 12) << "in grey";
    bench.key(&bench.page(), Qt::Key_E);
    bench.settle();
    EXPECT_GT(colourful(), 20) << "squinting keeps the colours";
    auto* missing = bench.window().findChild<QLabel*>("missing");
    ASSERT_TRUE(missing && missing->isVisible());
    EXPECT_TRUE(missing->text().contains("no journaling")) << missing->text().toStdString();
    bench.key(&bench.page(), Qt::Key_1, Qt::ControlModifier);
    bench.settle();
    EXPECT_GT(colourful(), 60) << "only at Dress";
}

} // namespace zesty
