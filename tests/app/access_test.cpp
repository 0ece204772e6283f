// What somebody meets who does not see the window, cannot use a mouse, or wants it larger.

#include "app/bench.h"
#include "app/bench/panel_part.h"
#include "app/bench/theme.h"
#include "support/demo.h"

#include <QAbstractButton>
#include <QAbstractSpinBox>
#include <QAccessible>
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QNativeGestureEvent>
#include <QPointingDevice>
#include <QTest>
#include <cmath>
#include <gtest/gtest.h>
#include <set>

namespace zesty::testing {

namespace {

/// Everything in the tree of assistive technology that can be reached and shown.
template <class Visit> void each_in_tree(QAccessibleInterface* of, Visit&& visit) {
    if (!of || !of->isValid() || of->state().invisible) return;
    visit(*of);
    for (int i = 0; i < of->childCount(); ++i) each_in_tree(of->child(i), visit);
}

bool is_control(QAccessible::Role role) {
    static const std::set<int> roles{
        QAccessible::PushButton,   QAccessible::CheckBox, QAccessible::RadioButton, QAccessible::ComboBox,
        QAccessible::EditableText, QAccessible::SpinBox,  QAccessible::Slider,      QAccessible::ButtonMenu};
    return roles.contains(role);
}

QString what(QAccessibleInterface& one) {
    const QObject* object = one.object();
    return QString("%1 \"%2\" in %3")
        .arg(object ? object->metaObject()->className() : "?", object ? object->objectName() : "",
             object && object->parent() ? object->parent()->metaObject()->className() : "?");
}

/// Controls without a name; parts of a control (the field of a spin box) go by its name.
QStringList nameless(QWidget& in) {
    QStringList out;
    each_in_tree(QAccessible::queryAccessibleInterface(&in), [&](QAccessibleInterface& one) {
        if (!is_control(one.role()) || !one.text(QAccessible::Name).trimmed().isEmpty()) return;
        QAccessibleInterface* parent = one.parent();
        const bool part =
            parent && (parent->role() == QAccessible::SpinBox || parent->role() == QAccessible::ComboBox);
        if (!part) out << what(one);
    });
    return out;
}

double luminance(const QColor& c) {
    const auto linear = [](double v) {
        return v <= 0.03928 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
    };
    return 0.2126 * linear(c.redF()) + 0.7152 * linear(c.greenF()) + 0.0722 * linear(c.blueF());
}

/// WCAG 2: (lighter + 0.05) / (darker + 0.05).
double contrast(const QColor& a, const QColor& b) {
    const double x = luminance(a);
    const double y = luminance(b);
    return (std::max(x, y) + 0.05) / (std::min(x, y) + 0.05);
}

template <class Visit> void at_every_part(Bench& bench, Visit&& visit) {
    for (int w = 0; w < waypoints; ++w) {
        bench.state().go_to(static_cast<Waypoint>(w));
        bench.settle();
        PanelOfParts* parts = nullptr;
        for (auto* one : bench.window().findChildren<PanelOfParts*>())
            if (one->isVisible()) parts = one;
        const int n =
            parts ? static_cast<int>(parts->findChildren<PanelPart*>(Qt::FindDirectChildrenOnly).size()) : 1;
        for (int p = 0; p < std::max(1, n); ++p) {
            if (parts) parts->choose(p);
            QApplication::processEvents();
            visit(QString("waypoint %1, part %2").arg(w + 1).arg(p + 1));
        }
    }
}

/// Letters of another size for windows that are made while this is there.
struct Letters {
    explicit Letters(double factor) {
        theme::set_letters(factor);
        theme::apply(*qApp);
    }
    ~Letters() {
        theme::set_letters(1);
        theme::apply(*qApp);
    }
};

/// Words on show that have less room than they take.
QStringList cut_words(QWidget& in) {
    QStringList out;
    for (QWidget* w : in.findChildren<QWidget*>()) {
        if (!w->isVisible()) continue;
        QString words;
        QSize takes = w->sizeHint();
        if (auto* label = qobject_cast<QLabel*>(w); label && !label->text().isEmpty()) {
            words = label->text();
            if (label->wordWrap()) takes = {0, label->heightForWidth(label->width())};
        } else if (auto* button = qobject_cast<QAbstractButton*>(w);
                   button && !button->text().isEmpty() && button->inherits("QPushButton")) {
            words = button->text();
        } else if (auto* check = qobject_cast<QCheckBox*>(w)) {
            words = check->text();
        } else if (auto* line = qobject_cast<QLineEdit*>(w); line && !line->text().isEmpty()) {
            if (!line->inherits("zesty::LengthEdit")) continue; // long names scroll
            words = line->text();
            takes = {line->fontMetrics().horizontalAdvance(words) + 20, 0};
        }
        if (words.isEmpty()) continue;
        // Words have a little air around them.
        if (takes.width() > w->width() + 4 || takes.height() > w->height() + 3)
            out << QString("\"%1\" takes %2 x %3 of %4 x %5")
                       .arg(words.left(60))
                       .arg(takes.width())
                       .arg(takes.height())
                       .arg(w->width())
                       .arg(w->height());
    }
    return out;
}

} // namespace

TEST(Access, LettersUpToHalfAsLargeAgainAreCutNowhere) {
    for (const double factor : {1.0, 1.5}) {
        const Letters letters(factor);
        Bench bench;
        bench.window().resize(1280, 800);
        bench.settle();
        EXPECT_TRUE(cut_words(bench.window()).isEmpty())
            << factor << ", empty: " << cut_words(bench.window()).join("\n").toStdString();
        bench.open(demo::project());
        EXPECT_EQ(bench.window().size(), QSize(1280, 800)) << "nothing pushes the window wider";
        at_every_part(bench, [&](const QString& where) {
            const QStringList found = cut_words(bench.window());
            EXPECT_TRUE(found.isEmpty()) << factor << ", " << where.toStdString() << ":\n"
                                         << found.join("\n").toStdString();
        });
    }
}

TEST(Access, EveryControlHasANameARoleAndAState) {
    Bench bench;
    EXPECT_TRUE(nameless(bench.window()).isEmpty())
        << "empty: " << nameless(bench.window()).join("; ").toStdString();
    bench.open(demo::project());
    at_every_part(bench, [&](const QString& where) {
        const QStringList found = nameless(bench.window());
        EXPECT_TRUE(found.isEmpty()) << where.toStdString() << ": " << found.join("; ").toStdString();
    });
    // State: what is chosen, what cannot be used.
    bench.state().go_to(Waypoint::Keep);
    QApplication::processEvents();
    int chosen = 0, disabled = 0;
    each_in_tree(QAccessible::queryAccessibleInterface(&bench.window()), [&](QAccessibleInterface& one) {
        if (is_control(one.role())) {
            chosen += one.state().checked ? 1 : 0;
            disabled += one.state().disabled ? 1 : 0;
        }
    });
    EXPECT_GT(chosen, 0);
    EXPECT_GT(disabled, 0) << "redo, at least";
}

TEST(Access, WordsStandOutFromWhatTheyLieOn) {
    const QColor grounds[]{theme::bench, theme::bench_deep, theme::paper, theme::card, theme::tape};
    for (const QColor& ground : grounds) {
        EXPECT_GE(contrast(theme::ink, ground), 4.5) << ground.name().toStdString();
        EXPECT_GE(contrast(theme::berry, ground), 4.5) << "bad news on " << ground.name().toStdString();
    }
    for (const QColor& ground : {theme::bench, theme::paper, theme::card})
        EXPECT_GE(contrast(theme::quiet, ground), 4.5) << "quiet words on " << ground.name().toStdString();
    EXPECT_GE(contrast(theme::zest_text, theme::zest_wash), 4.5);
    EXPECT_GE(contrast(Qt::white, theme::zest_text), 4.5) << "words on the one button that matters";
}

TEST(Access, FromTheEmptyStartADemoIsOpenedAndLookedThroughWithoutAMouse) {
    Bench bench;
    auto* first = bench.window().findChild<QWidget*>("first-steps");
    ASSERT_NE(first, nullptr);
    EXPECT_TRUE(first->isVisible());
    QPushButton* kite = nullptr;
    for (auto* b : first->findChildren<QPushButton*>())
        if (b->text() == "Kite Hill") kite = b;
    ASSERT_NE(kite, nullptr) << "the demo is beside the build";
    for (int i = 0; i < 40 && !kite->hasFocus(); ++i)
        QTest::keyClick(QApplication::focusWidget() ? QApplication::focusWidget() : &bench.window(),
                        Qt::Key_Tab);
    ASSERT_TRUE(kite->hasFocus()) << "Tab gets there";
    QTest::keyClick(kite, Qt::Key_Space);
    bench.settle();
    EXPECT_EQ(bench.document().project().title, "Kite Hill");
    EXPECT_TRUE(bench.document().path().isEmpty()) << "the demo itself stays as it is";
    EXPECT_FALSE(first->isVisible());
    for (int w = 1; w < waypoints; ++w) {
        bench.key(Qt::Key_Tab, Qt::ControlModifier);
        bench.settle();
        EXPECT_EQ(bench.state().waypoint(), static_cast<Waypoint>(w));
    }
}

TEST(Access, EachWaypointOfAnEmptyPageSaysItsNextStep) {
    Bench bench;
    std::set<QString> said;
    auto* first = bench.window().findChild<QWidget*>("first-steps");
    for (int w = 0; w < waypoints; ++w) {
        bench.state().go_to(static_cast<Waypoint>(w));
        bench.settle();
        EXPECT_TRUE(first->isVisible()) << w;
        said.insert(first->findChildren<QLabel*>().front()->text());
    }
    EXPECT_EQ(said.size(), static_cast<std::size_t>(waypoints)) << "each its own";
}

TEST(Access, FingersOnATouchpadZoomAndPushThePage) {
    Bench bench;
    bench.open(demo::project());
    PageView& page = bench.page();
    const double before = page.map().scale;
    QNativeGestureEvent zoom(Qt::ZoomNativeGesture, QPointingDevice::primaryPointingDevice(), 2,
                             QPointF(200, 200), QPointF(200, 200), QPointF(200, 200), 0.25, QPointF());
    QApplication::sendEvent(&page, &zoom);
    EXPECT_NEAR(page.map().scale, before * 1.25, 1e-9);
    const QPointF origin = page.map().origin;
    QWheelEvent push(QPointF(200, 200), QPointF(200, 200), QPoint(12, -30), QPoint(24, -60), Qt::NoButton,
                     Qt::NoModifier, Qt::ScrollUpdate, false);
    QApplication::sendEvent(&page, &push);
    EXPECT_EQ(page.map().origin, origin + QPointF(12, -30));
    EXPECT_NEAR(page.map().scale, before * 1.25, 1e-9);
    QWheelEvent wheel(QPointF(200, 200), QPointF(200, 200), QPoint(), QPoint(0, 120), Qt::NoButton,
                      Qt::NoModifier, Qt::NoScrollPhase, false);
    QApplication::sendEvent(&page, &wheel);
    EXPECT_GT(page.map().scale, before * 1.25) << "a wheel comes closer";
}

} // namespace zesty::testing
