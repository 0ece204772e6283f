// How long the window ever keeps a hand waiting, by the wall clock: a beat every millisecond in the window's
// own loop, and the longest time between two of them in each part of a journey through the demo.
//
// ./run bench prints it; a page of your own: build/bin/window_gaps PAGE.zesty

#include "app/bench.h"
#include "app/bench/theme.h"
#include "app/papers/papers_panel.h"
#include "app/sections/sections_panel.h"
#include "app/setout/set_out_panel.h"
#include "core/project/edits.h"
#include "support/demo.h"

#include <QApplication>
#include <QElapsedTimer>
#include <QSlider>
#include <QTest>
#include <QThread>
#include <QTimer>
#include <QWheelEvent>
#include <cstdio>

namespace zesty {
namespace {

using testing::Bench;

constexpr int beat_ms = 1;
constexpr double allowed_ms = 50;

class Heart : public QObject {
public:
    Heart() {
        beat_.setTimerType(Qt::PreciseTimer);
        QObject::connect(&beat_, &QTimer::timeout, this, [this] { note(); });
        since_.start();
        beat_.start(beat_ms);
    }
    /// The longest wait so far, after which it is forgotten.
    double longest_ms() {
        note();
        return std::exchange(longest_, 0);
    }

private:
    void note() {
        longest_ = std::max(longest_, static_cast<double>(since_.nsecsElapsed()) / 1e6 - beat_ms);
        since_.restart();
    }
    QTimer beat_;
    QElapsedTimer since_;
    double longest_ = 0;
};

/// Knows which event kept the window's thread longest.
class TimedApplication : public QApplication {
public:
    using QApplication::QApplication;
    bool notify(QObject* receiver, QEvent* event) override {
        // Other threads deliver their events through here too.
        if (QThread::currentThread() != thread()) return QApplication::notify(receiver, event);
        const QString name = QString("%1 %2, event %3")
                                 .arg(receiver->metaObject()->className(), receiver->objectName())
                                 .arg(event->type());
        QElapsedTimer took;
        took.start();
        ++depth_;
        const bool accepted = QApplication::notify(receiver, event);
        if (--depth_ == 0 && took.elapsed() > slowest_ms_) {
            slowest_ms_ = took.elapsed();
            slowest_ = name;
        }
        return accepted;
    }
    QString slowest() const { return QString("%1 ms in %2").arg(slowest_ms_).arg(slowest_); }
    void forget() { slowest_ms_ = 0; }

private:
    int depth_ = 0;
    qint64 slowest_ms_ = 0;
    QString slowest_;
};

class Journey {
public:
    Journey(TimedApplication& application, const QString& page) : application_(application), page_(page) {}

    /// The longest wait of all.
    double run() {
        part("opening the page", [&] { bench_.open(page_); });
        part("sizing the cut", [&] { size(); });
        part("zooming and panning", [&] { zoom(); });
        for (int waypoint = 0; waypoint < waypoints; ++waypoint)
            part("going from waypoint to waypoint", [&] {
                bench_.key(static_cast<Qt::Key>(Qt::Key_1 + waypoint), Qt::ControlModifier);
                bench_.settle();
            });
        part("every part of every panel", [&] { panels(); });
        part("comparing the backing methods", [&] { methods(); });
        part("proposing papers and taking one", [&] { propose(); });
        part("undoing and redoing everything", [&] { undo(); });
        part("saving", [&] {
            bench_.save_answer = bench_.folder("kite.zesty");
            bench_.key(Qt::Key_S, Qt::ControlModifier | Qt::ShiftModifier);
            bench_.settle();
        });
        part("writing guide and cutting files", [&] {
            bench_.folder_answer = bench_.folder();
            bench_.key(Qt::Key_E, Qt::ControlModifier);
            bench_.settle();
        });
        return longest_;
    }

private:
    template <class Do> void part(const char* name, Do work) {
        QApplication::processEvents();
        heart_.longest_ms();
        application_.forget();
        work();
        QApplication::processEvents();
        const double waited = heart_.longest_ms();
        std::printf("%-36s %6.1f ms%s\n", name, waited,
                    waited > allowed_ms ? qPrintable(", of which " + application_.slowest()) : "");
        longest_ = std::max(longest_, waited);
    }

    void size() {
        auto* slider = bench_.window().findChild<QSlider*>("size");
        emit slider->sliderPressed();
        for (int step = 0; step < 60; ++step) {
            slider->setValue(slider->value() + (step < 30 ? -2 : 2));
            QTest::qWait(8);
        }
        emit slider->sliderReleased();
        bench_.settle();
    }

    void zoom() {
        PageView& page = bench_.page();
        for (int step = 0; step < 40; ++step) {
            const QPointF at(page.width() / 2.0, page.height() / 2.0);
            QWheelEvent turn(at, page.mapToGlobal(at), {}, {0, step < 20 ? 120 : -120}, Qt::NoButton,
                             Qt::ControlModifier, Qt::NoScrollPhase, false);
            QApplication::sendEvent(&page, &turn);
            QTest::qWait(8);
        }
        bench_.settle();
    }

    void panels() {
        const auto choose_all = [&](Waypoint waypoint, auto* panel, int parts) {
            bench_.state().go_to(waypoint);
            for (int p = 0; p < parts; ++p) {
                panel->choose(p);
                bench_.settle();
            }
        };
        choose_all(Waypoint::SetOut, bench_.window().findChild<SetOutPanel*>(), 3);
        choose_all(Waypoint::Sections, bench_.window().findChild<SectionsPanel*>(), 3);
        choose_all(Waypoint::Papers, bench_.window().findChild<PapersPanel*>(), 3);
    }

    void methods() {
        for (int m = 0; m < static_cast<int>(words_of<BackingMethod>.size()); ++m) {
            bench_.document().change("Backing method", [&](Project& p) {
                p.sections.backing.method = static_cast<BackingMethod>(m);
            });
            bench_.settle();
        }
    }

    void propose() {
        bench_.key(Qt::Key_P);
        bench_.settle();
        bench_.key(Qt::Key_Return, Qt::ControlModifier);
        bench_.settle();
    }

    void undo() {
        const QUndoStack& history = bench_.document().history();
        while (history.canUndo()) {
            bench_.key(Qt::Key_Z, Qt::ControlModifier);
            QTest::qWait(5);
        }
        while (history.canRedo()) {
            bench_.key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
            QTest::qWait(5);
        }
        bench_.settle();
    }

    TimedApplication& application_;
    QString page_;
    Heart heart_;
    Bench bench_;
    double longest_ = 0;
};

} // namespace
} // namespace zesty

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    zesty::TimedApplication application(argc, argv);
    zesty::theme::apply(application);
    const QString page = argc > 1 ? QString::fromLocal8Bit(argv[1]) : zesty::demo::project();
    const double longest = zesty::Journey(application, page).run();
    std::printf("%-36s %6.1f ms of %.0f allowed\n", "the longest wait", longest, zesty::allowed_ms);
    return longest <= zesty::allowed_ms ? 0 : 1;
}
