// One paper at a time: its facts, its stock, and who else wants it.

#include "app/bench.h"
#include "app/bench/drawer_filter.h"
#include "app/papers/fussy_cut_view.h"
#include "app/papers/opening_part.h"
#include "app/papers/paper_part.h"
#include "app/papers/papers_panel.h"
#include "app/papers/proposals_view.h"
#include "app/sections/sections_panel.h"
#include "app/sheets/sheets_view.h"
#include "core/geometry/measure.h"
#include "io/project_file.h"
#include "io/stash_json.h"
#include "io/stash_store.h"
#include "support/demo.h"

#include <QClipboard>
#include <QComboBox>
#include <QDir>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSlider>
#include <QSpinBox>
#include <QTest>
#include <gtest/gtest.h>

namespace zesty {

using testing::Bench;
using testing::click;
using testing::named;

TEST(PaperPart, FactsStockAndRolesAreDecisionsThatCanBeUndone) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_3, Qt::ControlModifier);
    const int barley = bench.document().project().stash->find("barley");
    bench.state().drawer().pick(barley);
    auto* panel = bench.window().findChild<PapersPanel*>();
    panel->choose(PapersPanel::Paper);
    const auto paper = [&] {
        return bench.document().project().stash->papers[static_cast<std::size_t>(barley)];
    };
    auto* name = bench.window().findChild<QLineEdit*>("paper-name");
    name->setFocus();
    name->selectAll();
    QTest::keyClicks(name, "Ripe Barley");
    bench.key(name, Qt::Key_Return);
    EXPECT_EQ(paper().name, "Ripe Barley");
    auto* pattern = bench.window().findChild<QComboBox*>("paper-pattern");
    pattern->setCurrentText("large");
    EXPECT_EQ(paper().pattern, Pattern::Large);
    auto* role = bench.window().findChild<QComboBox*>("paper-role");
    role->setCurrentText("to tie the page");
    EXPECT_EQ(bench.document().project().match.roles.at("barley"), PaperRole::Tie);
    bench.settle();
    auto* count = bench.window().findChild<QWidget*>("stock")->findChild<QSpinBox*>();
    count->setValue(4);
    EXPECT_EQ(paper().sheets[0].count, 4);
    bench.settle();
    EXPECT_EQ(std::count_if(bench.plan().papers.sheets.begin(), bench.plan().papers.sheets.end(),
                            [&](const Sheet& s) { return s.paper == barley; }),
              5);
    // A new paper from its picture, and the picture of another side.
    bench.picture_answer = demo::file("papers/hillside.png");
    const std::size_t papers = bench.document().project().stash->papers.size();
    click(named(bench.window(), "new-paper"));
    bench.settle();
    ASSERT_EQ(bench.document().project().stash->papers.size(), papers + 1);
    EXPECT_EQ(bench.document().project().stash->papers.back().id, "hillside-2") << "hillside is taken";
    while (bench.document().history().canUndo()) bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(paper().name, "Barley");
    EXPECT_EQ(bench.document().project().stash->papers.size(), papers);
}

TEST(Drawer, ShowsWhatOtherPagesHaveReserved) {
    Bench bench;
    ASSERT_TRUE(QFile::copy(demo::project(), bench.folder("own.zesty")));
    bench.open(bench.folder("own.zesty"));
    testing::take_papers_in(bench);
    bench.save_answer = bench.folder("one.zesty");
    bench.key(Qt::Key_S, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(bench.state().drawer().reserved("brick-dust"), 0) << "this page's own use is no other page's";
    bench.save_answer = bench.folder("two.zesty");
    bench.key(Qt::Key_S, Qt::ControlModifier | Qt::ShiftModifier);
    bench.settle();
    const int brick = bench.document().project().stash->find("brick-dust");
    EXPECT_NEAR(bench.state().drawer().reserved("brick-dust"), bench.plan().papers.uses[brick].used_area,
                1e-6);
    const PaperUse& use = bench.plan().papers.uses[brick];
    EXPECT_TRUE(bench.window().findChild<Drawer*>("drawer")->swatch(brick)->status().endsWith(
        QString("%1 % left").arg(std::lround(100 * (1 - 2 * use.used_area / use.stock_area)))))
        << "both this page and the other take it";
}

TEST(PaperPart, AScrapIsMeasuredFromItsScan) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_3, Qt::ControlModifier);
    bench.state().drawer().pick(0);
    auto* panel = bench.window().findChild<PapersPanel*>();
    panel->choose(PapersPanel::Paper);
    bench.picture_answer = demo::file("scans/scrap.jpg");
    emit panel->paper_part().ask_scrap();
    bench.settle();
    const auto& sheets = bench.document().project().stash->papers[0].sheets;
    ASSERT_EQ(sheets.size(), 3u) << bench.message().toStdString();
    EXPECT_TRUE(sheets.back().irregular);
    ASSERT_EQ(sheets.back().outline.holes.size(), 1u);
    Box box;
    for (Point p : sheets.back().outline.outer) box.add(p);
    EXPECT_NEAR(box.width(), 99, 6) << "turned a little, but of that size";
    bench.picture_answer = demo::file("papers/barley.png");
    emit panel->paper_part().ask_scrap();
    bench.settle();
    EXPECT_EQ(bench.document().project().stash->papers[0].sheets.size(), 3u);
    EXPECT_FALSE(bench.message().isEmpty());
}

TEST(FirstStart, LeadsToACompleteProposalInAFewClicks) {
    Bench bench;
    int clicks = 0;
    const auto clicked = [&](QWidget* w) {
        ++clicks;
        click(w);
        bench.settle();
    };
    bench.open_answer = demo::drawing();
    ++clicks; // the drawing is chosen in the file dialog
    bench.window().actions()[Act::Open]->trigger();
    bench.settle();
    clicked(named(bench.window(), "first-starter"));
    EXPECT_EQ(bench.plan().papers.uses.size(), 24u);
    ++clicks;
    bench.window().actions()[Act::ToPapers]->trigger();
    bench.settle();
    clicked(named(bench.window(), "propose"));
    ASSERT_TRUE(bench.state().offers().shown());
    clicked(named(bench.window(), "take"));
    EXPECT_TRUE(bench.plan().sheets.short_patches.empty());
    EXPECT_TRUE(std::none_of(bench.plan().papers.of_section.begin(), bench.plan().papers.of_section.end(),
                             [](int p) { return p < 0; }));
    EXPECT_LE(clicks, 12);
    // All of it can be taken back.
    while (bench.document().history().canUndo()) bench.document().history().undo();
    bench.settle();
    EXPECT_TRUE(bench.document().project().stash->papers.empty());
}

TEST(FirstStart, PapersAreTypedInOneAfterTheOther) {
    Bench bench;
    click(named(bench.window(), "first-add"));
    const auto into = [&](const char* field, const char* text) {
        auto* edit = bench.window().findChild<QLineEdit*>(field);
        edit->setFocus();
        QTest::keyClicks(edit, text);
        return edit;
    };
    into("new-paper-name", "Ripe Barley");
    bench.key(into("new-paper-colour", "kite"), Qt::Key_Return);
    EXPECT_TRUE(bench.document().project().stash->papers.empty()) << "a kite is no colour";
    bench.window().findChild<QLineEdit*>("new-paper-colour")->clear();
    bench.key(into("new-paper-colour", "ochre"), Qt::Key_Return);
    for (const char* colour : {"muted teal", "dark red", "sky blue", "cream", "#3e7c4f"})
        bench.key(into("new-paper-colour", colour), Qt::Key_Return);
    bench.settle();
    const auto& papers = bench.document().project().stash->papers;
    ASSERT_EQ(papers.size(), 6u);
    EXPECT_EQ(papers[0].name, "Ripe Barley");
    EXPECT_EQ(papers[1].name, "muted teal") << "a paper without a name is called by its colour";
    for (const Paper& p : papers) {
        ASSERT_EQ(p.sheets.size(), 1u);
        EXPECT_EQ(p.sheets[0].count, 1);
    }
    bench.key(Qt::Key_Escape);
    EXPECT_FALSE(bench.window().findChild<QWidget*>("add-paper")->isVisible());
    bench.document().history().undo();
    EXPECT_EQ(bench.document().project().stash->papers.size(), 5u);
}

namespace {

/// Waits until the window sees what others have done to its stash; 2 s at most.
bool sees(Bench& bench, const std::function<bool(const Stash&)>& what) {
    return QTest::qWaitFor([&] { return what(*bench.document().project().stash); }, 2000);
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
    for (const Paper& p : store.read()->papers) EXPECT_FALSE(p.uid.empty());
    bench.document().history().undo();
    bench.settle();
    EXPECT_TRUE(store.read()->papers.empty());
    bench.document().history().redo();
    bench.settle();
    EXPECT_EQ(store.read()->papers.size(), 24u);
    EXPECT_TRUE(as_kept(bench.document().project()).stash == nullptr) << "a page keeps what it uses";
}

TEST(LivingStash, ShowsWhatAnotherProgramDoesWithinTwoSecondsAndUndoTakesBackItsOwnAlone) {
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
    bench.document().history().undo();
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
    EXPECT_TRUE(QTest::qWaitFor([&] { return bench.message().contains("not in the stash yet"); }, 3000));
    EXPECT_EQ(bench.document().project().stash->papers.size(), 24u) << "nothing is lost here";
    ASSERT_TRUE(QDir().rmdir(bench.folder("papers.stash")));
    EXPECT_TRUE(QTest::qWaitFor(
        [&] {
            const auto stash = read_stash(bench.folder("papers.stash"));
            return stash && stash->papers.size() == 24;
        },
        5000));
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
    EXPECT_TRUE(QTest::qWaitFor([&] { return bench.message().contains("backed up"); }, 3000));
    const Stash before = *bench.document().project().stash;
    bench.document().history().undo();
    bench.settle();
    bench.papers_answer = {bench.folder("backup.stash")};
    bench.window().actions()[Act::Restore]->trigger();
    EXPECT_TRUE(QTest::qWaitFor([&] { return bench.document().project().stash->papers.size() == 2; }, 3000));
    bench.settle();
    EXPECT_EQ(bench.document().project().stash->papers[0].uid, before.papers[0].uid);
    // A folder of pictures, dropped: papers at once.
    bench.papers_answer = {demo::file("papers")};
    bench.window().actions()[Act::BringIn]->trigger();
    bench.settle();
    EXPECT_GT(bench.document().project().stash->papers.size(), 8u);
}

TEST(FussyCuts, AreFoundByAClickOnTheMotifAndLetGoOfAgain) {
    Bench bench;
    bench.papers_answer = {demo::file("papers/thistle-dot.png")};
    bench.window().actions()[Act::BringIn]->trigger();
    bench.settle();
    bench.key(Qt::Key_3, Qt::ControlModifier);
    bench.state().drawer().pick(0);
    bench.window().findChild<PapersPanel*>()->choose(PapersPanel::Paper);
    bench.settle();
    click(named(bench.window(), "fussy-cut"));
    auto* view = bench.window().findChild<FussyCutView*>("fussy-cuts");
    ASSERT_TRUE(view && view->isVisible());
    const auto cuts = [&] { return bench.document().project().stash->papers[0].fussy_cuts; };
    // Somewhere near by there is a dot.
    for (int k = 0; k < 100 && cuts().empty(); ++k) {
        const Point at{100.0 + 2 * (k % 10), 100.0 + 2 * (k / 10)};
        QTest::mouseClick(view, Qt::LeftButton, {}, view->pixel_of(at).toPoint());
        bench.settle();
    }
    ASSERT_EQ(cuts().size(), 1u) << bench.message().toStdString();
    EXPECT_EQ(motifs_left(bench.document().project().stash->papers[0], cuts()[0]), 1);
    const Point middle = bounds(cuts()[0].outline).centre();
    QTest::mouseMove(view, view->pixel_of(middle).toPoint());
    bench.key(view, Qt::Key_Delete);
    EXPECT_TRUE(cuts().empty());
    bench.document().history().undo();
    EXPECT_EQ(cuts().size(), 1u);
    bench.key(Qt::Key_Escape);
    EXPECT_FALSE(view->isVisible());
}

TEST(HowMuchPart, BacksAThirdInOneStep) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_2, Qt::ControlModifier);
    bench.window().findChild<SectionsPanel*>()->choose(3);
    bench.settle();
    const int steps = bench.document().history().count();
    click(named(bench.window(), "back-third"));
    bench.settle();
    EXPECT_EQ(bench.document().history().count(), steps + 1);
    const auto& all = bench.plan().sections.all;
    EXPECT_GT(std::count_if(all.begin(), all.end(),
                            [](const Section& s) { return s.treatment == Treatment::Open; }),
              10);
    bench.document().history().undo();
    bench.settle();
    EXPECT_EQ(std::count_if(bench.plan().sections.all.begin(), bench.plan().sections.all.end(),
                            [](const Section& s) { return s.treatment == Treatment::Open; }),
              1);
}

TEST(SecondLook, AFindingIsSetAsideByItsButtonAndShownAgain) {
    Bench bench;
    bench.open(demo::project());
    const std::size_t before = bench.plan().findings.size();
    ASSERT_GT(before, 2u);
    click(named(bench.window(), "meant-so"));
    bench.settle();
    EXPECT_EQ(bench.plan().findings.size(), before - 1);
    click(named(bench.window(), "ask-again"));
    bench.settle();
    EXPECT_EQ(bench.plan().findings.size(), before);
}

} // namespace zesty
