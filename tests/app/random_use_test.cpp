// The real window in the hands of somebody who tries everything: random clicks, drags, wheels, words and keys
// by seed, on each demo, an empty window and a page of plain cardstock. After each hundred the window
// answers, and what would be saved opens again as it is. ZESTY_LONG=N tries N times as much.

#include "app/bench.h"
#include "io/drawing_import.h"
#include "io/project_file.h"
#include "support/demo.h"
#include "support/pages.h"

#include <QAction>
#include <QApplication>
#include <QDialog>
#include <QFileInfo>
#include <QLineEdit>
#include <QTest>
#include <QTimer>
#include <QWheelEvent>
#include <algorithm>
#include <gtest/gtest.h>
#include <iostream>
#include <random>

namespace zesty::testing {

namespace {

constexpr int in_a_hundred = 100;

int hundreds() {
    return 20 * std::max(1, qEnvironmentVariableIntValue("ZESTY_LONG"));
}

/// Menus and lists that open are closed again: nobody waits for them.
class ClosesPopups {
public:
    ClosesPopups() {
        QObject::connect(&timer_, &QTimer::timeout, [] {
            if (QWidget* popup = QApplication::activePopupWidget()) popup->close();
            if (auto* dialog = qobject_cast<QDialog*>(QApplication::activeModalWidget())) dialog->reject();
        });
        timer_.start(10);
    }

private:
    QTimer timer_;
};

class RandomUse {
public:
    RandomUse(Bench& bench, unsigned seed) : bench_(bench), random_(seed) {}

    void act() {
        if (!bench_.window().isVisible()) bench_.window().show();
        switch (below(12)) {
        case 0:
        case 1:
            key();
            break;
        case 2:
            type();
            break;
        case 3:
            wheel();
            break;
        case 4:
        case 5:
            drag();
            break;
        case 6:
            trigger();
            break;
        default:
            click();
        }
        QApplication::processEvents(QEventLoop::AllEvents, 2);
    }

    const std::string& last() const { return last_; }

private:
    int below(int n) { return static_cast<int>(random_() % static_cast<unsigned>(std::max(1, n))); }

    /// Something that is seen, more often the page.
    QWidget* somewhere() {
        if (below(3) == 0) return &bench_.page();
        QList<QWidget*> seen;
        for (QWidget* w : bench_.window().findChildren<QWidget*>())
            if (w->isVisible() && w->width() > 0 && w->height() > 0) seen << w;
        return seen.isEmpty() ? &bench_.window() : seen[below(static_cast<int>(seen.size()))];
    }
    QPoint in(const QWidget* w) { return {below(w->width()), below(w->height())}; }
    Qt::KeyboardModifiers modifiers() {
        const Qt::KeyboardModifiers some[] = {{}, {}, {}, Qt::ShiftModifier, Qt::ControlModifier};
        return some[below(5)];
    }
    void note(const char* what, const QWidget* w) {
        last_ = std::string(what) + " on " + w->metaObject()->className() + " " +
                w->objectName().toStdString() + " " + w->accessibleName().toStdString();
    }

    void click() {
        QWidget* w = somewhere();
        note("click", w);
        const Qt::MouseButton b = below(8) ? Qt::LeftButton : Qt::RightButton;
        if (below(10) == 0)
            QTest::mouseDClick(w, b, modifiers(), in(w));
        else
            QTest::mouseClick(w, b, modifiers(), in(w));
    }
    void drag() {
        QWidget* w = somewhere();
        note("drag", w);
        const QPoint from = in(w);
        QTest::mousePress(w, Qt::LeftButton, modifiers(), from);
        for (int i = 0; i < 3; ++i) QTest::mouseMove(w, in(w));
        QTest::mouseRelease(w, Qt::LeftButton, {}, in(w));
    }
    void wheel() {
        QWidget* w = somewhere();
        note("wheel", w);
        const QPointF at = in(w);
        QWheelEvent event(at, w->mapToGlobal(at), {}, {0, below(2) ? 120 : -120}, Qt::NoButton, modifiers(),
                          Qt::NoScrollPhase, false);
        QApplication::sendEvent(w, &event);
    }
    void key() {
        static const Qt::Key keys[] = {Qt::Key_Tab,      Qt::Key_Return, Qt::Key_Escape, Qt::Key_Left,
                                       Qt::Key_Right,    Qt::Key_Up,     Qt::Key_Down,   Qt::Key_Delete,
                                       Qt::Key_Space,    Qt::Key_Home,   Qt::Key_End,    Qt::Key_PageUp,
                                       Qt::Key_PageDown, Qt::Key_F1,     Qt::Key_F9,     Qt::Key_Plus,
                                       Qt::Key_Minus,    Qt::Key_Comma,  Qt::Key_Period};
        QWidget* w = QApplication::focusWidget() ? QApplication::focusWidget() : &bench_.window();
        note("key", w);
        const bool letter = below(2) != 0;
        QTest::keyClick(w, letter ? static_cast<Qt::Key>(Qt::Key_A + below(26)) : keys[below(19)],
                        modifiers());
    }
    void type() {
        QList<QLineEdit*> fields;
        for (QLineEdit* e : bench_.window().findChildren<QLineEdit*>())
            if (e->isVisible() && e->isEnabled()) fields << e;
        if (fields.isEmpty()) return;
        static const char* const words[] = {"1/2in", "0", "-3",    "12mm",    "1e9",
                                            "windy", "",  "999in", "0.001mm", "kite"};
        QLineEdit* e = fields[below(static_cast<int>(fields.size()))];
        note("type", e);
        e->setFocus();
        e->selectAll();
        QTest::keyClicks(e, words[below(10)]);
        QTest::keyClick(e, Qt::Key_Return);
    }
    /// Everything that has a key or a button, wherever it is.
    void trigger() {
        QList<QAction*> actions;
        for (QAction* a : bench_.window().findChildren<QAction*>())
            if (a->isEnabled() && !a->text().isEmpty()) actions << a;
        if (actions.isEmpty()) return;
        QAction* a = actions[below(static_cast<int>(actions.size()))];
        last_ = "action " + a->text().toStdString();
        a->trigger();
    }

    Bench& bench_;
    std::mt19937 random_;
    std::string last_;
};

void expect_what_would_be_saved_opens(Bench& bench, const std::string& where) {
    const Project kept = as_kept(bench.document().project());
    const auto bytes = project_bytes(kept);
    ASSERT_TRUE(bytes) << where << ": " << bytes.error().message;
    const auto back = project_from(*bytes, "page");
    ASSERT_TRUE(back) << where << ": " << back.error().message;
    EXPECT_TRUE(*back == kept) << where;
}

void use(const QString& page, unsigned seed) {
    Bench bench;
    bench.save_answer = bench.folder("kept.zesty");
    bench.folder_answer = {};
    if (!page.isEmpty()) {
        // It will be saved over.
        const QString copy = bench.folder(QFileInfo(page).fileName());
        ASSERT_TRUE(QFile::copy(page, copy));
        bench.open(copy);
    }
    const ClosesPopups closes;
    RandomUse use(bench, seed);
    for (int h = 0; h < hundreds(); ++h) {
        for (int i = 0; i < in_a_hundred; ++i) {
            use.act();
            if (std::getenv("ZESTY_SAY")) std::cerr << h * in_a_hundred + i << " " << use.last() << std::endl;
        }
        // A page that takes long to plan is kept for whoever looks into it.
        if (std::getenv("ZESTY_SAY")) (void)save_project(as_kept(bench.document().project()), "said.zesty");
        bench.settle();
        const std::string where =
            page.toStdString() + ", after " + std::to_string((h + 1) * in_a_hundred) + ", " + use.last();
        expect_what_would_be_saved_opens(bench, where);
        if (::testing::Test::HasFailure()) return;
    }
}

} // namespace

class RandomUseOf : public ::testing::TestWithParam<const char*> {};

TEST_P(RandomUseOf, NothingEndsTheWindowAndWhatWouldBeSavedOpens) {
    const std::string name = GetParam();
    unsigned seed = 1;
    for (const char c : name) seed = 31 * seed + static_cast<unsigned char>(c);
    if (const char* other = std::getenv("ZESTY_SEED")) seed += static_cast<unsigned>(std::atoi(other));
    if (name == "nothing") return use({}, seed);
    if (name != "plain cardstock") return use(demo::file(name.c_str()), seed);
    const QTemporaryDir folder;
    const QString path = folder.filePath("plain.zesty");
    Project page = page_with(7, 3, 3, five_papers());
    page.set_out.drawings = {drawing_file(demo::drawing()).value()};
    ASSERT_TRUE(save_project(page, path));
    use(path, seed);
}

INSTANTIATE_TEST_SUITE_P(Pages, RandomUseOf,
                         ::testing::Values("kite-hill.zesty", "kite-hill-dressed.zesty", "tram-terrace.zesty",
                                           "seed-swap.zesty", "kite-hill.svg", "nothing", "plain cardstock"),
                         [](const auto& page) {
                             std::string name = page.param;
                             std::replace_if(
                                 name.begin(), name.end(),
                                 [](char c) { return !std::isalnum(static_cast<unsigned char>(c)); }, '_');
                             return name;
                         });

} // namespace zesty::testing
