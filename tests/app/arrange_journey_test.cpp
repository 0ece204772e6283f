// Photos and rooms arranged, and photo sizes chosen, in the real window.

#include "app/bench.h"
#include "app/setout/set_out_panel.h"
#include "support/demo.h"

#include <QCheckBox>
#include <QLineEdit>
#include <QListWidget>
#include <QSpinBox>
#include <QTest>
#include <algorithm>
#include <gtest/gtest.h>

namespace zesty {

using testing::at;
using testing::Bench;
using testing::drag;
using testing::press;

namespace {

QListWidget& list_named(Bench& bench, const char* name) {
    return *bench.window().findChild<QListWidget*>(name);
}

} // namespace

TEST(ArrangeJourney, ArrangementsAreLookedThroughByKeysAndAreOneUndoStep) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_P, Qt::ControlModifier);
    bench.key(Qt::Key_P, Qt::ControlModifier);
    bench.settle();
    press(bench, "Room");
    press(bench, "Add room");
    bench.settle();
    const Project before = bench.document().project();
    bench.key(Qt::Key_A, Qt::ControlModifier | Qt::AltModifier);
    bench.settle();
    QListWidget& list = list_named(bench, "arrangements");
    ASSERT_TRUE(list.isVisible());
    ASSERT_EQ(list.count(), 4) << "the page as it was, and three others";
    EXPECT_EQ(list.currentRow(), 0);
    bench.key(&list, Qt::Key_Down);
    bench.settle();
    const Project first = bench.document().project();
    EXPECT_FALSE(first == before);
    ASSERT_TRUE(first.set_out.rooms[0].centre);
    bench.key(&list, Qt::Key_Down);
    bench.settle();
    EXPECT_FALSE(bench.document().project() == first);
    bench.key(&list, Qt::Key_Up);
    bench.settle();
    EXPECT_TRUE(bench.document().project() == first) << "the first is found again";
    bench.document().undo();
    bench.settle();
    EXPECT_TRUE(bench.document().project() == before) << "looking through them is one step";
    EXPECT_TRUE(list.isVisible()) << "they are about this page again";
    bench.document().redo();
    bench.settle();
    // A room with a place is dragged; what was found is about another page then.
    const Point room = *bench.document().project().set_out.rooms[0].centre;
    drag(bench, at(bench, room), at(bench, room + Point{0, 12}));
    EXPECT_NEAR(bench.document().project().set_out.rooms[0].centre->y, room.y + 12, 1.5);
    EXPECT_FALSE(list.isVisible());
}

TEST(ArrangeJourney, SaysWhatIsShortAndWhatThereIsNothingToArrange) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_A, Qt::ControlModifier | Qt::AltModifier);
    bench.settle();
    auto* says = bench.window().findChild<QLabel*>("arranged");
    ASSERT_TRUE(says && says->isVisible());
    EXPECT_TRUE(says->text().contains("no photos and no rooms")) << says->text().toStdString();
    testing::type(bench, "Width of the room", "11 in");
    testing::type(bench, "Height of the room", "11 in");
    press(bench, "Add room");
    bench.key(Qt::Key_A, Qt::ControlModifier | Qt::AltModifier);
    bench.settle();
    EXPECT_TRUE(says->text().contains("sq in short")) << says->text().toStdString();
    EXPECT_FALSE(list_named(bench, "arrangements").isVisible());
}

TEST(ArrangeJourney, PhotoSizesAreAskedForAndTakenAndPartsToHideMarked) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_P, Qt::ControlModifier);
    bench.settle();
    press(bench, "Which photo size?");
    bench.settle();
    auto* says = bench.window().findChild<QLabel*>("which-photo-says");
    EXPECT_TRUE(says->text().contains("no picture yet")) << says->text().toStdString();
    bench.picture_answer = demo::file("photos/kite-day.png");
    bench.key(Qt::Key_P, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    press(bench, "Which photo size?");
    bench.settle();
    QListWidget& list = list_named(bench, "photo-ways");
    ASSERT_TRUE(list.isVisible());
    ASSERT_GE(list.count(), 3);
    const auto photo = [&] { return bench.document().project().set_out.photos.at(0); };
    const Photo before = photo();
    bench.key(&list, Qt::Key_Down);
    if (list.currentRow() < 1) list.setCurrentRow(1);
    press(bench, "Take this size");
    bench.settle();
    EXPECT_FALSE(photo() == before);
    EXPECT_EQ(photo().centre, before.centre);
    bench.document().undo();
    EXPECT_TRUE(photo() == before);
    // To be hidden: marked by dragging, by the second of the two marking buttons.
    QList<QPushButton*> marks;
    for (QPushButton* b : bench.window().findChildren<QPushButton*>())
        if (b->isVisible() && b->text() == "Mark") marks << b;
    ASSERT_EQ(marks.size(), 2);
    marks[1]->click();
    drag(bench, at(bench, before.centre + Point{-40, -60}), at(bench, before.centre + Point{-10, 60}));
    ASSERT_EQ(photo().hidden_parts.size(), 1u);
    EXPECT_TRUE(photo().protected_parts.empty());
    bench.key(&bench.page(), Qt::Key_Right);
    EXPECT_NEAR(photo().hidden_parts[0].x0, -40 + mm_per_inch / 16, 1.5);
    bench.settle();
    QTest::mouseClick(&bench.page(), Qt::LeftButton, {}, at(bench, before.centre + Point{-20, 0}));
    EXPECT_TRUE(photo().hidden_parts.empty());
}

TEST(ArrangeJourney, RoundPhotosComeInPunchSizesWhereThatIsWanted) {
    Bench bench;
    bench.open(demo::project());
    Project p = bench.document().project();
    Photo round;
    round.width = round.height = 3 * mm_per_inch;
    round.round = true;
    p.set_out.photos = {round};
    bench.document().edit("A round photo", p);
    bench.settle();
    press(bench, "Photos");
    for (auto* box : bench.window().findChildren<QCheckBox*>())
        if (box->isVisible() && box->text() == "Punch sizes") box->click();
    press(bench, "Put all into openings");
    bench.settle();
    const auto& punches = p.sections.backing.punches;
    const double now = bench.document().project().set_out.photos[0].width;
    EXPECT_NE(now, 3 * mm_per_inch) << "it has been fitted";
    EXPECT_TRUE(std::any_of(punches.begin(), punches.end(), [&](double d) {
        return std::abs(d - now) < 1e-6;
    })) << now;
}

} // namespace zesty
