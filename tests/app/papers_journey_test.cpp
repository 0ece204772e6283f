// A whole page matched, corrected by hand, proposed again around what is kept, and packed: once by mouse,
// once by keys alone; and the papers themselves.

#include "app/bench.h"
#include "app/bench/drawer_filter.h"
#include "app/papers/opening_part.h"
#include "app/papers/paper_part.h"
#include "app/papers/papers_panel.h"
#include "app/papers/proposals_view.h"
#include "app/sheets/sheets_view.h"
#include "io/stash_store.h"
#include "support/demo.h"

#include <QComboBox>
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

namespace {

QPoint pixel_on_sheets(const SheetsView& sheets, const Plan& plan, int patch) {
    for (const SheetCard& place : sheets.places())
        if (plan.sheets.used[place.used].sheet == plan.sheets.placed[patch].sheet) {
            const Point at =
                plan.sheets.placed[patch].to_sheet()(plan.middle_of(plan.sections.patches[patch].opening));
            return {static_cast<int>(place.origin.x() + at.x * place.scale),
                    static_cast<int>(place.origin.y() + at.y * place.scale)};
        }
    ADD_FAILURE() << "the patch is on no sheet";
    return {};
}

} // namespace

TEST(PapersJourney, ByMouse) {
    Bench bench;
    bench.open(demo::project());
    bench.window().actions()[Act::ToPapers]->trigger();
    click(named(bench.window(), "propose"));
    bench.settle();
    // Side by side, each as a card; a click chooses one, a double click shows it on the page.
    auto* gallery = bench.window().findChild<ProposalsView*>("proposals");
    ASSERT_TRUE(gallery->isVisible());
    ASSERT_GE(bench.state().offers().all().size(), 3u);
    QTest::mouseClick(gallery, Qt::LeftButton, {}, gallery->card(1).center().toPoint());
    EXPECT_EQ(bench.state().offers().number(), 1);
    QTest::mouseDClick(gallery, Qt::LeftButton, {}, gallery->card(1).center().toPoint());
    EXPECT_TRUE(bench.page().isVisible());
    // Compared with what there is: the line follows the mouse.
    auto* compare = bench.window().findChild<QSlider*>("compare");
    compare->setValue(500);
    bench.settle();
    ASSERT_TRUE(bench.state().offers().compared_at());
    const double width = bench.document().project().set_out.page.full_width();
    const QPoint line = bench.page().map()(Point{width / 2, 20}).toPoint();
    QTest::mousePress(&bench.page(), Qt::LeftButton, {}, line);
    QTest::mouseMove(&bench.page(), line + QPoint(60, 0));
    QTest::mouseRelease(&bench.page(), Qt::LeftButton, {}, line + QPoint(60, 0));
    EXPECT_GT(*bench.state().offers().compared_at(), 0.55);
    // For one opening only.
    const Project before = bench.document().project();
    const Project offered = bench.state().offers().shown()->project;
    bench.click(10);
    bench.window().actions()[Act::TakeForSelection]->trigger();
    bench.settle();
    EXPECT_EQ(bench.document().project().match.choice(Spot(10)).paper, offered.match.choice(Spot(10)).paper);
    EXPECT_TRUE(bench.document().project().match.choice(Spot(10)).locked);
    EXPECT_EQ(bench.document().project().sections.choice(Spot(12)), before.sections.choice(Spot(12)));
    EXPECT_FALSE(bench.state().offers().shown());
    // Corrected by hand: another paper from the list, which says why.
    bench.state().select({});
    bench.click(16);
    bench.settle();
    const auto others = bench.window().findChild<QWidget*>("others")->findChildren<QPushButton*>();
    ASSERT_GE(others.size(), 3);
    click(others[1]);
    bench.settle();
    const PaperChoice by_hand = bench.document().project().match.choice(Spot(16));
    EXPECT_TRUE(by_hand.locked);
    // Proposed again around it, taken, packed.
    bench.state().select({});
    bench.window().findChild<PapersPanel*>()->choose(PapersPanel::Propose);
    click(named(bench.window(), "propose"));
    bench.settle();
    ASSERT_TRUE(bench.state().offers().shown());
    click(named(bench.window(), "take"));
    bench.settle();
    EXPECT_EQ(bench.document().project().match.choice(Spot(16)), by_hand);
    EXPECT_EQ(bench.document().project().match.choice(Spot(10)).paper, offered.match.choice(Spot(10)).paper);
    bench.window().actions()[Act::ToSheets]->trigger();
    bench.settle();
    EXPECT_TRUE(bench.plan().sheets.done);
    EXPECT_GT(bench.plan().sheets.used.size(), 3u);
}

TEST(PapersJourney, ByKeysAlone) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_3, Qt::ControlModifier);
    bench.key(Qt::Key_P);
    bench.settle();
    ASSERT_GE(bench.state().offers().all().size(), 3u);
    EXPECT_EQ(bench.state().offers().number(), 0);
    bench.key(Qt::Key_Right);
    EXPECT_EQ(bench.state().offers().number(), 1);
    bench.key(Qt::Key_J);
    EXPECT_EQ(bench.state().offers().number(), 2);
    bench.key(Qt::Key_S);
    EXPECT_TRUE(bench.page().isVisible());
    const Project offered = bench.state().offers().shown()->project;
    bench.key(Qt::Key_Return, Qt::ControlModifier);
    bench.settle();
    EXPECT_TRUE(bench.document().project() == offered);
    // Walk to an opening, turn a paper over in the drawer, give it.
    bench.page().setFocus();
    bench.key(Qt::Key_Right);
    const int opening = *bench.state().selected().begin();
    auto* drawer = bench.window().findChild<Drawer*>("drawer");
    const int barley = bench.document().project().stash->find("barley");
    drawer->swatch(barley)->setFocus();
    bench.key(Qt::Key_V);
    EXPECT_EQ(bench.state().drawer().side_up(barley), Side::B);
    bench.key(Qt::Key_Return);
    bench.settle();
    EXPECT_EQ(bench.document().project().match.choice(Spot(opening)).paper, "barley");
    EXPECT_EQ(bench.document().project().match.choice(Spot(opening)).side, Side::B);
    bench.page().setFocus();
    bench.key(Qt::Key_P);
    bench.settle();
    bench.key(Qt::Key_Return, Qt::ControlModifier);
    bench.settle();
    EXPECT_EQ(bench.document().project().match.choice(Spot(opening)).side, Side::B) << "given by hand stays";
    // On the sheets: pushed, turned, pinned, let go.
    bench.key(Qt::Key_4, Qt::ControlModifier);
    bench.settle();
    auto* sheets = bench.window().findChild<SheetsView*>("sheets");
    bench.state().select({opening});
    const PlacedPatch was = bench.plan().sheets.placed[bench.plan().patch_of(opening)];
    bench.key(sheets, Qt::Key_K);
    bench.settle();
    ASSERT_TRUE(bench.document().project().sheets.pins.contains(Spot(opening)));
    EXPECT_EQ(bench.plan().sheets.placed[bench.plan().patch_of(opening)].shift, was.shift);
    bench.key(sheets, Qt::Key_Down, Qt::ShiftModifier);
    bench.settle();
    EXPECT_NEAR(bench.document().project().sheets.pins.at(Spot(opening)).shift.y,
                was.shift.y + mm_per_inch / 16, 1e-9);
    bench.key(sheets, Qt::Key_K, Qt::ShiftModifier);
    bench.settle();
    EXPECT_TRUE(bench.document().project().sheets.pins.empty());
}

TEST(SheetsView, APatchThatIsDraggedIsPinnedWhereItIsLetGo) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_4, Qt::ControlModifier);
    bench.settle();
    auto* sheets = bench.window().findChild<SheetsView*>("sheets");
    const int patch = bench.plan().patch_of(18);
    const PlacedPatch was = bench.plan().sheets.placed[patch];
    const QPoint from = pixel_on_sheets(*sheets, bench.plan(), patch);
    ASSERT_EQ(sheets->patch_at(from), patch);
    double scale = 1;
    for (const auto& p : sheets->places())
        if (bench.plan().sheets.used[p.used].sheet == was.sheet) scale = p.scale;
    QTest::mousePress(sheets, Qt::LeftButton, {}, from);
    QTest::mouseMove(sheets, from + QPoint(10, 8));
    QTest::mouseRelease(sheets, Qt::LeftButton, {}, from + QPoint(10, 8));
    bench.settle();
    ASSERT_TRUE(bench.document().project().sheets.pins.contains(Spot(18)));
    const Point moved = bench.document().project().sheets.pins.at(Spot(18)).shift - was.shift;
    EXPECT_NEAR(moved.x, 10 / scale, 1.0 / scale);
    EXPECT_NEAR(moved.y, 8 / scale, 1.0 / scale);
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_TRUE(bench.document().project().sheets.pins.empty());
}

TEST(PageView, ThePrintIsDraggedToWhereItIsWanted) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_3, Qt::ControlModifier);
    bench.click(18);
    bench.settle();
    click(named(bench.window(), "move-pattern"));
    EXPECT_EQ(bench.state().tools().tool(), PageTools::Tool::MovePattern);
    const int patch = bench.plan().patch_of(18);
    const Point was = bench.plan().sheets.placed[patch].to_sheet()(bench.plan().middle_of(18));
    const QPoint from = bench.pixel_of(18);
    QTest::mousePress(&bench.page(), Qt::LeftButton, {}, from);
    QTest::mouseMove(&bench.page(), from + QPoint(4, 3));
    QTest::mouseMove(&bench.page(), from + QPoint(6, 4));
    QTest::mouseRelease(&bench.page(), Qt::LeftButton, {}, from + QPoint(6, 4));
    bench.settle();
    EXPECT_EQ(bench.document().history().count(), 1) << "a drag is one step";
    const auto& wish = bench.document().project().match.choice(Spot(18)).pattern;
    ASSERT_TRUE(wish.motif);
    EXPECT_NEAR(wish.motif->off_middle.x, 6 / bench.page().map().scale, 1.5 / bench.page().map().scale);
    if (bench.plan().sheets.placed[patch].sheet >= 0) {
        const Point now =
            bench.plan().sheets.placed[patch].to_sheet()(bench.plan().middle_of(18) + wish.motif->off_middle);
        EXPECT_LT(distance(now, wish.motif->on_paper), 1e-6);
        EXPECT_LT(distance(wish.motif->on_paper, was), 1.5 / bench.page().map().scale);
    }
    bench.page().setFocus();
    bench.key(Qt::Key_Right);
    bench.settle();
    EXPECT_EQ(bench.document().history().count(), 2);
}

TEST(Drawer, FiltersAndPutsWhatThisPageUsesFirst) {
    Bench bench;
    bench.open(demo::project());
    auto* drawer = bench.window().findChild<Drawer*>("drawer");
    const auto& stash = *bench.document().project().stash;
    bench.key(Qt::Key_G, Qt::ControlModifier);
    auto* words = bench.window().findChild<QLineEdit*>("find-paper");
    ASSERT_TRUE(words->hasFocus());
    QTest::keyClicks(words, "dot");
    bench.settle();
    EXPECT_TRUE(drawer->swatch(stash.find("thistle-dot")));
    EXPECT_FALSE(drawer->swatch(stash.find("barley")));
    words->clear();
    auto* kind = bench.window().findChild<QComboBox*>("find-kind");
    kind->setCurrentText("ombre");
    bench.settle();
    EXPECT_TRUE(drawer->swatch(stash.find("skein-ombre")));
    EXPECT_FALSE(drawer->swatch(stash.find("thistle-dot")));
    kind->setCurrentText("small");
    bench.settle();
    EXPECT_TRUE(drawer->swatch(stash.find("barley"))) << "its side B is one";
    kind->setCurrentIndex(0);
    bench.document().change("Without", [](Project& p) {
        for (auto& [spot, c] : p.match.choices) c.paper = c.paper == "hillside" ? "hillside" : "";
    });
    bench.page().setFocus();
    bench.settle();
    QApplication::processEvents();
    EXPECT_LT(drawer->swatch(stash.find("hillside"))->x(), drawer->swatch(stash.find("hedge-stripe"))->x());
}

TEST(AimsPart, ProposalsOnShowFollowTheAims) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_3, Qt::ControlModifier);
    bench.key(Qt::Key_P);
    bench.settle();
    ASSERT_TRUE(bench.state().offers().shown());
    bench.window().findChild<PapersPanel*>()->choose(PapersPanel::Aims);
    auto* thrift = bench.window().findChild<QSlider*>("aim5");
    ASSERT_TRUE(thrift->isVisible());
    thrift->setFocus();
    bench.key(thrift, Qt::Key_End);
    EXPECT_FALSE(bench.state().offers().shown()) << "those were for other aims";
    bench.settle();
    ASSERT_TRUE(bench.state().offers().shown()) << "worked out anew without being asked";
    EXPECT_EQ(bench.state().offers().shown()->project.match.style.weights.thrift, 2);
    EXPECT_TRUE(thrift->isVisible());
    // Another decision ends it.
    bench.document().change("Lip", [](Project& p) { p.sections.lip = 2; });
    bench.settle();
    EXPECT_FALSE(bench.state().offers().shown());
    // Two proposals compared with each other.
    bench.key(Qt::Key_P);
    bench.settle();
    ASSERT_GE(bench.state().offers().all().size(), 2u);
    bench.window().findChild<PapersPanel*>()->choose(PapersPanel::Propose);
    auto* with = bench.window().findChild<QComboBox*>("compare-with");
    with->setCurrentIndex(1);
    bench.settle();
    ASSERT_TRUE(bench.state().offers().compared_with());
    EXPECT_TRUE(bench.state().offers().compared_at());
    EXPECT_TRUE(bench.page().isVisible());
}

} // namespace zesty
