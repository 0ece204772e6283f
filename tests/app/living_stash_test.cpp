// The stash that is always open: written at once, shared with other programs, brought in and written out.

#include "app/bench.h"
#include "app/bench/actions.h"
#include "app/bench/drawer.h"
#include "core/stash/stock.h"
#include "io/project_file.h"
#include "io/stash_json.h"
#include "io/stash_store.h"
#include "support/demo.h"
#include "support/patience.h"

#include <QClipboard>
#include <QDir>
#include <QPushButton>
#include <QTest>
#include <gtest/gtest.h>

namespace zesty {

using testing::Bench;
using testing::click;
using testing::named;

namespace {

/// Waits until the window sees what others have done to its stash.
bool sees(Bench& bench, const std::function<bool(const Stash&)>& what) {
    return QTest::qWaitFor([&] { return what(*bench.document().project().stash); }, patience_ms);
}

StashStore store_of(Bench& bench) {
    auto store = StashStore::open(bench.folder("papers.stash"));
    EXPECT_TRUE(store);
    return std::move(*store);
}

} // namespace

TEST(LivingStash, IsThereFromTheFirstStartAndWritesEveryChangeAtOnce) {
    Bench bench;
    click(named(bench.window(), "first-starter"));
    bench.settle();
    StashStore store = store_of(bench);
    EXPECT_EQ(store.read()->papers.size(), 24u);
    const Stash written = *store.read();
    for (const Paper& p : written.papers) EXPECT_FALSE(p.uid.empty());
    bench.document().undo();
    bench.settle();
    EXPECT_TRUE(store.read()->papers.empty());
    bench.document().redo();
    bench.settle();
    EXPECT_EQ(store.read()->papers.size(), 24u);
    EXPECT_TRUE(as_kept(bench.document().project()).stash == nullptr) << "a page keeps what it uses";
}

TEST(LivingStash, ShowsWhatAnotherProgramDoesAndUndoTakesBackItsOwnAlone) {
    Bench bench;
    click(named(bench.window(), "first-starter"));
    bench.settle();
    StashStore other = store_of(bench);
    const auto sheets_of_first = [](const Stash& s) { return s.papers.front().sheets.front().count; };
    ASSERT_TRUE(other.change([](const Stash& now) -> Result<Stash> {
        Stash next = now;
        next.papers.front().sheets.front().count += 5;
        next.papers.front().kept_in = "Blue folder";
        return next;
    }));
    EXPECT_TRUE(sees(bench, [&](const Stash& s) { return sheets_of_first(s) == 7; }));
    // A count typed here, another there, and the one here undone.
    bench.document().change_papers("How many sheets", [](const Stash& now) {
        Stash next = now;
        next.papers.front().sheets.front().count = 1;
        return next;
    });
    bench.settle();
    EXPECT_EQ(sheets_of_first(*other.read()), 1);
    ASSERT_TRUE(other.change([](const Stash& now) -> Result<Stash> {
        Stash next = now;
        next.papers.front().sheets.front().count += 2;
        return next;
    }));
    EXPECT_TRUE(sees(bench, [&](const Stash& s) { return sheets_of_first(s) == 3; }));
    bench.document().undo();
    bench.settle();
    EXPECT_EQ(sheets_of_first(*other.read()), 9) << "seven as before, and the two of the other program";
    EXPECT_EQ(other.read()->papers.front().kept_in, "Blue folder");
    EXPECT_EQ(sheets_of_first(*bench.document().project().stash), 9);
}

TEST(LivingStash, APageFromElsewhereSaysSoAndOffersItsPapers) {
    Bench bench;
    bench.open(demo::project());
    ASSERT_TRUE(testing::told(bench, Code::NotInStash));
    EXPECT_TRUE(store_of(bench).read()->papers.empty()) << "nothing is taken in unasked";
    for (const Finding& f : bench.plan().findings)
        if (f.code == Code::NotInStash)
            bench.document().change("Add them", [fix = f.fixes.front()](Project& p) { fix.apply(p); });
    bench.settle();
    EXPECT_FALSE(testing::told(bench, Code::NotInStash));
    StashStore store = store_of(bench);
    EXPECT_EQ(store.read()->papers.size(), 8u);
    // Used up by another page: the stash's count wins, and the page has something to say.
    EXPECT_TRUE(bench.plan().sheets.short_patches.size() <= 2);
    ASSERT_TRUE(store.change([](const Stash& now) -> Result<Stash> {
        Stash next = now;
        for (Paper& p : next.papers)
            if (p.id == "brick-dust") p.sheets.clear();
        return next;
    }));
    EXPECT_TRUE(sees(bench, [](const Stash& s) {
        return s.papers[static_cast<std::size_t>(s.find("brick-dust"))].sheets.empty();
    }));
    bench.settle();
    EXPECT_TRUE(testing::told(bench, Code::Short));
}

TEST(LivingStash, APinnedSheetThatIsGoneIsSaid) {
    Bench bench;
    bench.open(demo::project());
    testing::take_papers_in(bench);
    bench.document().change("Pin", [](Project& p) { p.sheets.pins[Spot(4)] = {"brick-dust#7", 0, {}}; });
    bench.settle();
    ASSERT_TRUE(testing::told(bench, Code::LostSheet));
    for (const Finding& f : bench.plan().findings)
        if (f.code == Code::LostSheet)
            bench.document().change("Unpin", [fix = f.fixes.front()](Project& p) { fix.apply(p); });
    bench.settle();
    EXPECT_TRUE(bench.document().project().sheets.pins.empty());
}

TEST(LivingStash, WhatCannotBeWrittenIsSaidKeptAndWrittenLater) {
    Bench bench;
    bench.settle();
    ASSERT_TRUE(QFile::remove(bench.folder("papers.stash")));
    ASSERT_TRUE(QDir().mkdir(bench.folder("papers.stash"))) << "no file can be there now";
    click(named(bench.window(), "first-starter"));
    EXPECT_TRUE(
        QTest::qWaitFor([&] { return bench.message().contains("not in the stash yet"); }, patience_ms));
    EXPECT_EQ(bench.document().project().stash->papers.size(), 24u) << "nothing is lost here";
    ASSERT_TRUE(QDir().rmdir(bench.folder("papers.stash")));
    EXPECT_TRUE(QTest::qWaitFor(
        [&] {
            const auto stash = read_stash(bench.folder("papers.stash"));
            return stash && stash->papers.size() == 24;
        },
        patience_ms));
}

TEST(LivingStash, WhatWasTakenForAPageComesBackWholeOrTheStepStays) {
    Bench bench;
    bench.open(demo::project());
    testing::take_papers_in(bench);
    StashStore other = store_of(bench);
    const double before = stock_area(*other.read());
    bench.window().actions()[Act::FinishPage]->trigger();
    ASSERT_TRUE(QTest::qWaitFor([&] { return !other.read()->records.empty(); }, patience_ms));
    bench.settle();
    // Somebody uses a scrap that went back.
    SheetStock used;
    std::string of;
    ASSERT_TRUE(other.change([&](const Stash& now) -> Result<Stash> {
        Stash next = now;
        for (Paper& p : next.papers)
            for (SheetStock& s : p.sheets)
                if (of.empty() && s.of == ScrapOf::Leftover && s.count > 0) {
                    used = s;
                    of = p.id;
                    --s.count;
                }
        return next;
    }));
    ASSERT_FALSE(of.empty());
    const auto in_stash = [&] { return stock_area(*other.read()); };
    const double meanwhile = in_stash();
    const auto is_finished = [&] { return !bench.document().project().keep.finished.empty(); };
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_TRUE(is_finished()) << "not one sheet less in the drawer than the page says";
    EXPECT_TRUE(bench.message().contains("nothing was done")) << bench.message().toStdString();
    EXPECT_NEAR(in_stash(), meanwhile, 1);
    EXPECT_EQ(other.read()->records.size(), 1u);
    ASSERT_TRUE(other.change([&](const Stash& now) -> Result<Stash> {
        Stash next = now;
        change_count(next.papers[static_cast<std::size_t>(next.find(of))], used, 1);
        return next;
    }));
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_FALSE(is_finished());
    EXPECT_NEAR(in_stash(), before, 1);
    EXPECT_TRUE(other.read()->records.empty());
    // The sheets are gone by the time it is to be done again.
    ASSERT_TRUE(other.change([](const Stash& now) -> Result<Stash> {
        Stash next = now;
        for (Paper& p : next.papers) p.sheets.clear();
        return next;
    }));
    bench.key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    EXPECT_FALSE(is_finished());
    EXPECT_TRUE(other.read()->records.empty());
}

TEST(LivingStash, ListsAreShownBeforeTheyAreTakenAndFilesGoOutAndIn) {
    Bench bench;
    QGuiApplication::clipboard()->setText(
        "name,colour,size,count\nRipe Barley,ochre,12x12,2\nGull,teal,6x8,5\n");
    bench.window().actions()[Act::PasteList]->trigger();
    bench.settle();
    EXPECT_TRUE(bench.document().project().stash->papers.empty()) << "shown first";
    testing::press(bench, "Add 2 papers");
    ASSERT_EQ(bench.document().project().stash->papers.size(), 2u);
    bench.save_answer = bench.folder("out.csv");
    bench.window().actions()[Act::WriteOut]->trigger();
    bench.settle();
    bench.save_answer = bench.folder("backup.stash");
    bench.window().actions()[Act::BackUp]->trigger();
    EXPECT_TRUE(QTest::qWaitFor([&] { return bench.message().contains("backed up"); }, patience_ms));
    const Stash before = *bench.document().project().stash;
    bench.document().undo();
    bench.settle();
    bench.papers_answer = {bench.folder("backup.stash")};
    bench.window().actions()[Act::Restore]->trigger();
    EXPECT_TRUE(
        QTest::qWaitFor([&] { return bench.document().project().stash->papers.size() == 2; }, patience_ms));
    bench.settle();
    EXPECT_EQ(bench.document().project().stash->papers[0].uid, before.papers[0].uid);
    // A folder of pictures, dropped: papers at once.
    bench.papers_answer = {demo::file("papers")};
    bench.window().actions()[Act::BringIn]->trigger();
    bench.settle();
    EXPECT_GT(bench.document().project().stash->papers.size(), 8u);
}

} // namespace zesty
