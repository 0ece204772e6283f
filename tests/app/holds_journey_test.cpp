// Height, wet work, the late frame and variants in the real window, by mouse and keys.

#include "app/bench.h"
#include "core/geometry/measure.h"
#include "core/project/variants.h"
#include "core/stash/stash.h"
#include "support/demo.h"
#include "support/patience.h"

#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QTest>
#include <algorithm>
#include <gtest/gtest.h>

namespace zesty {

using testing::at;
using testing::Bench;
using testing::drag;
using testing::press;

namespace {

/// At Dress, with the dressed demo.
void go_dressing(Bench& bench) {
    bench.open(demo::file("kite-hill-dressed.zesty"));
    bench.key(&bench.page(), Qt::Key_5, Qt::ControlModifier);
    bench.settle();
}

void choose_row(Bench& bench, const char* list, const QString& begins) {
    auto* rows = bench.window().findChild<QListWidget*>(list);
    ASSERT_TRUE(rows && rows->isVisible());
    for (int i = 0; i < rows->count(); ++i)
        if (rows->item(i)->text().startsWith(begins)) {
            rows->setCurrentRow(i);
            return;
        }
    FAIL() << "no row begins with " << begins.toStdString();
}

void undo_all(Bench& bench) {
    while (bench.document().history().canUndo()) bench.document().undo();
    bench.settle();
}

} // namespace

TEST(HoldsJourney, AThingIsRaisedByListKeyAndChoiceAndComesDownAgain) {
    Bench bench;
    go_dressing(bench);
    const Project before = bench.document().project();
    press(bench, "Height");
    choose_row(bench, "held-things", "The cut");
    const auto held = [&] { return bench.document().project().set_out.cuts.at(0).held; };
    bench.key(&bench.page(), Qt::Key_H);
    bench.settle();
    EXPECT_EQ(held().how, Mount::Thin);
    auto* how = bench.window().findChild<QComboBox*>("held-how");
    ASSERT_TRUE(how && how->isEnabled());
    how->setCurrentIndex(3);
    bench.settle();
    EXPECT_EQ(held().how, Mount::Double);
    EXPECT_GT(bench.plan().dress.heights.highest, 4);
    auto* says = bench.window().findChild<QLabel*>("height-says");
    EXPECT_TRUE(says->text().contains("Foam of 4 mm")) << says->text().toStdString();
    testing::type(bench, "What the album's pocket takes above the base", "3 mm");
    bench.settle();
    EXPECT_TRUE(testing::told(bench, Code::TooHigh));
    undo_all(bench);
    EXPECT_TRUE(bench.document().project() == before);
}

TEST(HoldsJourney, WhatIsClickedAtHeightIsChosenThere) {
    Bench bench;
    go_dressing(bench);
    press(bench, "Height");
    auto* rows = bench.window().findChild<QListWidget*>("held-things");
    const auto clicked = [&](Point there) {
        QTest::mouseClick(&bench.page(), Qt::LeftButton, {}, at(bench, there));
        bench.settle();
        EXPECT_TRUE(rows->isVisible()) << "no other part came up";
        return rows->currentItem()->text();
    };
    const Project& p = bench.document().project();
    EXPECT_TRUE(clicked(p.set_out.photos.at(0).centre).startsWith("Kite day"))
        << rows->currentItem()->text().toStdString();
    EXPECT_TRUE(clicked(p.dress.embellishments.at(1).centre).startsWith("Cloud"));
    const TitleLetter& letter = bench.plan().dress.titles.at(0).letters.at(0);
    EXPECT_TRUE(clicked(bounds(letter.box).centre()).startsWith("Title"));
    int opening = 0; // that nothing lies on
    const auto& lies_on = bench.plan().dress.coverage.openings;
    while (std::any_of(lies_on.begin(), lies_on.end(),
                       [&](const CoveredOpening& c) { return c.opening == opening; }))
        ++opening;
    const Point inside = bench.plan().set_out.whole.to_page(
        bench.plan().sections.cut->openings.at(static_cast<std::size_t>(opening)).label.centre);
    EXPECT_TRUE(clicked(inside).startsWith("The cut"));
    EXPECT_EQ(bench.state().selected().size(), 1u);
}

TEST(HoldsJourney, TheGlueMapIsSeenAndAPartIsLeftFreeByDragging) {
    Bench bench;
    go_dressing(bench);
    press(bench, "Height");
    press(bench, "Glue map");
    bench.settle();
    const QImage map = bench.page().grab().toImage();
    press(bench, "Heights and foam");
    bench.settle();
    EXPECT_NE(map, bench.page().grab().toImage());
    bench.key(&bench.page(), Qt::Key_H, Qt::ControlModifier);
    const Point middle{60, 90};
    drag(bench, at(bench, middle), at(bench, middle + Point{20, 0}));
    bench.settle();
    ASSERT_EQ(bench.document().project().dress.free_parts.size(), 1u);
    EXPECT_NEAR(bench.document().project().dress.free_parts[0].radius, 20, 1.5);
    EXPECT_NEAR(bench.document().project().dress.free_parts[0].centre.x, 60, 1);
    const auto& places = bench.plan().dress.glue.cuts.at(0).places;
    EXPECT_TRUE(std::any_of(places.begin(), places.end(),
                            [](const GluePlace& g) { return g.when == GlueWhen::Never; }));
    // The next drag moves things again.
    drag(bench, at(bench, {20, 280}), at(bench, {40, 280}));
    EXPECT_EQ(bench.document().project().dress.free_parts.size(), 1u);
    press(bench, "None");
    bench.settle();
    EXPECT_TRUE(bench.document().project().dress.free_parts.empty());
}

TEST(HoldsJourney, WetWorkIsAddedShapedMovedAndRemoved) {
    Bench bench;
    go_dressing(bench);
    const Project before = bench.document().project();
    const std::size_t had = before.dress.wet.size();
    bench.key(&bench.page(), Qt::Key_W);
    bench.settle();
    ASSERT_EQ(bench.document().project().dress.wet.size(), had + 1);
    const auto zone = [&] { return bench.document().project().dress.wet.at(had); };
    EXPECT_GT(bench.plan().dress.wet.at(had).seen, 0.5) << "it begins where it will be seen";
    testing::type(bench, "How wide the wet work is", "1 in");
    bench.settle();
    EXPECT_NEAR(zone().width, 25.4, 1e-6);
    const Point there = zone().centre;
    drag(bench, at(bench, there), at(bench, there + Point{6, 8}));
    bench.settle();
    EXPECT_NEAR(zone().centre.x, there.x + 6, 1.5);
    bench.key(&bench.page(), Qt::Key_Left);
    EXPECT_LT(zone().centre.x, there.x + 6);
    for (auto* box : bench.window().findChildren<QComboBox*>())
        if (box->accessibleName() == "Its shape") box->setCurrentIndex(2);
    bench.settle();
    EXPECT_EQ(zone().shape, WetShape::CutMargin);
    EXPECT_GT(bench.plan().dress.wet.at(had).area, 10'000);
    press(bench, "Remove");
    bench.settle();
    EXPECT_EQ(bench.document().project().dress.wet.size(), had);
    undo_all(bench);
    EXPECT_TRUE(bench.document().project() == before);
}

TEST(HoldsJourney, DropOutsGoIntoTheDrawerAndOutAgain) {
    Bench bench;
    go_dressing(bench);
    const std::size_t had = bench.document().project().stash->embellishments.size();
    bench.key(&bench.page(), Qt::Key_D, Qt::ControlModifier | Qt::AltModifier);
    bench.settle();
    EXPECT_GT(bench.document().project().stash->embellishments.size(), had + 5);
    bench.document().undo();
    bench.settle();
    EXPECT_EQ(bench.document().project().stash->embellishments.size(), had);
}

TEST(HoldsJourney, AnEmbellishmentGetsItsOutlineFromAScan) {
    Bench bench;
    go_dressing(bench);
    press(bench, "Embellishments");
    bench.picture_answer = demo::file("scans/scrap.jpg");
    press(bench, "From a scan...");
    bench.settle();
    auto* name = [&]() -> QLineEdit* {
        for (auto* field : bench.window().findChildren<QLineEdit*>())
            if (field->accessibleName() == "Name of the new embellishment") return field;
        return nullptr;
    }();
    ASSERT_NE(name, nullptr);
    name->setText("Torn leaf");
    press(bench, "Add to drawer");
    bench.settle();
    const Embellishment& e = bench.document().project().stash->embellishments.back();
    EXPECT_EQ(e.name, "Torn leaf");
    EXPECT_GT(e.outline.outer.size(), 4u) << "not a mere rectangle";
    EXPECT_GT(bounds(e.outline).width(), 10);
    bench.picture_answer = demo::file("kite-hill.svg");
    const std::size_t had = bench.document().project().stash->embellishments.size();
    press(bench, "From a scan...");
    bench.settle();
    EXPECT_EQ(bench.document().project().stash->embellishments.size(), had)
        << "that is no picture, and is said";
}

TEST(HoldsJourney, ALateFrameSaysWhatItHides) {
    Bench bench;
    go_dressing(bench);
    press(bench, "Frame");
    auto* how = bench.window().findChild<QComboBox*>("late-frame");
    ASSERT_TRUE(how && how->isVisible());
    how->setCurrentIndex(2);
    bench.settle();
    EXPECT_EQ(bench.document().project().dress.frame.how, LateFraming::Over);
    testing::type(bench, "How wide the frame is all round", "1 1/2 in");
    testing::type(bench, "Frame at the lower left", "1/4 in");
    bench.settle();
    EXPECT_NEAR(bench.document().project().dress.frame.corners[3], mm_per_inch / 4, 1e-9);
    EXPECT_NEAR(bench.document().project().dress.frame.corners[1], 1.5 * mm_per_inch, 1e-9);
    auto* says = bench.window().findChild<QLabel*>("frame-says");
    EXPECT_TRUE(says->text().contains("Kite day")) << says->text().toStdString();
    EXPECT_TRUE(testing::told(bench, Code::FrameHides));
    how->setCurrentIndex(0);
    bench.settle();
    EXPECT_FALSE(testing::told(bench, Code::FrameHides));
}

TEST(HoldsJourney, VariantsArePutAsideComparedAndBroughtBackExactly) {
    Bench bench;
    go_dressing(bench);
    const Project before = bench.document().project();
    bench.key(&bench.page(), Qt::Key_A, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    ASSERT_EQ(bench.document().project().variants.size(), before.variants.size() + 1);
    const std::string name = bench.document().project().variants.back().name;
    const SetOutDecisions then = bench.document().project().set_out;
    bench.document().change("Move a photo", [](Project& p) { p.set_out.photos[0].centre.x -= 30; });
    bench.settle();
    bench.key(&bench.page(), Qt::Key_E, Qt::ControlModifier | Qt::AltModifier);
    auto* list = bench.window().findChild<QListWidget*>("variants");
    ASSERT_TRUE(list && list->isVisible());
    EXPECT_TRUE(QTest::qWaitFor([&] { return list->item(list->count() - 1)->text().contains("sheets"); },
                                patience_ms));
    bench.settle();
    EXPECT_TRUE(list->item(list->count() - 1)->text().contains("sq in of paper"))
        << list->item(list->count() - 1)->text().toStdString();
    EXPECT_FALSE(list->item(list->count() - 1)->icon().isNull());
    list->setCurrentRow(list->count() - 1);
    bench.key(&bench.page(), Qt::Key_E, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    EXPECT_EQ(bench.document().project().set_out, then);
    EXPECT_EQ(shown_variant(bench.document().project()), static_cast<int>(before.variants.size()));
    EXPECT_EQ(bench.document().project().variants.back().name, name);
    bench.document().undo();
    EXPECT_NE(bench.document().project().set_out, then);
    undo_all(bench);
    EXPECT_TRUE(bench.document().project() == before);
}

} // namespace zesty
