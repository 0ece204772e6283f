#pragma once
// The real window on an offscreen screen, with answers in place of dialogs.

#include "app/bench/bench_window.h"
#include "app/bench/drawer.h"
#include "app/bench/route_bar.h"
#include "app/page/page_view.h"

#include <QApplication>
#include <QPushButton>
#include <QTemporaryDir>

namespace zesty::testing {

class Bench {
public:
    /// `before` finds the folder of settings and recovery as the window will.
    explicit Bench(const std::function<void(const QString& home)>& before = {});

    BenchWindow& window() { return *window_; }
    Settings& settings() { return settings_; }
    Document& document() { return window_->document(); }
    BenchState& state() { return window_->state(); }
    const Plan& plan() { return *window_->state().plan(); }
    PageView& page() { return *window_->findChild<PageView*>("page"); }
    QString folder(const QString& name = {}) const { return home_.filePath(name); }
    QString message() const;

    /// Runs the event loop until nothing is under way.
    void settle();
    void open(const QString& path);
    void key(QWidget* to, Qt::Key key, Qt::KeyboardModifiers modifiers = {});
    void key(Qt::Key key, Qt::KeyboardModifiers modifiers = {});
    void click(int opening, Qt::KeyboardModifiers modifiers = {});
    /// Drops a paper on the page as a drag from the drawer would.
    void drop_paper(const std::string& id, int opening);
    QPoint pixel_of(int opening);

    // Answers to the window's questions.
    QString open_answer;
    QStringList papers_answer;
    QString save_answer;
    QString folder_answer;
    QString picture_answer;
    bool discard_answer = true;
    int discard_asked = 0;

private:
    QTemporaryDir home_;
    Settings settings_;
    std::unique_ptr<BenchWindow> window_;
};

// What a hand does; the test fails where there is nothing to do it with.

/// The button that says so, of those on show.
QPushButton* button(Bench& bench, const QString& text);
void press(Bench& bench, const QString& text);
/// Into the field of that accessible name, with Return.
void type(Bench& bench, const QString& accessible_name, const QString& text);
QPushButton* named(QWidget& in, const char* name);
void click(QWidget* w);
void drag(Bench& bench, QPoint from, QPoint to);
/// Pixel of a place of the page.
QPoint at(Bench& bench, Point on_page);

/// The papers that came with the page join the stash.
void take_papers_in(Bench& bench);

/// Whether the plan says so.
bool told(Bench& bench, Code code);

} // namespace zesty::testing
