// Set out and Sections in the real window: cuts, photos, sizes, divisions and ways, by mouse and keys.

#include "app/bench.h"
#include "app/sections/divide_part.h"
#include "app/sections/sections_panel.h"
#include "app/setout/ladder_chart.h"
#include "app/setout/set_out_panel.h"
#include "core/sections/grouping.h"
#include "support/demo.h"

#include <QCheckBox>
#include <QComboBox>
#include <QImage>
#include <QLineEdit>
#include <QPainter>
#include <QPushButton>
#include <QRadioButton>
#include <QSpinBox>
#include <QTest>
#include <gtest/gtest.h>

namespace zesty {

using testing::Bench;

TEST(SetOutJourney, AFrameIsSaidInTheNumbersOfATrimmer) {
    Bench bench;
    bench.open(demo::project());
    press(bench, "Page");
    type(bench, "Reveal of the frame", "1/2 in");
    auto* says = bench.window().findChild<QLabel*>("base");
    EXPECT_TRUE(
        says->text().startsWith("Trim 1/2 in off each side, 1 in in all each way: the base is 11 x 11 in."));
    type(bench, "Reveal at the right", "0");
    EXPECT_TRUE(told(bench, Code::OneSided));
    // The finding offers the even frame.
    press(bench, "Even frame of 1/4 in");
    EXPECT_EQ(bench.document().project().set_out.page.reveal, Sides::even(6.35));
    press(bench, "Strips");
    EXPECT_EQ(bench.document().project().set_out.page.frame, FrameKind::Strips);
    EXPECT_FALSE(bench.plan().set_out.frame.strips.empty());
    while (bench.document().history().canUndo()) bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(bench.document().project().set_out.page.frame, FrameKind::Whole);
}

TEST(SetOutJourney, CutsAreCopiedAddedTakenInHandAndTakenOff) {
    Bench bench;
    bench.open(demo::project());
    const Project start = bench.document().project();
    const std::size_t openings = bench.plan().sections.cut->openings.size();
    bench.key(Qt::Key_F, Qt::ControlModifier);
    bench.settle();
    ASSERT_EQ(bench.document().project().set_out.cuts.size(), 2u);
    EXPECT_TRUE(bench.document().project().set_out.cuts[1].place.mirrored);
    EXPECT_EQ(bench.plan().sections.cut->openings.size(), 2 * openings);
    EXPECT_EQ(bench.state().in_hand().cut(bench.document().project()), 1);
    bench.key(Qt::Key_PageDown);
    bench.settle();
    EXPECT_TRUE(bench.document().project().set_out.cuts[0].place.mirrored) << "it lies below now";
    bench.open_answer = demo::drawing();
    bench.key(Qt::Key_D, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    EXPECT_EQ(bench.document().project().set_out.cuts.size(), 3u);
    EXPECT_EQ(bench.document().project().set_out.drawings.size(), 1u) << "the same drawing is kept once";
    bench.key(Qt::Key_N);
    EXPECT_EQ(bench.state().in_hand().cut(bench.document().project()), 0);
    bench.key(Qt::Key_Delete, Qt::ShiftModifier);
    bench.settle();
    EXPECT_EQ(bench.document().project().set_out.cuts.size(), 2u);
    while (bench.document().history().canUndo()) bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_TRUE(bench.document().project() == start);
}

TEST(SetOutJourney, APhotoIsPutDraggedFittedAndHidesWork) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_P, Qt::ControlModifier);
    bench.settle();
    ASSERT_EQ(bench.document().project().set_out.photos.size(), 1u);
    EXPECT_EQ(bench.state().in_hand().photo(bench.document().project()), 0);
    const Point before = bench.document().project().set_out.photos[0].centre;
    const int steps = bench.document().history().count();
    drag(bench, at(bench, before), at(bench, before + Point{60, 35}));
    const Point after = bench.document().project().set_out.photos[0].centre;
    EXPECT_NEAR(after.x - before.x, 60, 1.5);
    EXPECT_NEAR(after.y - before.y, 35, 1.5);
    EXPECT_EQ(bench.document().history().count(), steps + 1) << "a drag is one step";
    EXPECT_FALSE(bench.plan().sections.hidden.openings.empty());
    EXPECT_TRUE(told(bench, Code::Hidden));
    // Over opening 11 it is fitted to it: as large as the opening has room for.
    const Point middle =
        bench.plan().set_out.whole.to_page(bench.plan().sections.cut->openings[10].label.centre);
    drag(bench, at(bench, after), at(bench, middle));
    press(bench, "Fit the photo");
    const Photo fitted = bench.document().project().set_out.photos[0];
    EXPECT_LT(fitted.width, 60);
    EXPECT_NEAR(fitted.height / fitted.width, 1.5, 1e-6);
    bench.key(Qt::Key_Delete, Qt::ShiftModifier);
    bench.settle();
    EXPECT_TRUE(bench.document().project().set_out.photos.empty());
}

TEST(SetOutJourney, SizesComeFromTheLadderABarOrAMeasuredLength) {
    Bench bench;
    bench.open(demo::project());
    press(bench, "Sizes");
    auto* ladder = bench.window().findChild<LadderChart*>();
    ASSERT_TRUE(ladder->about());
    ladder->setFocus();
    bench.key(ladder, Qt::Key_Left);
    bench.key(ladder, Qt::Key_Return);
    bench.settle();
    const double taken = ladder->about()->size;
    EXPECT_NEAR(std::max(bench.plan().set_out.whole.size.x, bench.plan().set_out.whole.size.y), taken, 1e-6);
    press(bench, "Foam");
    EXPECT_NEAR(bench.plan().set_out.whole.thinnest_bar, 25.4 / 8, 1e-6);
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    // The box of opening 1 is measured across and made 1 1/2 in wide.
    const auto box = [&] {
        const Opening& o = bench.plan().sections.cut->openings[10];
        Box b;
        for (Point p : o.outline.outer) b.add(bench.plan().set_out.whole.to_page(p));
        return b;
    };
    Point left{1e9, 0};
    Point right{-1e9, 0};
    for (Point p : bench.plan().sections.cut->openings[10].outline.outer) {
        const Point q = bench.plan().set_out.whole.to_page(p);
        if (q.x < left.x) left = q;
        if (q.x > right.x) right = q;
    }
    const double was = distance(left, right);
    drag(bench, at(bench, left), at(bench, right));
    ASSERT_TRUE(bench.state().tools().measured());
    EXPECT_NEAR(distance(bench.state().tools().measured()->first, bench.state().tools().measured()->second),
                was, 2.5);
    const double measured =
        distance(bench.state().tools().measured()->first, bench.state().tools().measured()->second);
    const double width = box().width();
    type(bench, "Length it should have", "2 in");
    EXPECT_NEAR(box().width(), width * 50.8 / measured, 0.5);
    EXPECT_FALSE(bench.state().tools().measured());
    press(bench, "How many fit?");
    EXPECT_TRUE(bench.window().findChild<QLabel*>("mat")->text().startsWith("Fit on the cutting mat: "));
    // The mat is on show with the cut on it, until Escape.
    ASSERT_TRUE(bench.state().cutting_mats());
    EXPECT_FALSE(bench.page().isVisible());
    bench.key(Qt::Key_Escape);
    EXPECT_FALSE(bench.state().cutting_mats());
    EXPECT_TRUE(bench.page().isVisible());
    type(bench, "Width of the cutting mat", "4 in");
    press(bench, "Show the cutting mats");
    EXPECT_TRUE(bench.window().findChild<QLabel*>("mat")->text().contains("larger than the cutting mat"));
}

TEST(SetOutJourney, PhotosComeBeforeTheCutAndInGrids) {
    Bench bench;
    press(bench, "Photos");
    press(bench, "Add photo");
    ASSERT_EQ(bench.document().project().set_out.photos.size(), 1u);
    // The page is there although no drawing is.
    const Point before = bench.document().project().set_out.photos[0].centre;
    drag(bench, at(bench, before), at(bench, before - Point{40, 20}));
    EXPECT_NEAR(bench.document().project().set_out.photos[0].centre.x, before.x - 40, 1.5);
    bench.key(Qt::Key_BracketRight);
    type(bench, "Tilt in degrees", "-4");
    EXPECT_EQ(bench.document().project().set_out.photos[0].turn_deg, -4);
    press(bench, "Behind the cuts");
    EXPECT_FALSE(bench.document().project().set_out.photos[0].on_top);
    press(bench, "A face");
    EXPECT_EQ(bench.document().project().set_out.photos[0].protected_parts.size(), 1u);
    press(bench, "Remove from page");
    EXPECT_TRUE(bench.document().project().set_out.photos.empty());
    for (QComboBox* c : bench.window().findChildren<QComboBox*>())
        if (c->accessibleName() == "Size of a new photo") c->setCurrentText("3 x 4 in");
    testing::click(testing::named(bench.window(), "add-grid"));
    bench.settle();
    EXPECT_EQ(bench.document().project().set_out.photos.size(), 3u);
    ASSERT_EQ(bench.plan().set_out.free_cells.size(), 1u);
    EXPECT_NEAR(bench.plan().set_out.free_cells[0].width(), 76.2, 1e-6);
    EXPECT_TRUE(bench.window().findChild<QLabel*>("prints")->text().startsWith("Order: 3 of 3 x 4 in"));
    EXPECT_TRUE(told(bench, Code::FreeCell));
}

TEST(SetOutJourney, ShadowsPapersForPiecesAndScansGoThroughTheirButtonsAndKeys) {
    Bench bench;
    bench.open(demo::project());
    press(bench, "Pieces");
    bench.settle();
    const std::size_t pieces = bench.plan().sections.cut->pieces.size();
    press(bench, "Add shadow");
    EXPECT_EQ(bench.document().project().set_out.cuts.size(), 2u);
    EXPECT_NEAR(bench.plan().set_out.each[0].cut_box.width(),
                bench.plan().set_out.each[1].cut_box.width() + 4, 0.1);
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    type(bench, "How much larger the shadow is, all round", "3mm");
    press(bench, "Add shadow");
    EXPECT_NEAR(bench.plan().set_out.each[0].cut_box.width(),
                bench.plan().set_out.each[1].cut_box.width() + 6, 0.1);
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    for (QCheckBox* box : bench.window().findChildren<QCheckBox*>())
        if (box->text() == "Cut the pieces from papers") box->click();
    bench.settle();
    EXPECT_EQ(bench.plan().sections.cut->openings.size(), 31u + pieces);
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    // A scan in which no square stands alone is refused, and the page stays as it was.
    const Project before = bench.document().project();
    QImage scan(300, 300, QImage::Format_RGB32);
    scan.fill(Qt::white);
    QPainter painter(&scan);
    painter.setBrush(Qt::black);
    painter.drawEllipse(50, 50, 200, 200);
    painter.end();
    scan.save(bench.folder("scan.png"));
    bench.open_answer = bench.folder("scan.png");
    bench.key(Qt::Key_T, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    EXPECT_TRUE(bench.message().contains("no square")) << bench.message().toStdString();
    EXPECT_TRUE(bench.document().project() == before);
    // With one it joins the page at its real size.
    painter.begin(&scan);
    painter.fillRect(5, 5, 40, 40, Qt::black);
    painter.end();
    scan.save(bench.folder("scan.png"));
    bench.key(Qt::Key_T, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    ASSERT_EQ(bench.document().project().set_out.cuts.size(), 2u);
    EXPECT_NEAR(bench.plan().set_out.each[1].cut_box.width(), 25.4 * 200 / 40, 2);
}

TEST(SetOutJourney, ADrawingWithoutASizeIsAskedForIt) {
    Bench bench;
    const QString path = bench.folder("pane.svg");
    QFile f(path);
    ASSERT_TRUE(f.open(QIODevice::WriteOnly));
    f.write("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 10 20'>"
            "<path fill-rule='evenodd' d='M0 0H10V20H0Z M2 2H8V18H2Z'/></svg>");
    f.close();
    bench.open(path);
    auto* question = bench.window().findChild<QFrame*>("ask-size");
    ASSERT_TRUE(question->isVisible());
    type(bench, "How long the cut is on its longer side", "5 in");
    EXPECT_FALSE(question->isVisible());
    EXPECT_NEAR(bench.plan().set_out.whole.size.y, 127, 1e-6);
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_NEAR(bench.plan().set_out.whole.size.y, 11 * 25.4, 1e-6) << "one step to undo";
    // One that says its size is not asked; a second one without is, and may be left as it is.
    bench.open(demo::drawing());
    EXPECT_FALSE(question->isVisible());
    bench.open_answer = path;
    bench.key(Qt::Key_D, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    ASSERT_TRUE(question->isVisible());
    const Project before = bench.document().project();
    press(bench, "Fill the page");
    EXPECT_FALSE(question->isVisible());
    EXPECT_TRUE(bench.document().project() == before);
}

TEST(SetOutJourney, PartsOfAPhotoAreMarkedByMouseAndKeys) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_P, Qt::ControlModifier);
    bench.settle();
    const auto photo = [&] { return bench.document().project().set_out.photos.at(0); };
    const Point middle = photo().centre;
    press(bench, "Mark");
    drag(bench, at(bench, middle + Point{-20, -40}), at(bench, middle + Point{10, 0}));
    ASSERT_EQ(photo().protected_parts.size(), 1u);
    EXPECT_NEAR(photo().protected_parts[0].x0, -20, 1.5);
    EXPECT_NEAR(photo().protected_parts[0].width(), 30, 1.5);
    EXPECT_EQ(photo().centre, middle) << "marking does not move it";
    const Box before = photo().protected_parts[0];
    bench.key(&bench.page(), Qt::Key_Right);
    bench.key(&bench.page(), Qt::Key_Down, Qt::ShiftModifier);
    EXPECT_NEAR(photo().protected_parts[0].x0, before.x0 + mm_per_inch / 16, 1e-9);
    EXPECT_NEAR(photo().protected_parts[0].height(), before.height() + mm_per_inch / 16, 1e-9);
    bench.settle();
    QTest::mouseClick(&bench.page(), Qt::LeftButton, {}, at(bench, middle + Point{-5, -20}));
    bench.settle();
    EXPECT_TRUE(photo().protected_parts.empty());
    press(bench, "A face");
    EXPECT_EQ(photo().protected_parts.size(), 1u);
    press(bench, "None");
    EXPECT_TRUE(photo().protected_parts.empty());
    press(bench, "Mark");
    drag(bench, at(bench, middle), at(bench, middle + Point{10, 0}));
    EXPECT_NEAR(photo().centre.x, middle.x + 10, 1.5) << "moved again";
}

} // namespace zesty
