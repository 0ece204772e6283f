#include "app/bench.h"

#include <QApplication>
#include <QDeadlineTimer>
#include <QDropEvent>
#include <QLabel>
#include <QMimeData>
#include <QTest>
#include <QThread>
#include <gtest/gtest.h>

namespace zesty::testing {

Bench::Bench(const std::function<void(const QString&)>& before) : settings_(home_.filePath("settings.ini")) {
    if (before) before(home_.path());
    FileQuestions questions;
    questions.open_cut = [this](QWidget*, const QString&) { return open_answer; };
    questions.open_stash = [this](QWidget*, const QString&) { return stash_answer; };
    questions.save = [this](QWidget*, const QString&) { return save_answer; };
    questions.export_folder = [this](QWidget*, const QString&) { return folder_answer; };
    questions.open_picture = [this](QWidget*, const QString&) { return picture_answer; };
    questions.discard = [this](QWidget*) { return ++discard_asked, discard_answer; };
    window_ = std::make_unique<BenchWindow>(settings_, questions);
    window_->resize(1280, 800);
    window_->show();
    EXPECT_TRUE(QTest::qWaitForWindowExposed(window_.get()));
    settle();
}

QString Bench::message() const {
    return window_->findChild<QLabel*>("message")->text();
}

void Bench::settle() {
    const QDeadlineTimer limit(30000);
    do {
        QApplication::processEvents(QEventLoop::AllEvents, 5);
        QTest::qSleep(1);
    } while (!window_->settled() && !limit.hasExpired());
    EXPECT_FALSE(limit.hasExpired());
    QApplication::processEvents();
}

void Bench::open(const QString& path) {
    window_->open(path);
    settle();
}

void Bench::key(QWidget* to, Qt::Key k, Qt::KeyboardModifiers modifiers) {
    QTest::keyClick(to, k, modifiers);
    QApplication::processEvents();
}

void Bench::key(Qt::Key k, Qt::KeyboardModifiers modifiers) {
    QWidget* to = QApplication::focusWidget();
    key(to ? to : window_.get(), k, modifiers);
}

QPoint Bench::pixel_of(int opening) {
    const Point c = plan().set_out.whole.to_page(plan().sections.cut->openings[opening].label.centre);
    return page().map()(c).toPoint();
}

void Bench::click(int opening, Qt::KeyboardModifiers modifiers) {
    QTest::mouseClick(&page(), Qt::LeftButton, modifiers, pixel_of(opening));
    QApplication::processEvents();
}

void Bench::drop_paper(const std::string& id, int opening) {
    QMimeData mime;
    mime.setData(paper_mime, QByteArray::fromStdString(id));
    const QPoint at = pixel_of(opening);
    QDragEnterEvent enter(at, Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&page(), &enter);
    QDragMoveEvent move(at, Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&page(), &move);
    EXPECT_TRUE(move.isAccepted());
    QDropEvent drop(at, Qt::CopyAction, &mime, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&page(), &drop);
    QApplication::processEvents();
}

namespace {

double busy_ms() {
    timespec t{};
    clock_gettime(CLOCK_THREAD_CPUTIME_ID, &t);
    return static_cast<double>(t.tv_sec) * 1e3 + static_cast<double>(t.tv_nsec) / 1e6;
}

} // namespace

bool TimedApplication::notify(QObject* receiver, QEvent* event) {
    // Other threads deliver their events through here too.
    if (QThread::currentThread() != thread()) return QApplication::notify(receiver, event);
    const double from = busy_ms();
    ++depth_;
    const bool accepted = QApplication::notify(receiver, event);
    if (--depth_ == 0) longest_ = std::max(longest_, busy_ms() - from);
    return accepted;
}

} // namespace zesty::testing
