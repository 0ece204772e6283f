#include "app/bench.h"

#include "core/project/fixes.h"
#include "support/patience.h"

#include <QApplication>
#include <QDeadlineTimer>
#include <QDropEvent>
#include <QLabel>
#include <QLineEdit>
#include <QMimeData>
#include <QTest>
#include <gtest/gtest.h>

namespace zesty::testing {

Bench::Bench(const std::function<void(const QString&)>& before) : settings_(home_.filePath("settings.ini")) {
    if (before) before(home_.path());
    FileQuestions questions;
    questions.open_cut = [this](QWidget*, const QString&) { return open_answer; };
    questions.open_papers = [this](QWidget*, const QString&) { return papers_answer; };
    questions.save_papers = [this](QWidget*, const QString&) { return save_answer; };
    questions.save = [this](QWidget*, const QString&) { return save_answer; };
    questions.export_folder = [this](QWidget*, const QString&) { return folder_answer; };
    questions.open_picture = [this](QWidget*, const QString&) { return picture_answer; };
    questions.discard = [this](QWidget*) { return ++discard_asked, discard_answer; };
    // Most tests begin with the same pages: what one has laid out the next need not. None asks how close
    // patches lie.
    static const auto memory = std::make_shared<NestMemory>(2, 1);
    window_ = std::make_unique<BenchWindow>(settings_, questions, memory);
    window_->resize(1280, 800);
    window_->show();
    EXPECT_TRUE(QTest::qWaitForWindowExposed(window_.get()));
    settle();
}

QString Bench::message() const {
    return window_->findChild<QLabel*>("message")->text();
}

void Bench::settle() {
    const QDeadlineTimer limit(patience_ms);
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

QPushButton* button(Bench& bench, const QString& text) {
    for (QPushButton* b : bench.window().findChildren<QPushButton*>())
        if (b->isVisible() && b->text() == text) return b;
    ADD_FAILURE() << "no button " << text.toStdString();
    return nullptr;
}

void press(Bench& bench, const QString& text) {
    if (QPushButton* b = button(bench, text)) QTest::mouseClick(b, Qt::LeftButton);
    bench.settle();
}

void type(Bench& bench, const QString& accessible_name, const QString& text) {
    for (QLineEdit* e : bench.window().findChildren<QLineEdit*>())
        if (e->isVisible() && e->accessibleName() == accessible_name) {
            e->setFocus();
            e->selectAll();
            QTest::keyClicks(e, text);
            QTest::keyClick(e, Qt::Key_Return);
            bench.settle();
            return;
        }
    ADD_FAILURE() << "no field " << accessible_name.toStdString();
}

QPoint at(Bench& bench, Point on_page) {
    return bench.page().map()(on_page).toPoint();
}

void drag(Bench& bench, QPoint from, QPoint to) {
    QTest::mousePress(&bench.page(), Qt::LeftButton, {}, from);
    for (int i = 1; i <= 4; ++i) QTest::mouseMove(&bench.page(), from + (to - from) * i / 4);
    QTest::mouseRelease(&bench.page(), Qt::LeftButton, {}, to);
    bench.settle();
}

void take_papers_in(Bench& bench) {
    bench.document().change("Add the page's papers to the stash", [](Project& p) { AddToStash{}(p); });
    bench.settle();
}

bool told(Bench& bench, Code code) {
    const auto& f = bench.plan().findings;
    return std::any_of(f.begin(), f.end(), [&](const Finding& x) { return x.code == code; });
}

QPushButton* named(QWidget& in, const char* name) {
    auto* b = in.findChild<QPushButton*>(name);
    EXPECT_TRUE(b && b->isVisible()) << name;
    return b;
}

void click(QWidget* w) {
    QTest::mouseClick(w, Qt::LeftButton);
    QApplication::processEvents();
}

} // namespace zesty::testing
