// What becomes of work when programs die and files change behind the window's back.

#include "app/bench.h"
#include "app/bench/tried_out.h"
#include "io/project_file.h"
#include "io/recovery.h"
#include "support/demo.h"
#include "support/patience.h"

#include <QDir>
#include <QFile>
#include <QPushButton>
#include <QTest>
#include <gtest/gtest.h>

namespace zesty {

using testing::Bench;

namespace {

QPushButton* choice(Bench& bench, const QString& notice, int number) {
    auto* shown = bench.window().findChild<QWidget*>("notice-" + notice);
    return shown ? shown->findChild<QPushButton*>(QString("choice-%1").arg(number)) : nullptr;
}

void rename_page(Bench& bench, const char* title) {
    bench.document().change("Name the page", [&](Project& p) { p.title = title; });
    bench.settle();
}

} // namespace

TEST(FilesJourney, WorkInHandIsKeptSoonAndGoneOnceItIsSaved) {
    Bench bench;
    const QString path = bench.folder("kite.zesty");
    ASSERT_TRUE(QFile::copy(demo::project(), path));
    bench.open(path);
    rename_page(bench, "Windy");
    const auto entries = [&] {
        return QDir(bench.folder("recovery")).entryList({"*.zesty"}, QDir::Files).size();
    };
    EXPECT_TRUE(QTest::qWaitFor([&] { return entries() == 1; }, patience_ms));
    bench.key(Qt::Key_S, Qt::ControlModifier);
    bench.settle();
    EXPECT_FALSE(bench.document().changed());
    EXPECT_TRUE(QTest::qWaitFor([&] { return entries() == 0; }, patience_ms));
}

TEST(FilesJourney, WorkOfAProgramThatDiedIsOfferedAndTakenUpAgain) {
    auto kept = open_project(demo::project());
    ASSERT_TRUE(kept);
    kept->title = "Windy";
    Bench bench([&](const QString& home) {
        Autosave dead(home + "/recovery");
        ASSERT_TRUE(dead.keep(*kept, demo::project(), QImage(40, 40, QImage::Format_RGB32)));
    });
    const auto left = left_work(bench.folder("recovery"));
    ASSERT_EQ(left.size(), 1u);
    QPushButton* take = choice(bench, left[0].id, 1);
    ASSERT_NE(take, nullptr) << "offered in the window";
    QTest::mouseClick(take, Qt::LeftButton);
    bench.settle();
    EXPECT_EQ(as_kept(bench.document().project()), *kept);
    EXPECT_EQ(bench.document().path(), demo::project());
    EXPECT_TRUE(bench.document().changed()) << "not in the file yet";
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(as_kept(bench.document().project()), *open_project(demo::project()))
        << "undo leads to what the file holds";
    EXPECT_EQ(choice(bench, left[0].id, 1), nullptr);
}

TEST(FilesJourney, LeftWorkIsThrownAwayOnlyWhenAskedTo) {
    Bench bench([](const QString& home) {
        Autosave dead(home + "/recovery");
        ASSERT_TRUE(dead.keep(Project{}, {}, {}));
    });
    const auto left = left_work(bench.folder("recovery"));
    ASSERT_EQ(left.size(), 1u);
    QTest::mouseClick(choice(bench, left[0].id, 2), Qt::LeftButton);
    EXPECT_TRUE(left_work(bench.folder("recovery")).empty());
}

TEST(FilesJourney, AFileThatSomebodyElseChangedIsNotOverwrittenAndBothAreKept) {
    for (const bool mine : {true, false}) {
        Bench bench;
        const QString path = bench.folder("kite.zesty");
        ASSERT_TRUE(QFile::copy(demo::project(), path));
        bench.open(path);
        rename_page(bench, "mine");
        auto theirs = open_project(path);
        theirs->title = "theirs";
        ASSERT_TRUE(save_project(*theirs, path));
        bench.key(Qt::Key_S, Qt::ControlModifier);
        bench.settle();
        EXPECT_EQ(open_project(path)->title, "theirs") << "not overwritten";
        QPushButton* go_on = choice(bench, "changed-outside", mine ? 1 : 2);
        ASSERT_NE(go_on, nullptr);
        QTest::mouseClick(go_on, Qt::LeftButton);
        bench.settle();
        EXPECT_EQ(open_project(path)->title, mine ? "mine" : "theirs");
        EXPECT_EQ(open_project(bench.folder(mine ? "kite (theirs).zesty" : "kite (mine).zesty"))->title,
                  mine ? "theirs" : "mine");
        EXPECT_EQ(bench.document().project().title, mine ? "mine" : "theirs");
        EXPECT_FALSE(bench.document().changed());
        EXPECT_EQ(choice(bench, "changed-outside", 1), nullptr);
    }
}

TEST(FilesJourney, AFileThatWasRemovedIsNoticedOnReturnToTheWindow) {
    Bench bench;
    const QString path = bench.folder("kite.zesty");
    ASSERT_TRUE(QFile::copy(demo::project(), path));
    bench.open(path);
    ASSERT_TRUE(QFile::remove(path));
    QEvent back(QEvent::ActivationChange);
    QApplication::setActiveWindow(&bench.window());
    QApplication::sendEvent(&bench.window(), &back);
    bench.settle();
    QPushButton* again = choice(bench, "changed-outside", 1);
    ASSERT_NE(again, nullptr);
    QTest::mouseClick(again, Qt::LeftButton);
    bench.settle();
    EXPECT_TRUE(open_project(path));
}

TEST(FilesJourney, WhatAnEditGetsWrongIsBroughtWithinTheLimits) {
    Bench bench;
    bench.open(demo::project());
    bench.document().change("Turn the cut", [](Project& p) {
        p.set_out.cuts[0].place.turn_deg = 1e9;
        p.sections.lip = std::nan("");
    });
    bench.settle();
    const Project& p = bench.document().project();
    EXPECT_TRUE(turn_limits.hold(p.set_out.cuts[0].place.turn_deg));
    EXPECT_TRUE(lip_limits.hold(p.sections.lip));
    EXPECT_TRUE(save_project(p, bench.folder("kite.zesty")));
}

namespace {

/// A program in place of the one that reads drawings.
TrialReader reader_that(const Bench& bench, const QByteArray& does) {
    const QString path = bench.folder("reader");
    QFile script(path);
    EXPECT_TRUE(script.open(QIODevice::WriteOnly));
    script.write("#!/bin/sh\n" + does + "\n");
    script.close();
    EXPECT_TRUE(script.setPermissions(QFile::ReadOwner | QFile::WriteOwner | QFile::ExeOwner));
    return {path, 300};
}

std::string why_not(const TrialReader& reader) {
    const auto tried = tried_out("kite.svg", TriedAs::Cut, 0, reader);
    return tried ? "" : tried.error().message;
}

} // namespace

TEST(FilesJourney, ADrawingThatEndsItsReaderLeavesTheWindowOpen) {
    Bench bench;
    EXPECT_EQ(why_not(reader_that(bench, "exit 0")), "");
    EXPECT_EQ(why_not(reader_that(bench, "echo 'kite.svg: too large' >&2; exit 2")), "kite.svg: too large");
    EXPECT_EQ(why_not(reader_that(bench, "kill -SEGV $$")),
              "kite.svg: this cannot be read; whoever tried was ended by it");
    EXPECT_EQ(why_not(reader_that(bench, "exec sleep 1000")),
              "kite.svg: reading this takes too long; it was given up");
    EXPECT_EQ(why_not({bench.folder("no-reader"), 300}),
              "kite.svg: zesty, which files are tried out with, is not there");
}

TEST(FilesJourney, ABadDrawingIsASentenceAndTheWindowGoesOn) {
    Bench bench;
    bench.open(demo::project());
    const auto before = bench.document().project();
    const QString bad = bench.folder("bad.svg");
    QFile file(bad);
    ASSERT_TRUE(file.open(QIODevice::WriteOnly));
    file.write("<svg xmlns='http://www.w3.org/2000/svg' width='100mm' height='100mm'><path d='M0 0 L");
    file.close();
    bench.open(bad);
    bench.settle();
    EXPECT_TRUE(bench.document().project() == before);
    EXPECT_TRUE(bench.window().isVisible());
    rename_page(bench, "Windy");
    EXPECT_EQ(bench.document().project().title, "Windy");
}

TEST(FilesJourney, WhateverIsOpenedIsTriedOutAsWhatItIsTo) {
    Bench bench;
    const auto tried = [](const QString& path, TriedAs as) {
        const auto r = tried_out(path, as);
        return r ? std::string() : r.error().message;
    };
    EXPECT_EQ(tried(demo::project(), TriedAs::Page), "");
    EXPECT_EQ(tried(demo::file("kite-hill-stash.json"), TriedAs::Papers), "");
    EXPECT_NE(tried(demo::project(), TriedAs::Picture), "");
    EXPECT_NE(tried(demo::drawing(), TriedAs::Page), "");
    EXPECT_TRUE(tried_out(demo::project(), TriedAs::Page, 0, {bench.folder("no-reader"), 300}))
        << "a page is not refused because there is nobody to try it out";
    // A page that is cut off in the middle is refused there, and the open one stays.
    bench.open(demo::project());
    const auto before = bench.document().project();
    QFile whole(demo::project());
    ASSERT_TRUE(whole.open(QIODevice::ReadOnly));
    QFile half(bench.folder("half.zesty"));
    ASSERT_TRUE(half.open(QIODevice::WriteOnly));
    half.write(whole.read(whole.size() / 2));
    half.close();
    bench.open(half.fileName());
    EXPECT_TRUE(bench.document().project() == before);
    EXPECT_TRUE(bench.message().contains("half.zesty")) << bench.message().toStdString();
}

} // namespace zesty
