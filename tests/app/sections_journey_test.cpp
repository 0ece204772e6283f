// Sections by mouse and keys: grouped, divided, treated, backed.

#include "app/bench.h"
#include "app/sections/divide_part.h"
#include "app/sections/sections_panel.h"
#include "app/setout/ladder_chart.h"
#include "app/setout/set_out_panel.h"
#include "core/sections/grouping.h"
#include "support/demo.h"

#include <QComboBox>
#include <QImage>
#include <QLineEdit>
#include <QMenu>
#include <QPainter>
#include <QPushButton>
#include <QRadioButton>
#include <QSpinBox>
#include <QTest>
#include <gtest/gtest.h>

namespace zesty {

using testing::Bench;

TEST(SectionsJourney, OpeningsAreDrawnRoundGroupedTreatedAndDivided) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_2, Qt::ControlModifier);
    // Draw round the whole kite from a free corner of the page.
    QTest::mousePress(&bench.page(), Qt::LeftButton, {}, at(bench, {5, 5}));
    for (const Point p : {Point{300, 5}, Point{300, 150}, Point{5, 150}})
        QTest::mouseMove(&bench.page(), at(bench, p));
    QTest::mouseRelease(&bench.page(), Qt::LeftButton, {}, at(bench, {5, 150}));
    EXPECT_GT(bench.state().selected().size(), 8u);
    EXPECT_LT(bench.state().selected().size(), bench.plan().sections.cut->openings.size());
    bench.state().select({10});
    press(bench, "Shaker");
    EXPECT_EQ(bench.document().project().sections.choice(10).treatment, Treatment::Shaker);
    EXPECT_TRUE(told(bench, Code::Shaker) || told(bench, Code::ShakerWalls));
    press(bench, "Photo");
    EXPECT_TRUE(told(bench, Code::PhotoToOrder));
    bench.key(Qt::Key_B);
    bench.settle();
    EXPECT_EQ(bench.document().project().sections.choice(10).treatment, Treatment::Paper);
    // By bands of the page.
    bench.state().select({});
    bench.window().findChild<QComboBox*>();
    for (QComboBox* c : bench.window().findChildren<QComboBox*>())
        if (c->accessibleName() == "Group by") c->setCurrentIndex(2);
    press(bench, "Group");
    EXPECT_LE(bench.plan().sections.all.size(), 5u);
    bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    // Divide one opening by a line drawn across it.
    press(bench, "Divide");
    press(bench, "Line");
    const std::size_t before = bench.plan().sections.all.size();
    Box b;
    for (Point p : bench.plan().sections.cut->openings[10].outline.outer)
        b.add(bench.plan().set_out.whole.to_page(p));
    const Point middle =
        bench.plan().set_out.whole.to_page(bench.plan().sections.cut->openings[10].label.centre);
    drag(bench, at(bench, middle - Point{12, 3}), at(bench, middle + Point{12, 3}));
    EXPECT_EQ(bench.plan().sections.all.size(), before + 1);
    EXPECT_EQ(bench.plan().sections.spots[10].part, 1);
    bench.state().select({10});
    bench.key(Qt::Key_D, Qt::ShiftModifier);
    bench.settle();
    EXPECT_EQ(bench.plan().sections.all.size(), before);
    press(bench, "Divide the base");
    EXPECT_TRUE(bench.document().project().sections.divisions.contains(base_spot));
    press(bench, "Make the base whole");
    EXPECT_TRUE(bench.document().project().sections.divisions.empty());
}

TEST(SectionsJourney, MethodsAreComparedAndChosen) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_2, Qt::ControlModifier);
    press(bench, "Method");
    bench.state().select({10});
    bench.settle();
    int figures = 0;
    for (QLabel* l : bench.window().findChildren<QLabel*>())
        figures += l->isVisible() && l->text().endsWith("sq in");
    EXPECT_EQ(figures, count_of_values<BackingMethod>);
    for (QRadioButton* r : bench.window().findChildren<QRadioButton*>())
        if (r->text() == "Glue and trim")
            QTest::mouseClick(r, Qt::LeftButton, {}, QPoint(8, r->height() / 2));
    bench.settle();
    EXPECT_EQ(bench.document().project().sections.backing.method, BackingMethod::GlueAndTrim);
    for (const Patch& p : bench.plan().sections.patches) EXPECT_FALSE(p.blank.outer.empty());
    press(bench, "Use this method");
    EXPECT_TRUE(bench.document().project().sections.choice(10).method);
    press(bench, "Use page's method");
    EXPECT_FALSE(bench.document().project().sections.choice(10).method);
    press(bench, "Overlap");
    EXPECT_EQ(bench.document().project().sections.backing.lips, LipMode::Overlap);
}

TEST(SectionsJourney, OneSheetTakesThePaperThatIsGivenToAnyOfItsOpenings) {
    Bench bench;
    bench.open(demo::project());
    bench.document().change("One sheet",
                            [](Project& p) { p.sections.backing.method = BackingMethod::OneSheet; });
    bench.settle();
    bench.key(Qt::Key_3, Qt::ControlModifier);
    bench.drop_paper("barley", 12);
    bench.settle();
    const Plan& plan = bench.plan();
    const int section = plan.sections.of_opening[12];
    EXPECT_EQ(plan.sections.of_opening[3], section) << "one section for the cut";
    EXPECT_EQ(bench.document().project().match.choice(plan.sections.all[section].id).paper, "barley");
}

TEST(SectionsJourney, NamesOrderAndLipsOfSectionsAreDecided) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_2, Qt::ControlModifier);
    bench.click(10);
    type(bench, "Name of the section", "sky");
    EXPECT_EQ(bench.document().project().sections.choice(10).name, "sky");
    type(bench, "Lip of these sections", "1.2 mm");
    EXPECT_NEAR(*bench.document().project().sections.choice(10).lip, 1.2, 1e-9);
    EXPECT_NEAR(bench.plan().sections.patches[static_cast<std::size_t>(bench.plan().patch_of(10))].lip, 1.2,
                0.05);
    for (QSpinBox* b : bench.window().findChildren<QSpinBox*>())
        if (b->accessibleName() == "When it is glued") {
            b->setValue(1);
            emit b->editingFinished();
        }
    bench.settle();
    EXPECT_EQ(bench.document().project().sections.choice(10).order, 1);
    EXPECT_EQ(bench.plan().sections.patches[static_cast<std::size_t>(bench.plan().patch_of(10))].order, 1);
    bench.page().setFocus();
    bench.state().select({13});
    bench.key(Qt::Key_R);
    const auto row = row_of(*bench.plan().sections.cut, bench.plan().set_out.whole.to_page, 13);
    EXPECT_GT(row.size(), 1u);
    EXPECT_EQ(bench.state().selected(), (std::set<int>{row.begin(), row.end()}));
    bench.state().select({10});
    for (const char* treatment : {"Open", "Inlay", "Vellum", "Words", "Cut out"}) {
        press(bench, treatment);
        EXPECT_EQ(bench.plan().patch_of(10) >= 0, QString(treatment) != "Open") << treatment;
    }
    while (bench.document().history().canUndo()) bench.key(Qt::Key_Z, Qt::ControlModifier);
    bench.settle();
    EXPECT_TRUE(bench.document().project().sections.choice(10).name.empty());
}

TEST(SectionsJourney, SingleBarsDoOtherwiseThanThePage) {
    Bench bench;
    bench.open(demo::project());
    bench.key(Qt::Key_2, Qt::ControlModifier);
    press(bench, "Method");
    auto* says = bench.window().findChild<QLabel*>("bars");
    EXPECT_TRUE(says->text().startsWith("Select openings"));
    const Bar bar =
        *std::find_if(bench.plan().sections.cut->bars.begin(), bench.plan().sections.cut->bars.end(),
                      [](const Bar& b) { return b.b != Bar::edge && b.width > 1; });
    bench.click(bar.a);
    bench.click(bar.b, Qt::ShiftModifier);
    bench.settle();
    EXPECT_TRUE(says->text().startsWith("1 bar between")) << says->text().toStdString();
    for (QPushButton* b : bench.window().findChildren<QPushButton*>())
        if (b->isVisible() && b->text() == "Overlap" &&
            b->parentWidget()->accessibleName() == "The bars chosen")
            QTest::mouseClick(b, Qt::LeftButton);
    bench.settle();
    ASSERT_EQ(bench.document().project().sections.bars.size(), 1u);
    EXPECT_EQ(bench.document().project().sections.bars.begin()->second, LipMode::Overlap);
    press(bench, "Same as page");
    EXPECT_TRUE(bench.document().project().sections.bars.empty());
}

} // namespace zesty
