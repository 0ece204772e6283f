// Whole journeys through the real window with mouse and keys.

#include "app/bench.h"
#include "app/bench/second_look.h"
#include "app/sheets/sheets_panel.h"
#include "app/sheets/sheets_view.h"
#include "io/project_file.h"
#include "support/demo.h"

#include <QApplication>
#include <QFile>
#include <QLineEdit>
#include <QMimeData>
#include <QPushButton>
#include <QSlider>
#include <QTest>
#include <gtest/gtest.h>

namespace zesty {

using testing::Bench;

namespace {

void open_drawing_and_papers(Bench& bench) {
    bench.open_answer = demo::drawing();
    bench.key(Qt::Key_O, Qt::ControlModifier);
    bench.settle();
    ASSERT_TRUE(bench.state().plan()->sections.cut);
    bench.papers_answer = {demo::stash()};
    bench.key(Qt::Key_O, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    EXPECT_EQ(bench.plan().papers.uses.size(), 8u);
}

/// By the field, and by pulling the slider, which is one step however often it moves.
void size_the_cut(Bench& bench) {
    const QUndoStack& history = bench.document().history();
    auto* length = bench.window().findChild<QLineEdit*>("length");
    length->setFocus();
    length->selectAll();
    QTest::keyClicks(length, "3/4 in");
    bench.key(length, Qt::Key_Return);
    bench.settle();
    EXPECT_NEAR(bench.document().project().set_out.cuts.front().place.length, 19.05, 1e-9);
    EXPECT_NEAR(bench.plan().set_out.whole.cut_box.y0, 19.05, 1e-6);
    const int before = history.count();
    auto* slider = bench.window().findChild<QSlider*>("size");
    emit slider->sliderPressed();
    for (int v = 250; v > 200; v -= 5) {
        slider->setValue(v);
        QApplication::processEvents();
    }
    emit slider->sliderReleased();
    bench.settle();
    EXPECT_EQ(history.count(), before + 1);
    EXPECT_NEAR(
        std::max(bench.plan().set_out.whole.cut_box.width(), bench.plan().set_out.whole.cut_box.height()),
        205, 1.5);
}

void group_two_openings(Bench& bench) {
    bench.key(Qt::Key_2, Qt::ControlModifier);
    bench.click(21);
    bench.click(22, Qt::ShiftModifier);
    EXPECT_EQ(bench.state().selected(), (std::set<int>{21, 22}));
    bench.key(Qt::Key_G);
    bench.settle();
    EXPECT_EQ(bench.plan().sections.all.size(), 30u);
}

/// By dragging from the drawer, and by keyboard.
void give_papers(Bench& bench) {
    bench.key(Qt::Key_3, Qt::ControlModifier);
    bench.state().select({});
    bench.drop_paper("barley", 3);
    bench.settle();
    EXPECT_EQ(bench.document().project().match.choice(3).paper, "barley");
    EXPECT_TRUE(bench.document().project().match.choice(3).locked);
    bench.click(21);
    auto* drawer = bench.window().findChild<Drawer*>("drawer");
    drawer->swatch(5)->setFocus();
    bench.key(drawer->swatch(5), Qt::Key_Return);
    bench.settle();
    EXPECT_EQ(bench.document().project().match.choice(21).paper, "brick-dust");
    EXPECT_NE(drawer->swatch(5)->status().indexOf("1 here"), -1);
    EXPECT_GT(bench.plan().papers.uses[5].used_area, 0);
}

/// Stopped, nothing changes; then taken.
void propose_and_take(Bench& bench) {
    const Project untouched = bench.document().project();
    bench.key(Qt::Key_P);
    EXPECT_TRUE(bench.window().worker().proposing());
    bench.key(Qt::Key_Escape);
    bench.settle();
    EXPECT_FALSE(bench.state().offers().shown());
    EXPECT_TRUE(bench.document().project() == untouched);

    bench.key(Qt::Key_P);
    bench.settle();
    ASSERT_TRUE(bench.state().offers().shown());
    EXPECT_TRUE(bench.document().project() == untouched) << "nothing is decided until it is taken";
    bench.key(Qt::Key_Return, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(bench.document().project().match.choice(3).paper, "barley") << "given by hand stays";
    EXPECT_TRUE(bench.plan().sheets.short_patches.empty());
}

void undo_and_redo_everything(Bench& bench) {
    const QUndoStack& history = bench.document().history();
    const Project done = bench.document().project();
    const int steps = history.count();
    ASSERT_GT(steps, 6);
    while (history.canUndo()) bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_TRUE(as_kept(bench.document().project()) == Project{});
    while (history.canRedo()) bench.key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    EXPECT_TRUE(bench.document().project() == done);
}

void save_and_open_again(Bench& bench) {
    const Project done = bench.document().project();
    bench.save_answer = bench.folder("kite.zesty");
    bench.key(Qt::Key_S, Qt::ControlModifier);
    bench.settle();
    EXPECT_FALSE(bench.document().changed());
    EXPECT_EQ(bench.message(), "Saved.");
    bench.open(bench.folder("kite.zesty"));
    EXPECT_TRUE(bench.document().project() == done);
    EXPECT_EQ(bench.document().path(), bench.folder("kite.zesty"));
}

} // namespace

TEST(Journey, FromADrawingToASavedPageAndBack) {
    Bench bench;
    open_drawing_and_papers(bench);
    if (HasFatalFailure()) return;
    size_the_cut(bench);
    group_two_openings(bench);
    give_papers(bench);
    propose_and_take(bench);
    if (HasFatalFailure()) return;
    undo_and_redo_everything(bench);
    save_and_open_again(bench);
}

// How long the window's thread is ever blocked is measured in bench/window_gaps.cpp; here it is enough that
// nothing is worked out while an edit is made.
TEST(Journey, WhatAnEditComesToIsWorkedOutAfterTheWindowHasTakenIt) {
    Bench bench;
    bench.open(demo::project());
    std::shared_ptr<const Plan> before = bench.state().own_plan();
    for (const auto& edit : std::initializer_list<std::function<void(Project&)>>{
             [](Project& p) { p.set_out.cuts.front().place.length = 15; },
             [](Project& p) { p.sections.lip = 2; },
             [](Project& p) { p.match.choices[Spot(2)].paper = "barley"; },
             [](Project& p) { p.sheets.blade_gap = 1; }}) {
        bench.document().change("Try", edit);
        EXPECT_FALSE(bench.window().settled());
        EXPECT_EQ(bench.state().own_plan(), before) << "the last good plan stays until the next is complete";
        bench.settle();
        EXPECT_NE(bench.state().own_plan(), before);
        before = bench.state().own_plan();
    }
}

TEST(Journey, TheDemoByKeyboardAlone) {
    Bench bench;
    bench.open(demo::project());
    auto* route = bench.window().findChild<RouteBar*>();
    EXPECT_EQ(route->answer(Waypoint::Papers), "1 patch short");
    bench.key(Qt::Key_Tab, Qt::ControlModifier);
    EXPECT_EQ(bench.state().waypoint(), Waypoint::Sections);
    // Walk to the second opening, take its twins, leave them open.
    bench.page().setFocus();
    bench.key(Qt::Key_Right);
    EXPECT_EQ(bench.state().selected().size(), 1u);
    const int first = *bench.state().selected().begin();
    bench.key(Qt::Key_Down);
    EXPECT_NE(*bench.state().selected().begin(), first);
    bench.key(Qt::Key_Down, Qt::ShiftModifier);
    EXPECT_EQ(bench.state().selected().size(), 2u);
    bench.key(Qt::Key_O);
    bench.settle();
    EXPECT_EQ(route->answer(Waypoint::Sections), "26 sections, 3 left open");
    bench.key(Qt::Key_B);
    bench.settle();
    EXPECT_EQ(route->answer(Waypoint::Sections), "26 sections, 1 left open");
    bench.key(Qt::Key_Escape);
    EXPECT_TRUE(bench.state().selected().empty());
    // Papers: the proposal solves it.
    bench.key(Qt::Key_3, Qt::ControlModifier);
    bench.key(Qt::Key_P);
    bench.settle();
    bench.key(Qt::Key_Return, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(route->answer(Waypoint::Papers), "every patch fits");
    bench.key(Qt::Key_4, Qt::ControlModifier);
    auto* sheets = bench.window().findChild<SheetsView*>("sheets");
    bench.key(sheets, Qt::Key_Right);
    EXPECT_EQ(bench.state().selected().size(), 1u);
    bench.folder_answer = bench.folder("out");
    bench.key(Qt::Key_E, Qt::ControlModifier);
    bench.settle();
    EXPECT_TRUE(QFile::exists(bench.folder("out/guide.pdf")));
}

TEST(Journey, AFindingGoesToItsPlaceAndItsButtonSettlesIt) {
    Bench bench;
    bench.open(demo::project());
    ASSERT_EQ(bench.plan().sheets.short_patches.size(), 1u);
    auto* card = bench.window().findChild<QWidget*>("finding-short");
    ASSERT_NE(card, nullptr);
    QTest::mouseClick(card, Qt::LeftButton, {}, QPoint(20, 8));
    EXPECT_EQ(bench.state().selected().size(), 1u);
    auto* fix = card->findChild<QPushButton*>("fix");
    ASSERT_NE(fix, nullptr);
    QTest::mouseClick(fix, Qt::LeftButton);
    bench.settle();
    EXPECT_TRUE(bench.plan().sheets.short_patches.empty());
    EXPECT_TRUE(bench.document().history().canUndo());
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(bench.plan().sheets.short_patches.size(), 1u);
}

TEST(Journey, TheCutIsMovedAndSizedOnThePage) {
    Bench bench;
    bench.open(demo::project());
    PageView& page = bench.page();
    const Box before = bench.plan().set_out.whole.cut_box;
    const QPoint middle = page.map()(before.centre()).toPoint();
    QTest::mousePress(&page, Qt::LeftButton, {}, middle);
    for (int i = 1; i <= 5; ++i) {
        QMouseEvent move(QEvent::MouseMove, middle + QPoint(4 * i, -2 * i),
                         page.mapToGlobal(middle + QPoint(4 * i, -2 * i)), Qt::NoButton, Qt::LeftButton,
                         Qt::NoModifier);
        QApplication::sendEvent(&page, &move);
    }
    QTest::mouseRelease(&page, Qt::LeftButton, {}, middle + QPoint(20, -10));
    bench.settle();
    EXPECT_EQ(bench.document().history().count(), 1);
    EXPECT_NEAR(bench.plan().set_out.whole.cut_box.x0 - before.x0, 20 / page.map().scale, 0.5);
    EXPECT_NEAR(bench.plan().set_out.whole.cut_box.y0 - before.y0, -10 / page.map().scale, 0.5);
    bench.key(&page, Qt::Key_C);
    bench.settle();
    EXPECT_NEAR(bench.plan().set_out.whole.cut_box.x0, before.x0, 1e-6);
    const QPoint corner = page.map()(Point{before.x1, before.y1}).toPoint();
    QTest::mousePress(&page, Qt::LeftButton, {}, corner);
    const QPoint inwards = corner + (page.map()(before.centre()).toPoint() - corner) / 2;
    QMouseEvent move(QEvent::MouseMove, inwards, page.mapToGlobal(inwards), Qt::NoButton, Qt::LeftButton,
                     Qt::NoModifier);
    QApplication::sendEvent(&page, &move);
    QTest::mouseRelease(&page, Qt::LeftButton, {}, inwards);
    bench.settle();
    EXPECT_NEAR(bench.plan().set_out.whole.cut_box.width(), before.width() / 2, 2);
    bench.key(&page, Qt::Key_Left);
    bench.settle();
    EXPECT_NEAR(bench.document().project().set_out.cuts.front().place.shift.x, -25.4 / 16, 1e-9);
    bench.key(&page, Qt::Key_BracketRight);
    bench.key(&page, Qt::Key_M);
    bench.settle();
    EXPECT_EQ(bench.document().project().set_out.cuts.front().place.turn_deg, 15);
    EXPECT_TRUE(bench.document().project().set_out.cuts.front().place.mirrored);
}

TEST(Journey, ZoomAndPanKeepThePlaceUnderThePointer) {
    Bench bench;
    bench.open(demo::project());
    PageView& page = bench.page();
    const QPointF at(300, 260);
    const Point under = page.map().back(at);
    QWheelEvent wheel(at, page.mapToGlobal(at), {}, QPoint(0, 240), Qt::NoButton, Qt::NoModifier,
                      Qt::NoScrollPhase, false);
    QApplication::sendEvent(&page, &wheel);
    EXPECT_NEAR(page.map().back(at).x, under.x, 1e-6);
    const double closer = page.map().scale;
    bench.key(&page, Qt::Key_F);
    EXPECT_LT(page.map().scale, closer);
    bench.key(&page, Qt::Key_Plus);
    bench.key(&page, Qt::Key_1);
    EXPECT_NEAR(page.map().scale, page.screen()->physicalDotsPerInch() / 25.4, 0.01);
}

TEST(Journey, BadFilesSaySoAndChangeNothing) {
    Bench bench;
    bench.open(demo::project());
    const Project before = bench.document().project();
    QFile junk(bench.folder("junk.svg"));
    ASSERT_TRUE(junk.open(QIODevice::WriteOnly));
    junk.write("junk");
    junk.close();
    QFile::copy(bench.folder("junk.svg"), bench.folder("junk.zesty"));
    QFile::copy(bench.folder("junk.svg"), bench.folder("junk.json"));
    for (const char* name : {"junk.svg", "junk.zesty", "junk.json", "none.svg"}) {
        bench.open(bench.folder(name));
        EXPECT_TRUE(bench.message().contains(name)) << bench.message().toStdString();
        EXPECT_TRUE(bench.document().project() == before);
    }
    bench.save_answer = bench.folder("no/folder/x.zesty");
    bench.key(Qt::Key_S, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    EXPECT_TRUE(bench.message().contains("no such folder"));
}

TEST(Journey, ADroppedDrawingIsOpenedAndUnsavedChangesAreAskedAbout) {
    Bench bench;
    QMimeData mime;
    mime.setUrls({QUrl::fromLocalFile(demo::drawing())});
    QDragEnterEvent enter(QPoint(200, 300), Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&bench.window(), &enter);
    EXPECT_TRUE(enter.isAccepted());
    QDropEvent drop(QPointF(200, 300), Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&bench.window(), &drop);
    bench.settle();
    EXPECT_EQ(bench.plan().sections.cut->openings.size(), 31u);
    EXPECT_TRUE(bench.document().changed());
    bench.discard_answer = false;
    bench.open(demo::project());
    EXPECT_EQ(bench.discard_asked, 1);
    EXPECT_EQ(bench.document().path(), "");
    EXPECT_FALSE(bench.window().close());
    bench.discard_answer = true;
    bench.open(demo::project());
    EXPECT_FALSE(bench.document().changed());
    EXPECT_TRUE(bench.window().close());
}

TEST(Journey, PointingAtASheetLightsTheOpeningAndTheOtherWayRound) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_4, Qt::ControlModifier);
    QApplication::processEvents();
    auto* sheets = bench.window().findChild<SheetsView*>("sheets");
    const Plan& plan = bench.plan();
    int checked = 0;
    for (const SheetCard& place : sheets->places())
        for (int patch : plan.sheets.used[place.used].patches) {
            const Circle& c = plan.sections.cut->openings[plan.sections.patches[patch].opening].label;
            const Point at = (plan.sheets.placed[patch].to_sheet() * plan.set_out.whole.to_page)(c.centre);
            const QPointF pixel(place.origin.x() + at.x * place.scale, place.origin.y() + at.y * place.scale);
            QMouseEvent move(QEvent::MouseMove, pixel, sheets->mapToGlobal(pixel), Qt::NoButton, Qt::NoButton,
                             Qt::NoModifier);
            QApplication::sendEvent(sheets, &move);
            EXPECT_EQ(bench.state().hovered(), plan.sections.patches[patch].opening);
            ++checked;
        }
    EXPECT_GT(checked, 20);
}

TEST(Journey, NothingIsCutOffAtTheSmallestSize) {
    Bench bench;
    bench.open(demo::project());
    bench.window().resize(1100, 700);
    for (int i = 0; i <= waypoints; ++i) {
        bench.state().go_to(i == waypoints ? Waypoint::Sheets : static_cast<Waypoint>(i));
        if (i == waypoints) bench.window().findChild<SheetsPanel*>()->choose(SheetsPanel::Leftovers);
        QApplication::processEvents();
        for (QPushButton* b : bench.window().findChildren<QPushButton*>()) {
            if (!b->isVisible() || b->text().isEmpty()) continue;
            EXPECT_GE(b->width() + 1, b->sizeHint().width())
                << b->text().toStdString() << " at waypoint " << i;
            EXPECT_GE(b->height() + 1, b->fontMetrics().height()) << b->text().toStdString();
        }
    }
}

} // namespace zesty
