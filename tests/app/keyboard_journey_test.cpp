// Whole journeys without a mouse: Tab, the arrows, the keys of the sheet of keys, and nothing else.

#include "app/bench.h"
#include "app/sections/sections_panel.h"
#include "support/demo.h"

#include <QAbstractButton>
#include <QAbstractItemView>
#include <QAbstractSpinBox>
#include <QComboBox>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QTest>
#include <gtest/gtest.h>
#include <set>

namespace zesty {

using testing::Bench;

namespace {

constexpr int most_tabs = 400;

QWidget* in_focus(Bench& bench) {
    QWidget* now = QApplication::focusWidget();
    return now ? now : &bench.window();
}

QString called(const QWidget& w) {
    if (!w.accessibleName().isEmpty()) return w.accessibleName();
    const auto* button = qobject_cast<const QAbstractButton*>(&w);
    return button ? button->text() : QString();
}

/// Tab until what is called so, or begins so before a colon, has the focus.
QWidget* tab_to(Bench& bench, const QString& name) {
    for (int i = 0; i < most_tabs; ++i) {
        const QString now = called(*in_focus(bench));
        if (now == name || now.startsWith(name + ": ")) return in_focus(bench);
        bench.key(in_focus(bench), Qt::Key_Tab);
    }
    ADD_FAILURE() << "Tab never gets to " << name.toStdString();
    return &bench.window();
}

void type_in(Bench& bench, const QString& name, const QString& text) {
    QWidget* field = tab_to(bench, name);
    bench.key(field, Qt::Key_A, Qt::ControlModifier);
    QTest::keyClicks(field, text);
    bench.key(field, Qt::Key_Return);
    bench.settle();
}

void press_space_on(Bench& bench, const QString& name) {
    bench.key(tab_to(bench, name), Qt::Key_Space);
    bench.settle();
}

void go_to(Bench& bench, Qt::Key waypoint) {
    bench.key(waypoint, Qt::ControlModifier);
    bench.settle();
}

/// Controls on show that can be used, as a person would count them: the field of a spin box is part of it.
std::set<const QWidget*> usable_controls(Bench& bench) {
    std::set<const QWidget*> out;
    for (const QWidget* w : bench.window().findChildren<QWidget*>()) {
        if (!w->isVisible() || !w->isEnabled()) continue;
        const bool control = qobject_cast<const QAbstractButton*>(w) || qobject_cast<const QLineEdit*>(w) ||
                             qobject_cast<const QComboBox*>(w) || qobject_cast<const QAbstractSpinBox*>(w) ||
                             qobject_cast<const QPlainTextEdit*>(w) ||
                             qobject_cast<const QAbstractItemView*>(w);
        const bool part = qobject_cast<const QAbstractSpinBox*>(w->parentWidget()) ||
                          qobject_cast<const QComboBox*>(w->parentWidget()) ||
                          qobject_cast<const QLineEdit*>(w->parentWidget());
        if (control && !part) out.insert(w);
    }
    return out;
}

/// One of several of which one is on: Tab comes to that one, and the arrows go on from it.
bool is_in_turn(const QWidget* w, const std::set<const QWidget*>& left_out) {
    const auto* button = qobject_cast<const QAbstractButton*>(w);
    if (!button || !button->autoExclusive() || button->isChecked()) return false;
    const auto beside = w->parentWidget()->findChildren<QAbstractButton*>(Qt::FindDirectChildrenOnly);
    return std::any_of(beside.begin(), beside.end(), [&](const QAbstractButton* other) {
        return other->autoExclusive() && other->isVisible() && !left_out.contains(other);
    });
}

/// Tab round the window, and what of its controls it never comes to.
std::set<const QWidget*> left_out_by_tab(Bench& bench) {
    bench.key(in_focus(bench), Qt::Key_Tab);
    const QWidget* begin = in_focus(bench);
    std::set<const QWidget*> left_out = usable_controls(bench);
    int tabs = 0;
    do {
        left_out.erase(in_focus(bench));
        bench.key(in_focus(bench), Qt::Key_Tab);
    } while (in_focus(bench) != begin && ++tabs < most_tabs);
    EXPECT_LT(tabs, most_tabs) << "Tab is caught in " << called(*in_focus(bench)).toStdString();
    bench.key(in_focus(bench), Qt::Key_Backtab, Qt::ShiftModifier);
    bench.key(in_focus(bench), Qt::Key_Tab);
    EXPECT_EQ(in_focus(bench), begin) << "and back the way it came";
    return left_out;
}

void expect_tab_gets_everywhere(Bench& bench, const std::string& where) {
    const auto left_out = left_out_by_tab(bench);
    for (const QWidget* w : left_out)
        if (!is_in_turn(w, left_out))
            ADD_FAILURE() << where << ": Tab leaves out " << w->metaObject()->className() << " \""
                          << called(*w).toStdString() << "\" in "
                          << w->parentWidget()->metaObject()->className();
}

} // namespace

TEST(ByKeyboard, TabGoesRoundEveryWaypointAndLeavesNoControlOut) {
    Bench bench;
    expect_tab_gets_everywhere(bench, "an empty start");
    bench.open(demo::file("kite-hill-dressed.zesty"));
    for (int i = 0; i < waypoints; ++i) {
        go_to(bench, static_cast<Qt::Key>(Qt::Key_1 + i));
        expect_tab_gets_everywhere(bench, "waypoint " + std::to_string(i + 1));
    }
}

namespace {

/// Set out, Sections, Papers and Sheets: a photo, and an opening with its name, paper and place.
void put_on_page(Bench& bench) {
    const auto project = [&]() -> const Project& { return bench.document().project(); };
    const std::size_t photos = project().set_out.photos.size();
    go_to(bench, Qt::Key_1);
    press_space_on(bench, "How large?: Photos");
    press_space_on(bench, "Add photo");
    ASSERT_EQ(project().set_out.photos.size(), photos + 1);
    type_in(bench, "Name of the photo", "Mia");
    EXPECT_EQ(project().set_out.photos.back().name, "Mia");

    go_to(bench, Qt::Key_2);
    bench.key(tab_to(bench, "Page"), Qt::Key_Right);
    bench.settle();
    ASSERT_FALSE(bench.state().selected().empty());
    const int opening = *bench.state().selected().begin();
    // A paper in hand has Return for its key, too: here it ends the name and gives nothing.
    bench.state().drawer().pick(0);
    type_in(bench, "Name of the section", "sky");
    EXPECT_EQ(bench.document().history().undoText(), "Name the section");
    const auto& sections = bench.plan().sections;
    const auto section = static_cast<std::size_t>(sections.of_opening[static_cast<std::size_t>(opening)]);
    EXPECT_EQ(sections.all[section].name, "sky");

    go_to(bench, Qt::Key_3);
    bench.key(tab_to(bench, "Barley"), Qt::Key_Return);
    bench.settle();
    EXPECT_EQ(project().match.choice(Spot(opening)).paper, "barley");

    go_to(bench, Qt::Key_4);
    bench.key(tab_to(bench, "Sheets"), Qt::Key_K);
    bench.settle();
    EXPECT_TRUE(project().sheets.pins.contains(Spot(opening)));
}

} // namespace

TEST(ByKeyboard, APageIsSizedBackedDressedWorkedOnFinishedAndUndone) {
    Bench bench;
    bench.open_answer = demo::project();
    bench.key(Qt::Key_O, Qt::ControlModifier);
    bench.settle();
    testing::take_papers_in(bench);
    const auto project = [&]() -> const Project& { return bench.document().project(); };
    const Project before = project();
    put_on_page(bench);

    go_to(bench, Qt::Key_5);
    bench.key(Qt::Key_J, Qt::ControlModifier);
    bench.settle();
    QTest::keyClicks(in_focus(bench), "The red one got away");
    bench.settle();
    ASSERT_FALSE(project().dress.writings.empty());
    EXPECT_EQ(project().dress.writings.back().text, "The red one got away");

    go_to(bench, Qt::Key_6);
    press_space_on(bench, "Start");
    press_space_on(bench, "Done, next step");
    EXPECT_EQ(project().build.log.size(), 1u);

    go_to(bench, Qt::Key_7);
    press_space_on(bench, "Finish the page");
    EXPECT_FALSE(project().keep.finished.empty());
    EXPECT_EQ(project().stash->records.size(), 1u);

    bench.save_answer = bench.folder("kite-hill.zesty");
    bench.key(Qt::Key_S, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    EXPECT_TRUE(QFile::exists(bench.save_answer));
    while (bench.document().history().canUndo()) bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_TRUE(project().set_out == before.set_out && project().match == before.match &&
                project().sections == before.sections && project().dress == before.dress &&
                project().keep == before.keep);
}

} // namespace zesty
