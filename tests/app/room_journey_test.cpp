// Room left on the sheets for other pages, and sizes kept whole: by key and by typing.

#include "app/bench/length_edit.h"
#include "app/papers/papers_panel.h"
#include "app/sheets/sheets_panel.h"
#include "app/sheets/sheets_view.h"
#include "bench.h"
#include "core/geometry/boolean.h"
#include "core/project/later.h"
#include "support/demo.h"

#include <QPushButton>
#include <QTest>
#include <gtest/gtest.h>

namespace zesty {

using testing::Bench;

namespace {

void save_as(Bench& bench, const char* name) {
    bench.save_answer = bench.folder(name);
    bench.key(Qt::Key_S, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
}

QLineEdit* field(Bench& bench, const char* name) {
    for (auto* edit : bench.window().findChildren<QLineEdit*>())
        if (edit->accessibleName() == name) return edit;
    return nullptr;
}

void type(QLineEdit* edit, const char* text) {
    edit->setFocus();
    edit->selectAll();
    QTest::keyClicks(edit, text);
    QTest::keyClick(edit, Qt::Key_Return);
}

} // namespace

TEST(RoomJourney, WhatAnotherPageHasReservedIsLeftRoomByOneKeyAndUndone) {
    Bench bench;
    bench.open(demo::project());
    testing::take_papers_in(bench);
    bench.key(Qt::Key_4, Qt::ControlModifier);
    bench.key(Qt::Key_L);
    EXPECT_TRUE(bench.document().project().sheets.reserved.empty());
    EXPECT_TRUE(bench.message().contains("No other page")) << "nothing has been reserved yet";

    bench.document().change("Title", [](Project& p) { p.title = "Tram Terrace"; });
    bench.settle();
    const auto taken = pieces_taken(bench.document().project(), bench.plan(), "Tram Terrace");
    ASSERT_FALSE(taken.empty());
    save_as(bench, "tram.zesty");
    bench.document().change("Title", [](Project& p) { p.title = "Kite Hill"; });
    bench.settle();
    save_as(bench, "kite.zesty");
    EXPECT_EQ(bench.state().drawer().wanted_elsewhere().size(), taken.size());

    const Project before = bench.document().project();
    bench.key(Qt::Key_L);
    bench.settle();
    EXPECT_EQ(pages_reserved_for(bench.document().project()), std::vector<std::string>{"Tram Terrace"});
    EXPECT_TRUE(reserves_just(bench.document().project(), taken));
    EXPECT_EQ(bench.plan().sheets.room.size() + bench.plan().sheets.without_room.size(), taken.size());
    EXPECT_FALSE(bench.plan().sheets.room.empty());

    // Pointing at room says what it is for.
    auto* sheets = bench.window().findChild<SheetsView*>("sheets");
    QStringList said;
    for (const ReservedRoom& room : bench.plan().sheets.room)
        for (const SheetCard& place : sheets->places()) {
            if (bench.plan().sheets.used[place.used].sheet != room.sheet) continue;
            const Point c = largest_circle(room.on_sheet, 0.5)->centre;
            said << sheets->room_at(
                {place.origin.x() + c.x * place.scale, place.origin.y() + c.y * place.scale});
        }
    EXPECT_EQ(bench.window().findChild<SheetsPanel*>()->chosen(), SheetsPanel::Leftovers)
        << "where it is said";
    ASSERT_FALSE(said.isEmpty());
    for (const QString& words : said)
        EXPECT_TRUE(words.startsWith("Room for a piece of Tram Terrace")) << qPrintable(words);

    save_as(bench, "kite.zesty");
    bench.open(bench.folder("kite.zesty"));
    EXPECT_TRUE(reserves_just(bench.document().project(), taken)) << "saved and opened again";
    bench.key(Qt::Key_4, Qt::ControlModifier);
    bench.key(Qt::Key_L);
    bench.settle();
    EXPECT_TRUE(bench.document().project() == before) << "the same key takes it back";
    EXPECT_TRUE(bench.plan().sheets.room.empty());
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_TRUE(reserves_just(bench.document().project(), taken));
}

TEST(RoomJourney, ASizeOfThePickedPaperIsKeptWholeByTypingIt) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_4, Qt::ControlModifier);
    const int barley = bench.document().project().stash->find("barley");
    bench.state().drawer().pick(barley);
    bench.window().findChild<SheetsPanel*>()->choose(SheetsPanel::Leftovers);
    bench.settle();
    type(field(bench, "Width to reserve"), "1 1/2");
    bench.settle();
    EXPECT_EQ(reserved_size(bench.document().project(), "barley"),
              (Point{1.5 * mm_per_inch, 1.5 * mm_per_inch}))
        << "one length is a square";
    type(field(bench, "Height to reserve"), "1");
    bench.settle();
    EXPECT_EQ(reserved_size(bench.document().project(), "barley"), (Point{1.5 * mm_per_inch, mm_per_inch}));
    bench.state().drawer().pick(bench.document().project().stash->find("gull-print"));
    bench.settle();
    EXPECT_EQ(field(bench, "Width to reserve")->text(), "0 in");
    bench.state().drawer().pick(barley);
    bench.settle();
    EXPECT_EQ(field(bench, "Width to reserve")->text(), "1 1/2 in");
    type(field(bench, "Width to reserve"), "0");
    bench.settle();
    EXPECT_TRUE(bench.document().project().sheets.reserved.empty());
}

} // namespace zesty
