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
    role->setCurrentText("to tie the page together");
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
    while (bench.document().history().canUndo()) bench.document().undo();
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
    bench.document().undo();
    EXPECT_EQ(bench.document().project().stash->papers.size(), 5u);
}

namespace {

std::vector<FussyCut> cuts_of_first(Bench& bench) {
    return bench.document().project().stash->papers[0].fussy_cuts;
}

/// The view with one of the dots of a paper found by clicking near it; null where there is none.
FussyCutView* with_a_dot_found(Bench& bench) {
    bench.papers_answer = {demo::file("papers/thistle-dot.png")};
    bench.window().actions()[Act::BringIn]->trigger();
    bench.settle();
    bench.key(Qt::Key_3, Qt::ControlModifier);
    bench.state().drawer().pick(0);
    bench.window().findChild<PapersPanel*>()->choose(PapersPanel::Paper);
    bench.settle();
    click(named(bench.window(), "fussy-cut"));
    auto* view = bench.window().findChild<FussyCutView*>("fussy-cuts");
    if (!view || !view->isVisible()) return nullptr;
    for (int k = 0; k < 100 && cuts_of_first(bench).empty(); ++k) {
        const Point at{100.0 + 2 * (k % 10), 100.0 + 2 * (k / 10)};
        QTest::mouseClick(view, Qt::LeftButton, {}, view->pixel_of(at).toPoint());
        bench.settle();
    }
    return cuts_of_first(bench).size() == 1 ? view : nullptr;
}

} // namespace

TEST(FussyCuts, AreFoundByAClickOnTheMotifAndLetGoOfAgain) {
    Bench bench;
    FussyCutView* view = with_a_dot_found(bench);
    ASSERT_TRUE(view) << bench.message().toStdString();
    const auto cuts = [&] { return cuts_of_first(bench); };
    EXPECT_EQ(motifs_left(bench.document().project().stash->papers[0], cuts()[0]), 1);
    const Point middle = bounds(cuts()[0].outline).centre();
    // The brush adds from inside, and with Shift takes away.
    const double found = area(cuts()[0].outline);
    const auto brush = [&](Qt::KeyboardModifiers keys, Point from, Point to) {
        QTest::mousePress(view, Qt::LeftButton, keys, view->pixel_of(from).toPoint());
        for (int k = 1; k <= 4; ++k) {
            const QPointF at = view->pixel_of(from + (to - from) * (k / 4.0));
            QMouseEvent move(QEvent::MouseMove, at, view->mapToGlobal(at), Qt::NoButton, Qt::LeftButton,
                             keys);
            QApplication::sendEvent(view, &move);
        }
        QTest::mouseRelease(view, Qt::LeftButton, keys, view->pixel_of(to).toPoint());
        bench.settle();
    };
    brush({}, middle, middle + Point{15, 0});
    const double more = area(cuts()[0].outline);
    EXPECT_GT(more, found + 10);
    brush(Qt::ShiftModifier, middle + Point{20, 0}, middle + Point{6, 0});
    EXPECT_LT(area(cuts()[0].outline), more - 5);
    bench.document().undo();
    EXPECT_EQ(area(cuts()[0].outline), more);
    QTest::mouseDClick(view, Qt::LeftButton, {}, view->pixel_of(middle).toPoint());
    auto* name = view->findChild<QLineEdit*>("fussy-cut-name");
    ASSERT_TRUE(name);
    QTest::keyClicks(name, "Kite tail bow");
    QTest::keyClick(name, Qt::Key_Return);
    bench.settle();
    EXPECT_EQ(cuts()[0].name, "Kite tail bow");
    QTest::mouseMove(view, view->pixel_of(middle).toPoint());
    bench.key(view, Qt::Key_Delete);
    EXPECT_TRUE(cuts().empty());
    bench.document().undo();
    EXPECT_EQ(cuts().size(), 1u);
    bench.key(Qt::Key_Escape);
    EXPECT_FALSE(view->isVisible());
}

TEST(FussyCuts, AreEmbellishmentsOnceTheyAreCutOutByLabelOrKey) {
    Bench bench;
    FussyCutView* view = with_a_dot_found(bench);
    ASSERT_TRUE(view) << bench.message().toStdString();
    const auto cuts = [&] { return cuts_of_first(bench); };
    const Point middle = bounds(cuts()[0].outline).centre();
    const auto things = [&] { return bench.document().project().stash->embellishments; };
    const std::size_t before = things().size();
    const QPointF below = view->pixel_of({middle.x, bounds(cuts()[0].outline).y1}) + QPointF(0, 12);
    QTest::mouseClick(view, Qt::LeftButton, {}, below.toPoint());
    bench.settle();
    ASSERT_EQ(things().size(), before + 1) << bench.message().toStdString();
    EXPECT_EQ(things().back().name, "Fussy cut of " + bench.document().project().stash->papers[0].name);
    EXPECT_TRUE(bench.document().project().stash->pictures.contains(things().back().picture));
    EXPECT_EQ(cuts()[0].used, 1);
    // Return is not for the paper in hand here. There is no other sheet that shows it.
    bench.window().actions()[Act::Give]->setEnabled(true);
    QTest::mouseMove(view, view->pixel_of(middle).toPoint());
    bench.key(view, Qt::Key_Return);
    EXPECT_TRUE(bench.message().contains("shows this motif whole")) << bench.message().toStdString();
    EXPECT_EQ(cuts()[0].used, 1);
    bench.document().undo();
    EXPECT_EQ(things().size(), before);
    EXPECT_EQ(cuts()[0].used, 0);
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
    bench.document().undo();
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
