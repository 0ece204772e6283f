// Keep in the real window: a page is finished, undone, remembered and begun again, by mouse and keys.

#include "app/bench.h"
#include "app/bench/living_stash.h"
#include "app/keep/page_card.h"
#include "app/keep/went_row.h"
#include "core/project/stash_at_hand.h"
#include "core/stash/stock.h"
#include "io/read_file.h"
#include "io/stash_store.h"
#include "support/demo.h"
#include "support/patience.h"

#include <QApplication>
#include <QCheckBox>
#include <QFile>
#include <QLabel>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QTest>
#include <gtest/gtest.h>

namespace zesty::testing {

namespace {

double area_at_hand(Bench& bench) {
    return stock_area(stash_at_hand(bench.document().project()));
}

Stash stash_of(Bench& bench) {
    return *StashStore::open(bench.settings().stash_file())->read();
}

std::vector<PageCard*> cards(Bench& bench) {
    std::vector<PageCard*> out;
    for (PageCard* c : bench.window().findChildren<PageCard*>())
        if (c->isVisible() && c->isEnabled()) out.push_back(c);
    return out;
}

/// The page on the bench, shown where it will stand; null where it is not.
PageCard* first_card(Bench& bench) {
    for (PageCard* c : bench.window().findChildren<PageCard*>())
        if (c->isVisible() && !c->isEnabled()) return c;
    return nullptr;
}

/// What the drawer before and after says.
QStringList cards_of_the_drawer(Bench& bench) {
    QStringList out;
    for (const QWidget* w : bench.window().findChild<QWidget*>("drawer-change")->findChildren<QWidget*>())
        if (!w->accessibleName().isEmpty()) out << w->accessibleName();
    return out;
}

/// The demo at Keep, its papers in the stash.
void go_to_keep(Bench& bench) {
    bench.open(demo::project());
    take_papers_in(bench);
    bench.key(Qt::Key_7, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(bench.state().waypoint(), Waypoint::Keep);
}

} // namespace

TEST(KeepJourney, APageIsFinishedUndoneAndRedoneAsOneStep) {
    Bench bench;
    go_to_keep(bench);
    EXPECT_TRUE(cards(bench).empty());
    ASSERT_NE(first_card(bench), nullptr) << "an empty shelf shows what would stand on it";
    EXPECT_EQ(first_card(bench)->accessibleName(), "Kite Hill, not finished yet");
    auto* map = bench.window().findChild<QWidget*>("sheet-map");
    EXPECT_TRUE(map->isHidden()) << "nothing has been cut";
    EXPECT_FALSE(bench.window().findChild<QWidget*>("drawer-change")->isHidden())
        << "the drawer before and after is shown before anything happens";
    const double before = area_at_hand(bench);
    const Project as_it_was = bench.document().project();
    press(bench, "Finish the page");
    bench.settle();
    EXPECT_LT(area_at_hand(bench), before);
    EXPECT_FALSE(bench.document().project().keep.finished.empty());
    EXPECT_TRUE(map->isVisible());
    EXPECT_TRUE(map->accessibleDescription().contains("patches") &&
                map->accessibleDescription().contains("went back"))
        << map->accessibleDescription().toStdString();
    ASSERT_EQ(cards(bench).size(), 1u);
    EXPECT_EQ(first_card(bench), nullptr);
    EXPECT_TRUE(cards(bench)[0]->accessibleName().contains("sheet"));
    ASSERT_EQ(stash_of(bench).records.size(), 1u);
    EXPECT_TRUE(StashStore::open(bench.settings().stash_file())->file(stash_of(bench).records[0].picture));
    const auto finished_plan = bench.plan().sheets.short_patches.size();
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_NEAR(area_at_hand(bench), before, 1e-6);
    EXPECT_EQ(bench.document().project().keep, as_it_was.keep);
    EXPECT_TRUE(stash_of(bench).records.empty());
    EXPECT_TRUE(cards(bench).empty());
    bench.key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    EXPECT_EQ(stash_of(bench).records.size(), 1u);
    EXPECT_EQ(bench.plan().sheets.short_patches.size(), finished_plan);
    press(bench, "Put everything back");
    bench.settle();
    EXPECT_NEAR(area_at_hand(bench), before, 1);
}

TEST(KeepJourney, WhatIsSaidOfAPageGoesIntoItsRecordAndIsFound) {
    Bench bench;
    go_to_keep(bench);
    const int take_in_steps = bench.document().history().count();
    QPlainTextEdit* story = nullptr;
    for (auto* field : bench.window().findChildren<QPlainTextEdit*>())
        if (field->accessibleName() == "Story") story = field;
    ASSERT_NE(story, nullptr);
    story->setFocus();
    QTest::keyClicks(story, "The red one got away.");
    EXPECT_TRUE(QTest::qWaitFor(
        [&] { return bench.document().project().keep.notes.story == "The red one got away."; }, patience_ms));
    bench.settle();
    EXPECT_EQ(bench.document().history().count(), take_in_steps + 1) << "typed in one go, one step";
    EXPECT_EQ(bench.document().project().keep.notes.story, "The red one got away.")
        << "what is typed is there without leaving the field";
    type(bench, "Tags, with commas between them", "wind, hill,, wind");
    EXPECT_EQ(bench.document().project().keep.notes.story, "The red one got away.");
    EXPECT_EQ(bench.document().project().keep.notes.tags, (std::vector<std::string>{"wind", "hill"}));
    bench.key(Qt::Key_Y, Qt::ControlModifier | Qt::AltModifier);
    bench.settle();
    ASSERT_EQ(stash_of(bench).records.size(), 1u);
    EXPECT_EQ(stash_of(bench).records[0].notes.story, "The red one got away.");
    type(bench, "Album", "Hill album");
    bench.settle();
    EXPECT_EQ(stash_of(bench).records[0].notes.album, "Hill album") << "later words go to the record, too";
    bench.picture_answer = demo::file("photos/first-leaves.png");
    bench.key(Qt::Key_R, Qt::ControlModifier | Qt::AltModifier);
    bench.settle();
    EXPECT_FALSE(stash_of(bench).records[0].photo.empty());
    bench.key(Qt::Key_G, Qt::ControlModifier | Qt::AltModifier);
    auto* find = bench.window().findChild<QLineEdit*>("find-page");
    EXPECT_TRUE(find->hasFocus());
    QTest::keyClicks(find, "wind");
    EXPECT_EQ(cards(bench).size(), 1u);
    QTest::keyClicks(find, " snow");
    EXPECT_TRUE(cards(bench).empty());
    find->clear();
    press(bench, "By album");
    EXPECT_EQ(cards(bench).size(), 1u);
    EXPECT_FALSE(bench.window().findChildren<WentRow*>().isEmpty());
    bench.save_answer = bench.folder("pages.html");
    bench.key(Qt::Key_T, Qt::ControlModifier | Qt::AltModifier);
    bench.settle();
    EXPECT_TRUE(read_file(bench.folder("pages.html"), 1 << 28)->contains("The red one got away."));
}

TEST(KeepJourney, APageThatWasNotSavedCatchesUpWhenItIsOpenedAgain) {
    Bench bench;
    const QString file = bench.folder("kite.zesty");
    ASSERT_TRUE(QFile::copy(demo::project(), file));
    bench.open(file);
    take_papers_in(bench);
    bench.save_answer = file;
    bench.key(Qt::Key_S, Qt::ControlModifier);
    bench.settle();
    bench.key(Qt::Key_Y, Qt::ControlModifier | Qt::AltModifier);
    bench.settle();
    const KeepDecisions kept = bench.document().project().keep;
    ASSERT_FALSE(kept.taken.empty());
    bench.discard_answer = true;
    bench.open(file);
    bench.settle();
    EXPECT_EQ(bench.document().project().keep.taken, kept.taken);
    EXPECT_EQ(bench.document().project().keep.finished, kept.finished);
    EXPECT_TRUE(bench.message().contains("not saved")) << bench.message().toStdString();
}

TEST(KeepJourney, APageIsBegunAgainFromTheShelf) {
    Bench bench;
    go_to_keep(bench);
    bench.key(Qt::Key_Y, Qt::ControlModifier | Qt::AltModifier);
    bench.settle();
    ASSERT_EQ(cards(bench).size(), 1u);
    click(cards(bench)[0]);
    press(bench, "Other papers");
    bench.settle();
    EXPECT_EQ(bench.state().waypoint(), Waypoint::SetOut);
    EXPECT_EQ(bench.document().project().title, "Kite Hill again");
    EXPECT_TRUE(bench.document().project().keep.taken.empty());
    EXPECT_EQ(bench.document().project().set_out.cuts.size(), 1u);
}

TEST(KeepJourney, DropOutsComeBackAsScrapsOrAsEmbellishmentsOrNotAtAll) {
    Bench bench;
    go_to_keep(bench);
    const auto scraps = [&]() -> QCheckBox* {
        for (QCheckBox* box : bench.window().findChildren<QCheckBox*>())
            if (box->isVisible() && box->text() == "Large drop-outs become scraps") return box;
        return nullptr;
    };
    EXPECT_EQ(scraps(), nullptr) << "the kite's cardstock is not in the stash";
    const auto things = [&] { return stash_of(bench).embellishments.size(); };
    const std::size_t had = things();
    QPushButton* of_cuts = button(bench, "Add the cut's drop-outs to the drawer");
    ASSERT_NE(of_cuts, nullptr);
    click(of_cuts);
    bench.settle();
    EXPECT_GT(things(), had);
    const Embellishment& drop_out = stash_at_hand(bench.document().project()).embellishments.back();
    const QString card =
        QString::fromStdString(drop_out.name + ": ") +
        (drop_out.count == 1 ? QString("all of them")
                             : QString("%1 of %2 stay").arg(drop_out.count - 1).arg(drop_out.count));
    EXPECT_FALSE(cards_of_the_drawer(bench).contains(card));
    bench.document().change("Put a drop-out on the page", [id = drop_out.id](Project& p) {
        p.dress.embellishments.push_back({id, {30, 30}, 0, {}});
    });
    bench.settle();
    EXPECT_TRUE(cards_of_the_drawer(bench).contains(card))
        << cards_of_the_drawer(bench).join("\n").toStdString();
    bench.document().undo();
    bench.document().undo();
    bench.settle();
    EXPECT_EQ(things(), had);
    bench.document().change("Cut from a paper of the stash", [](Project& p) {
        for (PlacedCut& cut : p.set_out.cuts) cut.paper = p.stash->papers[0].id;
    });
    bench.settle();
    EXPECT_TRUE(of_cuts->isHidden()) << "they come back as scraps of that paper";
    ASSERT_NE(scraps(), nullptr);
    EXPECT_TRUE(scraps()->isChecked());
    click(scraps());
    bench.settle();
    EXPECT_FALSE(bench.document().project().keep.drop_outs);
    bench.document().undo();
    bench.settle();
    EXPECT_TRUE(bench.document().project().keep.drop_outs);
    EXPECT_TRUE(scraps()->isChecked());
}

TEST(KeepJourney, ALongShelfIsGoneThroughByKeysToItsEndAtOnce) {
    constexpr int pages = 90;
    Bench bench;
    const auto filled = StashStore::open(bench.settings().stash_file())->change([](const Stash& now) {
        Stash then = now;
        for (int i = 0; i < pages; ++i) {
            PageRecord r;
            r.id = "page-" + std::to_string(i);
            r.title = "Hill walk " + std::to_string(i + 1);
            r.finished = "2026-10-" + std::string(i < 45 ? "11" : "24");
            then.records.push_back(r);
        }
        return Result<Stash>(then);
    });
    ASSERT_TRUE(filled) << filled.error().message;
    go_to_keep(bench);
    auto* find = bench.window().findChild<QLineEdit*>("find-page");
    QTest::keyClicks(find, "31");
    bench.settle();
    EXPECT_EQ(cards(bench).size(), 1u);
    // The shelf begins anew with the first letter, and no time passes until it is counted.
    find->selectAll();
    QTest::keyClicks(find, "walk");
    QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
    ASSERT_FALSE(cards(bench).empty()) << "those in sight are there at once";
    EXPECT_LT(cards(bench).size(), std::size_t{pages}) << "the others are not waited for";
    cards(bench)[0]->setFocus();
    const auto focused = [] { return qobject_cast<PageCard*>(QApplication::focusWidget()); };
    const PageCard* first = focused();
    for (const PageCard* before = nullptr; focused() != before;) {
        before = focused();
        QTest::keyClick(focused(), Qt::Key_Down);
    }
    for (const PageCard* before = nullptr; focused() != before;) {
        before = focused();
        QTest::keyClick(focused(), Qt::Key_Right);
    }
    EXPECT_TRUE(QTest::qWaitFor([&] { return cards(bench).size() == pages; }, patience_ms));
    for (const PageCard* c : cards(bench)) EXPECT_LE(c->y(), focused()->y());
    EXPECT_EQ(focused(), cards(bench).back());
    EXPECT_FALSE(focused()->visibleRegion().isEmpty()) << "the shelf follows the keys";
    EXPECT_TRUE(focused()->isChecked());
    EXPECT_FALSE(first->isChecked());
    QTest::keyClick(focused(), Qt::Key_Backtab, Qt::ShiftModifier);
    EXPECT_EQ(focused(), cards(bench)[pages - 2]) << "Tab goes from card to card in their order";
}

namespace {

bool finished(BenchWindow& w) {
    return !w.document().project().keep.finished.empty();
}

std::string message(BenchWindow& w) {
    return w.findChild<QLabel*>("message")->text().toStdString();
}

bool refused(BenchWindow& w) {
    return message(w).find("nothing was done") != std::string::npos;
}

/// As somebody does who is told that the drawer has changed just now.
void finish_at_last(BenchWindow& w) {
    constexpr int a_while_ms = 10'000;
    for (int i = 0; i < 12 && !finished(w); ++i) {
        w.actions()[Act::FinishPage]->trigger();
        (void)QTest::qWaitFor([&] { return finished(w); }, a_while_ms);
    }
    EXPECT_TRUE(finished(w)) << message(w);
}

} // namespace

TEST(KeepJourney, TwoWindowsFinishPagesAtOnceAndTheDrawerStaysRight) {
    Bench bench;
    go_to_keep(bench);
    const double before = area_at_hand(bench);
    const auto area_in_stash = [&] { return stock_area(stash_of(bench)); };
    Settings other_settings(bench.folder("other/settings.ini"));
    other_settings.use_stash(bench.settings().stash_file());
    BenchWindow other(other_settings, {});
    other.show();
    const auto settle_both = [&] {
        EXPECT_TRUE(
            QTest::qWaitFor([&] { return other.settled() && bench.window().settled(); }, patience_ms));
        bench.settle();
    };
    const auto records_of = [](BenchWindow& w) { return w.document().project().stash->records.size(); };
    const auto both_see = [&](std::size_t records) {
        EXPECT_TRUE(QTest::qWaitFor(
            [&] { return records_of(bench.window()) == records && records_of(other) == records; },
            patience_ms));
        settle_both();
    };
    // A page of its own: one that lies in the same file catches up with the record instead of being finished
    // twice.
    const QString second = bench.folder("second.zesty");
    ASSERT_TRUE(QFile::copy(demo::project(), second));
    other.open(second);
    EXPECT_TRUE(
        QTest::qWaitFor([&] { return other.document().project().set_out.cuts.size() > 0; }, patience_ms));
    settle_both();
    std::vector<BenchWindow*> both{&bench.window(), &other};
    for (BenchWindow* w : both) w->actions()[Act::FinishPage]->trigger();
    for (BenchWindow* w : both)
        EXPECT_TRUE(QTest::qWaitFor([&] { return finished(*w) || refused(*w); }, patience_ms)) << message(*w);
    settle_both();
    // Whoever saw the drawer change between asking and taking was told so, and asks again.
    for (BenchWindow* w : both) {
        if (finished(*w)) continue;
        EXPECT_TRUE(QTest::qWaitFor([&] { return records_of(*w) == 1; }, patience_ms));
        settle_both();
        finish_at_last(*w);
    }
    both_see(2);
    EXPECT_LT(area_in_stash(), before) << "two pages cut from one drawer make no paper";
    for (const Paper& p : stash_of(bench).papers)
        for (const SheetStock& s : p.sheets) EXPECT_GE(s.count, 0);
    // Where the one was cut from scraps of the other, that one can only be undone after it.
    for (std::size_t turn = 0; turn < 2; ++turn)
        for (BenchWindow* w : both) {
            if (!finished(*w)) continue;
            w->actions()[Act::Undo]->trigger();
            settle_both();
        }
    both_see(0);
    EXPECT_TRUE(stash_of(bench).records.empty());
    EXPECT_NEAR(area_in_stash(), before, 1);
    EXPECT_NEAR(area_at_hand(bench), before, 1);
}

} // namespace zesty::testing
