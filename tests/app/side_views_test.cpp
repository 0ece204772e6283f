// Second look, the room that the page has, and what is printed, in the real window.

#include "app/bench.h"
#include "app/bench/drawer.h"
#include "app/bench/second_look.h"
#include "app/page/page_view.h"
#include "io/read_file.h"
#include "support/demo.h"
#include "support/patience.h"

#include <QApplication>
#include <QDeadlineTimer>
#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QTemporaryDir>
#include <QTest>
#include <gtest/gtest.h>
#include <map>

namespace zesty {

using namespace testing;

TEST(SecondLook, CardsAreSortedAndCanBeReachedByKey) {
    Bench bench;
    bench.open(demo::project());
    auto* look = bench.window().findChild<SecondLook*>();
    const auto named_like = [&](const char* start) {
        std::vector<QWidget*> out;
        for (QWidget* w : look->findChildren<QWidget*>())
            if (w->objectName().startsWith(start)) out.push_back(w);
        return out;
    };
    // Many of a kind are one card and a count, until they are asked for.
    std::map<Code, std::size_t> kinds;
    for (const Finding& f : bench.plan().findings) ++kinds[f.code];
    std::size_t folded = 0;
    for (const auto& [code, count] : kinds) folded += count > 2 ? count - 1 : 0;
    ASSERT_GT(folded, 0u);
    EXPECT_EQ(named_like("finding-").size() + folded, bench.plan().findings.size());
    for (QWidget* fold : named_like("fold-")) {
        EXPECT_TRUE(qobject_cast<QPushButton*>(fold)->text().endsWith("more like this"));
        click(fold);
    }
    bench.settle();
    const std::vector<QWidget*> cards = named_like("finding-");
    ASSERT_EQ(cards.size(), bench.plan().findings.size());
    EXPECT_TRUE(cards.front()->accessibleName().startsWith("Problem: "));
    EXPECT_TRUE(cards.back()->accessibleName().startsWith("Note: "));
    cards.front()->setFocus();
    bench.key(cards.front(), Qt::Key_Space);
    EXPECT_EQ(bench.state().selected(), std::set<int>{10});
}

TEST(SecondLook, KindsAreFoldedWhileCardsAreStillAdded) {
    BenchState state;
    SecondLook look(state);
    auto plan = std::make_shared<Plan>();
    for (int i = 0; i < 40; ++i) plan->findings.push_back({.code = Code::NoPaper, .title = "a"});
    for (int i = 0; i < 18; ++i) plan->findings.push_back({.code = Code::Sliver, .title = "b"});
    state.show_plan(plan, {});
    const auto settle = [&] {
        QDeadlineTimer limit(patience_ms);
        while (!look.up_to_date() && !limit.hasExpired()) QApplication::processEvents();
        QApplication::processEvents();
    };
    const auto fold = [&](Code code) {
        return look.findChild<QPushButton*>(QString("fold-%1").arg(key_of(code)));
    };
    settle();
    ASSERT_TRUE(fold(Code::Sliver));
    click(fold(Code::Sliver));
    settle();
    ASSERT_TRUE(fold(Code::NoPaper));
    click(fold(Code::NoPaper));
    // All of the one kind have their cards, of the other not yet: the one is folded meanwhile.
    QDeadlineTimer limit(patience_ms);
    while ((look.up_to_date() || !fold(Code::NoPaper) || !fold(Code::NoPaper)->text().startsWith("Fold")) &&
           !limit.hasExpired())
        QApplication::processEvents();
    ASSERT_FALSE(look.up_to_date());
    click(fold(Code::NoPaper));
    settle();
    EXPECT_EQ(fold(Code::NoPaper)->text(), "39 more like this");
    EXPECT_TRUE(look.up_to_date());
}

TEST(Room, ThePageHasItWhereItIsAboutThePage) {
    Bench bench;
    bench.window().resize(1280, 800);
    bench.open(demo::project());
    auto* drawer = bench.window().findChild<Drawer*>("drawer");
    auto* page = bench.window().findChild<PageView*>();
    const auto height = [&] { return page->map().scale * 12 * mm_per_inch; };
    for (const int waypoint : {Qt::Key_1, Qt::Key_2}) {
        bench.key(static_cast<Qt::Key>(waypoint), Qt::ControlModifier);
        EXPECT_TRUE(drawer->folded());
        EXPECT_GE(height(), 580);
    }
    // Small swatches can still be picked.
    click(drawer->swatch(2));
    EXPECT_EQ(bench.state().drawer().picked(), 2);
    bench.key(Qt::Key_3, Qt::ControlModifier);
    EXPECT_FALSE(drawer->folded());
    bench.key(Qt::Key_1, Qt::ControlModifier);
    bench.key(Qt::Key_F9);
    EXPECT_FALSE(drawer->folded());
    EXPECT_LT(height(), 580);
    bench.key(Qt::Key_2, Qt::ControlModifier);
    EXPECT_FALSE(drawer->folded()) << "it is remembered";
    click(named(bench.window(), "fold-drawer"));
    EXPECT_TRUE(drawer->folded());
}

TEST(Room, ADoubleClickBringsAnOpeningCloseAndThePageBack) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_2, Qt::ControlModifier);
    auto* page = bench.window().findChild<PageView*>();
    const double whole = page->map().scale;
    QTest::mouseDClick(page, Qt::LeftButton, {}, page->map()(bench.plan().middle_of(10)).toPoint());
    EXPECT_GT(page->map().scale, 2 * whole);
    EXPECT_EQ(page->opening_at(page->rect().center()), 10);
    // Anywhere that is no opening.
    QPoint bare;
    for (int x = 30; x < page->width() && bare.isNull(); x += 3)
        if (page->opening_at(QPointF(x, 60)) < 0) bare = {x, 60};
    ASSERT_FALSE(bare.isNull());
    QTest::mouseDClick(page, Qt::LeftButton, {}, bare);
    EXPECT_NEAR(page->map().scale, whole, 1e-6);
}

TEST(Guide, ItsChaptersAreChosenAndItsPagesCountedBeforeItIsWritten) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_4, Qt::ControlModifier);
    bench.settle();
    auto* pages = bench.window().findChild<QLabel*>("guide-pages");
    ASSERT_TRUE(pages);
    const auto count = [&] { return pages->text().split(' ').front().toInt(); };
    const int all = count();
    EXPECT_GT(all, 3);
    EXPECT_LE(all, 11);
    QMenu* menu = named(bench.window(), "chapters")->menu();
    for (QAction* a : menu->actions()) a->setChecked(a->text() == "Key with numbers");
    bench.settle();
    EXPECT_EQ(count(), 1);
}

} // namespace zesty
