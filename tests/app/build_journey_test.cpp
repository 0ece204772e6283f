// The work at the bench: steps by mouse and keys, habits, sittings, the machine, lists.

#include "app/bench.h"
#include "app/bench/rows.h"
#include "app/build/build_desk.h"
#include "app/build/build_panel.h"
#include "support/demo.h"
#include "support/patience.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QFileInfo>
#include <QLabel>
#include <QLineEdit>
#include <QSpinBox>
#include <QTest>
#include <QTextBrowser>
#include <gtest/gtest.h>

namespace zesty {

using testing::Bench;
using testing::press;

namespace {

QString label(Bench& bench, const char* name) {
    return bench.window().findChild<QLabel*>(name)->text();
}

BuildPanel& panel(Bench& bench) {
    return *bench.window().findChild<BuildPanel*>();
}

Rows& rows(Bench& bench, const char* name) {
    return *bench.window().findChild<Rows*>(name);
}

template <class Field> Field& field(Bench& bench, const char* accessible_name) {
    for (Field* f : bench.window().findChildren<Field*>())
        if (f->accessibleName() == accessible_name && f->isVisible()) return *f;
    ADD_FAILURE() << accessible_name << " is not there";
    std::abort();
}

void choose(QComboBox& box, const QString& begins) {
    for (int i = 0; i < box.count(); ++i)
        if (box.itemText(i).contains(begins)) return box.setCurrentIndex(i);
    ADD_FAILURE() << begins.toStdString() << " is no choice";
}

bool wait_for(const std::function<bool()>& done) {
    return QTest::qWaitFor(done, patience_ms);
}

bool has_button(Bench& bench, const char* text) {
    const auto all = bench.window().findChildren<QPushButton*>();
    return std::any_of(all.begin(), all.end(), [&](auto* b) { return b->isVisible() && b->text() == text; });
}

QString log_of(Bench& bench, const char* key) {
    const auto& log = bench.document().project().build.log;
    const auto at = log.find(key);
    if (at == log.end()) return "nothing";
    return at->second.done > 0      ? "done"
           : at->second.running > 0 ? "running"
           : at->second.worked > 0  ? "paused"
                                    : "known";
}

} // namespace

TEST(BuildJourney, StepsAreStartedPausedTickedOffAndUndoneByMouseAndKeys) {
    Bench bench;
    bench.open(demo::file("kite-hill-dressed.zesty"));
    std::int64_t now = 1'796'000'000;
    bench.settings().set_clock([&now] { return now; });
    bench.key(Qt::Key_6, Qt::ControlModifier);
    bench.settle();
    EXPECT_FALSE(bench.window().findChild<Drawer*>()->isVisible()) << "the tape is there instead";
    EXPECT_EQ(label(bench, "step-what"), "Cut the cut by machine");
    EXPECT_GT(rows(bench, "steps").count(), 30);
    press(bench, "Start");
    bench.settle();
    EXPECT_EQ(log_of(bench, "cut:"), "running");
    now += 120;
    press(bench, "Pause");
    bench.settle();
    EXPECT_EQ(log_of(bench, "cut:"), "paused");
    EXPECT_TRUE(has_button(bench, "Go on"));
    auto* view = bench.window().findChild<QWidget*>("step-view");
    view->setFocus();
    bench.key(view, Qt::Key_Space);
    bench.settle();
    EXPECT_EQ(log_of(bench, "cut:"), "done");
    EXPECT_NE(label(bench, "step-what"), "Cut the cut by machine") << "the next one is on show";
    EXPECT_TRUE(label(bench, "step-meanwhile").contains("The machine cuts until"));
    EXPECT_TRUE(bench.window().findChild<RouteBar*>()->answer(Waypoint::Build).startsWith("1 of 40 done"));
    bench.key(view, Qt::Key_Left);
    bench.key(view, Qt::Key_Left);
    EXPECT_EQ(label(bench, "step-what"), "Cut the cut by machine");
    press(bench, "Take the tick off");
    bench.settle();
    EXPECT_EQ(log_of(bench, "cut:"), "paused");
    while (bench.document().history().canUndo()) bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_TRUE(bench.document().project().build.log.empty());
    EXPECT_TRUE(bench.window().findChild<RouteBar*>()->answer(Waypoint::Build).startsWith("40 steps"));
    rows(bench, "steps").setCurrentRow(3);
    const QString fourth = rows(bench, "steps").item(3)->toolTip();
    EXPECT_EQ(label(bench, "step-what"), fourth);
    press(bench, "Not now");
    EXPECT_NE(label(bench, "step-what"), fourth);
}

TEST(BuildJourney, AnEditWhileAProposalIsOnShowLeavesTheStepsOfTheirOwnPage) {
    Bench bench;
    bench.open(demo::file("kite-hill-dressed.zesty"));
    bench.key(Qt::Key_6, Qt::ControlModifier);
    bench.settle();
    bench.key(Qt::Key_P);
    bench.settle();
    ASSERT_TRUE(bench.state().offers().shown());
    const auto& desk = *bench.window().findChild<BuildDesk*>();
    const std::size_t before = desk.project().dress.wet.size();
    // The proposal goes, and the plan is that of the page before the edit until the next one is there.
    bench.document().change("Add wet work", [](Project& p) { p.dress.wet.emplace_back().centre = {60, 60}; });
    EXPECT_EQ(desk.plan().dress.wet.size(), desk.project().dress.wet.size());
    EXPECT_EQ(desk.project().dress.wet.size(), before);
    bench.settle();
    EXPECT_EQ(desk.plan().dress.wet.size(), before + 1);
    EXPECT_EQ(desk.project().dress.wet.size(), before + 1);
}

TEST(BuildJourney, TheStepStandsAloneAndLargeUntilEscape) {
    Bench bench;
    bench.open(demo::file("kite-hill-dressed.zesty"));
    bench.key(Qt::Key_F11);
    bench.settle();
    EXPECT_EQ(bench.state().waypoint(), Waypoint::Build);
    EXPECT_FALSE(panel(bench).isVisible());
    EXPECT_FALSE(bench.window().findChild<RouteBar*>()->isVisible());
    EXPECT_TRUE(bench.window().findChild<QWidget*>("step-view")->isVisible());
    bench.key(Qt::Key_Escape);
    EXPECT_TRUE(panel(bench).isVisible());
    EXPECT_TRUE(bench.window().findChild<RouteBar*>()->isVisible());
    bench.key(Qt::Key_1, Qt::ControlModifier);
    EXPECT_TRUE(bench.window().findChild<Drawer*>()->isVisible());
    for (int i = 0; i < waypoints; ++i) bench.key(Qt::Key_Tab, Qt::ControlModifier);
    EXPECT_EQ(bench.state().waypoint(), Waypoint::SetOut) << "once round";
}

TEST(BuildJourney, HabitsOwnStepsRemindersAndSittingsChangeThePlanOfTheWork) {
    Bench bench;
    bench.open(demo::file("kite-hill-dressed.zesty"));
    bench.state().go_to(Waypoint::Build);
    panel(bench).choose(BuildPanel::Habits);
    bench.settle();
    choose(field<QComboBox>(bench, "What comes first"), "lay the photos down");
    bench.settle();
    EXPECT_EQ(bench.document().project().build.habits.first, FirstWork::Photos);
    EXPECT_TRUE(label(bench, "habit-changes").contains("which openings need no patch"));
    field<QLineEdit>(bench, "What the own step is").setText("Press the kite under books");
    field<QSpinBox>(bench, "Minutes of work of the own step").setValue(3);
    field<QSpinBox>(bench, "Minutes the own step has to wait after that").setValue(60);
    choose(field<QComboBox>(bench, "The step that waits for it"), "Look at it once more");
    press(bench, "Add step");
    bench.settle();
    ASSERT_EQ(bench.document().project().build.own_steps.size(), 1u);
    EXPECT_EQ(bench.document().project().build.own_steps[0].before, "finish");
    field<QLineEdit>(bench, "What the own step is").setText("Date on the back");
    press(bench, "Remind me at the end");
    bench.settle();
    EXPECT_EQ(bench.document().project().build.reminders, std::vector<std::string>{"Date on the back"});
    rows(bench, "own-steps").setCurrentRow(1);
    press(bench, "Remove");
    bench.settle();
    EXPECT_TRUE(bench.document().project().build.reminders.empty());
    EXPECT_EQ(bench.document().project().build.own_steps.size(), 1u);
    panel(bench).choose(BuildPanel::Time);
    bench.key(Qt::Key_S, Qt::ControlModifier | Qt::AltModifier);
    field<QSpinBox>(bench, "How long a sitting is").setValue(45);
    bench.key(Qt::Key_S, Qt::ControlModifier | Qt::AltModifier);
    bench.settle();
    ASSERT_EQ(bench.document().project().build.sittings.size(), 2u);
    EXPECT_EQ(bench.document().project().build.sittings[1].minutes, 45);
    panel(bench).choose(BuildPanel::Lists);
    bench.settle();
    const QString lists = bench.window().findChild<QTextBrowser*>("lists-view")->toPlainText();
    for (const char* part : {"To get", "Papers", "Adhesives", "Foam", "Sitting 1", "Sitting 2", "Trimmer"})
        EXPECT_TRUE(lists.contains(part)) << part;
    press(bench, "Would one more sheet help?");
    bench.settle();
    EXPECT_TRUE(bench.window()
                    .findChild<QTextBrowser*>("lists-view")
                    ->toPlainText()
                    .contains("Gull Print, 12 x 12 in"));
}

TEST(BuildJourney, TheMachineCutsPausesGoesOnAndAnswersForItsFaults) {
    Bench bench;
    bench.settings().set_machine_speed(60);
    bench.open(demo::file("kite-hill-dressed.zesty"));
    bench.state().go_to(Waypoint::Build);
    panel(bench).choose(BuildPanel::Cutting);
    bench.settle();
    ASSERT_GT(rows(bench, "cutting-jobs").count(), 8);
    rows(bench, "cutting-jobs").setCurrentRow(1);
    press(bench, "Connect");
    ASSERT_TRUE(wait_for([&] { return has_button(bench, "Cut"); }));
    press(bench, "Cut");
    ASSERT_TRUE(wait_for([&] { return label(bench, "machine-says").contains("All contours are cut"); }));
    rows(bench, "cutting-jobs").setCurrentRow(0);
    press(bench, "Cut");
    ASSERT_TRUE(wait_for([&] { return has_button(bench, "Pause"); }));
    press(bench, "Pause");
    ASSERT_TRUE(wait_for([&] { return has_button(bench, "Go on"); }));
    EXPECT_TRUE(label(bench, "machine-says").contains("of 35 contours are cut"));
    press(bench, "Go on");
    ASSERT_TRUE(wait_for([&] { return label(bench, "machine-says").contains("All contours are cut"); }));
    // On new paper, with a test piece to look at first.
    press(bench, "New paper");
    ASSERT_TRUE(wait_for([&] { return label(bench, "machine-says").contains("test piece is cut"); }));
    ASSERT_TRUE(wait_for([&] { return label(bench, "machine-says").contains("0 of 35"); }));
    choose(field<QComboBox>(bench, "At sharp corners"), "swivel");
    bench.settle();
    EXPECT_EQ(bench.document().project().build.cutting.corners, Corners::Swivel);
}

TEST(BuildJourney, TheTapeAndTheTimeThereIsFollowTheHands) {
    Bench bench;
    bench.open(demo::file("kite-hill-dressed.zesty"));
    bench.settings().set_clock([] { return std::int64_t{1'796'000'000}; });
    bench.state().go_to(Waypoint::Build);
    bench.settle();
    const QString alone = bench.window().findChild<RouteBar*>()->answer(Waypoint::Build);
    field<QSpinBox>(bench, "Pairs of hands").setValue(2);
    bench.settle();
    EXPECT_EQ(bench.document().project().build.pairs, 2);
    EXPECT_NE(bench.window().findChild<RouteBar*>()->answer(Waypoint::Build), alone) << "two are done sooner";
    field<QSpinBox>(bench, "Minutes there are").setValue(1);
    bench.settle();
    EXPECT_TRUE(label(bench, "what-now").contains("No step can be begun and finished in 1 min"));
    field<QSpinBox>(bench, "Minutes there are").setValue(60);
    bench.settle();
    EXPECT_TRUE(label(bench, "what-now").contains("fits into 60 min"));
    auto* tape = bench.window().findChild<QWidget*>("tape");
    ASSERT_TRUE(tape->isVisible());
    QTest::mouseClick(tape, Qt::LeftButton, {}, {tape->width() - 24, tape->height() / 2});
    EXPECT_TRUE(label(bench, "step-what").startsWith("Look at it once more")) << "the last on the tape";
    QTest::mouseClick(tape, Qt::LeftButton, {}, {tape->width() / 8, tape->height() / 2});
    EXPECT_FALSE(label(bench, "step-what").startsWith("Look at it once more"));
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(bench.document().project().build.pairs, 1);
}

TEST(BuildJourney, WhatHasDriedIsNamedOnceAndTheOwnPaceIsTakenOver) {
    Bench bench;
    bench.open(demo::file("kite-hill-dressed.zesty"));
    std::int64_t now = 1'796'000'000;
    bench.settings().set_clock([&now] { return now; });
    bench.state().go_to(Waypoint::Build);
    bench.settle();
    auto& list = rows(bench, "steps");
    for (int i = 0; i < list.count(); ++i)
        if (list.item(i)->toolTip() == "Put Gusts on the base") list.setCurrentRow(i);
    ASSERT_EQ(label(bench, "step-what"), "Put Gusts on the base");
    press(bench, "Start");
    bench.settle();
    now += 12 * 60;
    press(bench, "Done, next step");
    bench.settle();
    EXPECT_TRUE(label(bench, "step-meanwhile").contains("Gusts dries until"));
    now += 11 * 60;
    press(bench, "Start"); // whoever looks again
    bench.settle();
    EXPECT_TRUE(bench.message().contains("Dry now: step")) << bench.message().toStdString();
    EXPECT_TRUE(bench.message().contains("Put Gusts on the base"));
    panel(bench).choose(BuildPanel::Time);
    bench.settle();
    EXPECT_TRUE(label(bench, "pace-says").contains("Wet work takes 100 % longer than planned"));
    press(bench, "Use my own pace");
    bench.settle();
    EXPECT_NEAR(bench.document().project().build.minutes.wetting, 12, 1e-6);
    EXPECT_FALSE(label(bench, "pace-says").contains("Wet work"));
}

TEST(BuildJourney, CuttingSettingsAreDecidedAndFilesWrittenFromHere) {
    Bench bench;
    bench.open(demo::file("kite-hill-dressed.zesty"));
    bench.state().go_to(Waypoint::Build);
    panel(bench).choose(BuildPanel::Cutting);
    bench.settle();
    field<QDoubleSpinBox>(bench, "How far the blade goes past the start of a contour (overcut)")
        .setValue(1.5);
    field<QDoubleSpinBox>(bench, "Tip of the blade behind its axis").setValue(0.4);
    field<QSpinBox>(bench, "Turn from which a corner is sharp").setValue(50);
    choose(field<QComboBox>(bench, "What the cuts are of"), "heavy");
    for (QCheckBox* box : bench.window().findChildren<QCheckBox*>())
        if (box->isVisible() && (box->text() == "good side down" || box->text() == "test piece first"))
            box->click();
    bench.settle();
    const CuttingSettings& c = bench.document().project().build.cutting;
    EXPECT_EQ(c, (CuttingSettings{1.5, Corners::Plain, 0.4, 50, true, false, "heavy"}));
    EXPECT_TRUE(label(bench, "machine-says").contains("heavy cardstock"));
    panel(bench).choose(BuildPanel::Lists);
    bench.folder_answer = bench.folder("made");
    press(bench, "Write guide and files");
    bench.settle();
    EXPECT_TRUE(bench.message().contains("are written"));
    for (const char* name :
         {"guide.pdf", "mat-1.plt", "mat-1.dxf", "sheet-barley-1.svg", "sheet-barley-1.png"})
        EXPECT_TRUE(QFileInfo::exists(bench.folder("made/") + name)) << name;
}

TEST(BuildJourney, AnEmptyPageSaysWhatToDoAndNothingBreaks) {
    Bench bench;
    bench.state().go_to(Waypoint::Build);
    bench.settle();
    EXPECT_TRUE(label(bench, "step-what").startsWith("Open a drawing"));
    for (const Qt::Key key : {Qt::Key_Space, Qt::Key_Left, Qt::Key_Right})
        bench.key(bench.window().findChild<QWidget*>("step-view"), key);
    EXPECT_FALSE(bench.document().changed());
    for (const auto part : {BuildPanel::Cutting, BuildPanel::Lists, BuildPanel::Habits, BuildPanel::Time}) {
        panel(bench).choose(part);
        bench.settle();
    }
    bench.key(Qt::Key_O, Qt::ControlModifier | Qt::AltModifier);
    EXPECT_FALSE(bench.document().changed()) << "an own step without words is none";
}

} // namespace zesty
