// Pieces, copies, own numbers, bundles, inserts and places that are clicked, in the real window.

#include "app/bench.h"
#include "core/project/own_numbers.h"
#include "io/own_numbers_file.h"
#include "support/demo.h"

#include <QCheckBox>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QSpinBox>
#include <QTest>
#include <gtest/gtest.h>

namespace zesty {

using testing::Bench;

TEST(SetOutJourney, PiecesAreLeftOutTakenAloneAndMadeACutOfTheirOwn) {
    Bench bench;
    bench.open(demo::project());
    press(bench, "Parts of it...");
    bench.settle();
    auto* list = bench.window().findChild<QListWidget*>("pieces");
    const std::size_t pieces = bench.plan().sections.cut->pieces.size();
    ASSERT_EQ(static_cast<std::size_t>(list->count()), pieces);
    const Point loose = bench.plan().sections.cut->pieces[1].box.centre();
    const auto click_at = [&](Point in_drawing) {
        QTest::mouseClick(&bench.page(), Qt::LeftButton, {},
                          at(bench, bench.plan().set_out.each[0].to_page(in_drawing)));
        bench.settle();
    };
    const Project before = bench.document().project();
    click_at(loose);
    ASSERT_EQ(list->selectedItems().size(), 1);
    EXPECT_EQ(list->row(list->selectedItems().front()), 1);
    press(bench, "Leave out");
    EXPECT_EQ(bench.plan().sections.cut->pieces.size(), pieces - 1);
    EXPECT_EQ(list->count(), static_cast<int>(pieces)) << "what is left out stays to be picked";
    press(bench, "Use again");
    EXPECT_TRUE(bench.document().project() == before);
    // With the keyboard: the first, and the one after it.
    list->setFocus();
    list->setCurrentRow(0);
    bench.key(list, Qt::Key_Right, Qt::ShiftModifier);
    ASSERT_EQ(list->selectedItems().size(), 2);
    press(bench, "Only these");
    EXPECT_EQ(bench.plan().sections.cut->pieces.size(), 2u);
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    const Box lay = bench.plan().set_out.whole.cut_box;
    click_at(loose);
    press(bench, "Make a cut of its own");
    bench.settle();
    ASSERT_EQ(bench.document().project().set_out.cuts.size(), 2u);
    EXPECT_EQ(bench.state().in_hand().cut(bench.document().project()), 1);
    EXPECT_EQ(bench.plan().sections.cut->pieces.size(), pieces);
    Box both = bench.plan().set_out.each[0].cut_box;
    both.add(bench.plan().set_out.each[1].cut_box);
    EXPECT_NEAR(both.x0, lay.x0, 1e-6);
    EXPECT_NEAR(both.y1, lay.y1, 1e-6);
    while (bench.document().history().canUndo()) bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_TRUE(bench.document().project() == before);
}

TEST(SetOutJourney, CopiesStandInACircleOrARowAndNeverOffThePage) {
    Bench bench;
    bench.open(demo::project());
    const Project before = bench.document().project();
    type(bench, "Turn in degrees", "0");
    press(bench, "Width");
    type(bench, "Border, width, height or gap to the frame", "2 in");
    bench.key(Qt::Key_F, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    bench.window().findChild<QSpinBox*>("copies-count")->setValue(5);
    press(bench, "Make the copies");
    bench.settle();
    ASSERT_EQ(bench.document().project().set_out.cuts.size(), 5u);
    for (const SetOut& s : bench.plan().set_out.each) EXPECT_GE(s.border, 0);
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    ASSERT_EQ(bench.document().project().set_out.cuts.size(), 1u) << "one step";
    // Too wide a circle is refused with the radius that fits.
    type(bench, "Radius of the circle", "7 in");
    bench.key(Qt::Key_F, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    EXPECT_EQ(bench.document().project().set_out.cuts.size(), 1u);
    EXPECT_TRUE(bench.window().findChild<QLabel*>("copies")->text().contains("is the most that fits"))
        << bench.window().findChild<QLabel*>("copies")->text().toStdString();
    press(bench, "In a row");
    type(bench, "From middle to middle", "2 1/4 in");
    type(bench, "How far every second copy is moved across the row", "1 in");
    press(bench, "Make the copies");
    bench.settle();
    ASSERT_EQ(bench.document().project().set_out.cuts.size(), 5u);
    const auto middle = [&](std::size_t k) { return bench.plan().set_out.each[k].cut_box.centre(); };
    EXPECT_NEAR(middle(1).x - middle(0).x, 2.25 * 25.4, 1e-6);
    EXPECT_NEAR(middle(1).y - middle(0).y, 25.4, 1e-6);
    EXPECT_NEAR(middle(2).y, middle(0).y, 1e-6);
    while (bench.document().history().canUndo()) bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_TRUE(bench.document().project() == before);
}

TEST(SetOutJourney, OwnNumbersChangeWhatIsSaidAndNewPagesBeginWithThem) {
    Bench bench;
    bench.open(demo::project());
    EXPECT_FALSE(told(bench, Code::DelicateBars));
    press(bench, "Numbers");
    type(bench, "Narrowest bar for: fine-tip glue", "2.5mm");
    EXPECT_TRUE(told(bench, Code::DelicateBars)) << "the thinnest is 1.9 mm";
    press(bench, "Use for new pages");
    const auto kept = read_own_numbers(bench.folder("numbers.json"));
    ASSERT_TRUE(kept);
    EXPECT_NEAR(kept->bars.glue, 2.5, 1e-9);
    press(bench, "Usual numbers");
    EXPECT_FALSE(told(bench, Code::DelicateBars));
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_TRUE(told(bench, Code::DelicateBars));
}

TEST(SetOutJourney, ANewWindowBeginsWithTheNumbersThatWereRemembered) {
    OwnNumbers own;
    own.usual.shadow = 3;
    own.cutting_mat.width = 250;
    Bench bench([&](const QString& home) { ASSERT_TRUE(write_own_numbers(own, home + "/numbers.json")); });
    EXPECT_TRUE(own_numbers_of(bench.document().project()) == own);
    EXPECT_FALSE(bench.document().changed());
    bench.open(demo::drawing());
    EXPECT_TRUE(own_numbers_of(bench.document().project()) == own);
}

TEST(SetOutJourney, ABundleShowsItsDrawingsAndAnotherOneIsTakenByKey) {
    Bench bench;
    bench.open(QString(ZESTY_DEMO_FOLDER) + "/../tests/samples/kite-and-bow.zip");
    bench.settle();
    auto* view = bench.window().findChild<QWidget*>("bundle");
    ASSERT_TRUE(view->isVisible());
    EXPECT_EQ(bench.plan().sections.cut->openings.size(), 2u) << "the best is on the page already";
    auto* list = view->findChild<QListWidget*>();
    ASSERT_EQ(list->count(), 2);
    bench.key(list, Qt::Key_Right);
    bench.key(list, Qt::Key_Return);
    bench.settle();
    EXPECT_FALSE(view->isVisible());
    EXPECT_EQ(bench.plan().sections.cut->openings.size(), 1u);
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(bench.plan().sections.cut->openings.size(), 2u);
}

TEST(SetOutJourney, APageBesideAnInsertKeepsItsCutWhereItLies) {
    Bench bench;
    bench.open(demo::project());
    const Box before = bench.plan().set_out.whole.cut_box;
    press(bench, "Page");
    for (QCheckBox* box : bench.window().findChildren<QCheckBox*>())
        if (box->text() == "Second page, gap") box->click();
    bench.settle();
    type(bench, "Width of the second page", "6 in");
    const Page& page = bench.document().project().set_out.page;
    EXPECT_NEAR(page.full_width(), 18 * 25.4, 1e-9);
    EXPECT_NEAR(bench.plan().set_out.whole.cut_box.x0, before.x0, 1e-6);
    EXPECT_NEAR(bench.plan().set_out.whole.cut_box.width(), before.width(), 1e-6);
    press(bench, "Same");
    EXPECT_FALSE(bench.document().project().set_out.page.unequal());
    EXPECT_NEAR(bench.plan().set_out.whole.cut_box.x0, before.x0, 1e-6);
    // A window typed as large as the base is caught, and the fix goes by the lip again.
    type(bench, "Width of the window in the frame", "11 1/2 in");
    type(bench, "Height of the window in the frame", "11 1/2 in");
    EXPECT_TRUE(told(bench, Code::NoFrameLip));
    press(bench, "Reset");
    EXPECT_FALSE(told(bench, Code::NoFrameLip));
    type(bench, "Date of the page", "2026-05-17");
    EXPECT_EQ(bench.document().project().set_out.date, "2026-05-17");
    type(bench, "Date of the page", "kite day");
    EXPECT_EQ(bench.document().project().set_out.date, "2026-05-17") << "no date, nothing changed";
}

TEST(SetOutJourney, RaysGoAboutAPlaceThatIsClickedAndTheBareBaseNeedsNoCut) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_2, Qt::ControlModifier);
    press(bench, "Divide");
    bench.settle();
    press(bench, "Rays");
    bench.click(10);
    press(bench, "Click it");
    const Point clicked{100, 120};
    QTest::mouseClick(&bench.page(), Qt::LeftButton, {}, at(bench, clicked));
    bench.settle();
    ASSERT_TRUE(bench.state().tools().middle());
    EXPECT_NEAR(bench.state().tools().middle()->x, clicked.x, 0.6);
    EXPECT_EQ(bench.state().selected(), std::set<int>{10}) << "it is no click on an opening";
    type(bench, "Middle, from the left", "4 in");
    bench.page().setFocus();
    bench.key(Qt::Key_D);
    bench.settle();
    const auto& divisions = bench.document().project().sections.divisions;
    ASSERT_EQ(divisions.size(), 1u);
    EXPECT_EQ(divisions.begin()->second.kind, Division::Kind::Rays);
    EXPECT_NE(divisions.begin()->second.at, (Point{0.5, 0.5}));
    bench.key(Qt::Key_1, Qt::ControlModifier);
    bench.key(Qt::Key_Delete, Qt::ShiftModifier);
    bench.settle();
    ASSERT_TRUE(bench.document().project().set_out.cuts.empty());
    bench.key(Qt::Key_2, Qt::ControlModifier);
    bench.settle();
    press(bench, "Divide the base");
    bench.settle();
    EXPECT_EQ(bench.plan().sections.all.size(), 3u);
    EXPECT_EQ(bench.plan().sections.patches.size(), 3u);
    for (const Waypoint w : {Waypoint::Papers, Waypoint::Sheets, Waypoint::SetOut}) {
        bench.state().go_to(w);
        bench.settle();
    }
    press(bench, "Pieces");
    bench.settle();
}

TEST(SetOutJourney, RoomsAreAddedAskedAboutAndPhotosGoIntoOpenings) {
    Bench bench;
    bench.open(demo::project());
    const Project before = bench.document().project();
    press(bench, "Room");
    type(bench, "Width of the room", "8 in");
    type(bench, "Height of the room", "6 in");
    press(bench, "Add room");
    ASSERT_EQ(bench.document().project().set_out.rooms.size(), 1u);
    bench.key(Qt::Key_L, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    const QString said = bench.window().findChild<QLabel*>("all-fit")->text();
    EXPECT_TRUE(said.startsWith("Title of 8 x 6 in and the cut of 11 in do not fit on the page"))
        << said.toStdString();
    press(bench, "Remove room");
    EXPECT_TRUE(bench.document().project().set_out.rooms.empty());
    for (int i = 0; i < 2; ++i) bench.key(Qt::Key_P, Qt::ControlModifier);
    bench.settle();
    press(bench, "Put all into openings");
    bench.settle();
    const auto& photos = bench.document().project().set_out.photos;
    ASSERT_EQ(photos.size(), 2u);
    EXPECT_NE(bench.plan().opening_at(photos[0].centre), bench.plan().opening_at(photos[1].centre));
    EXPECT_GE(bench.plan().opening_at(photos[0].centre), 0);
    while (bench.document().history().canUndo()) bench.document().undo();
    bench.settle();
    EXPECT_TRUE(bench.document().project() == before);
}

TEST(SetOutJourney, ASketchIsBroughtAndItsBoxesAreDrawnAndTakenOver) {
    Bench bench;
    bench.open(demo::project());
    const Project before = bench.document().project();
    bench.picture_answer = demo::file("photos/kite-day.png");
    bench.key(Qt::Key_K, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    ASSERT_TRUE(bench.document().project().set_out.sketch.picture);
    drag(bench, at(bench, {20, 20}), at(bench, {110, 150}));
    press(bench, "Title");
    drag(bench, at(bench, {150, 20}), at(bench, {280, 60}));
    const auto& sketch = [&]() -> const Sketch& { return bench.document().project().set_out.sketch; };
    ASSERT_EQ(sketch().boxes.size(), 2u);
    EXPECT_NEAR(sketch().boxes[0].box.width(), 90, 1.5);
    EXPECT_EQ(sketch().boxes[1].role, SketchRole::Title);
    EXPECT_TRUE(bench.document().project().set_out.cuts == before.set_out.cuts) << "drawing moves nothing";
    press(bench, "Use the boxes");
    EXPECT_EQ(bench.document().project().set_out.photos.size(), 1u);
    EXPECT_EQ(bench.document().project().set_out.rooms.size(), 1u);
    QTest::mouseClick(&bench.page(), Qt::LeftButton, {}, at(bench, {200, 40}));
    bench.settle();
    EXPECT_EQ(sketch().boxes.size(), 1u);
    bench.document().undo();
    bench.settle();
    EXPECT_EQ(sketch().boxes.size(), 2u);
    while (bench.document().history().canUndo()) bench.document().undo();
    bench.settle();
    EXPECT_TRUE(bench.document().project() == before);
}

} // namespace zesty
