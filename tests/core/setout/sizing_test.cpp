#include "core/geometry/measure.h"
#include "core/project/planner.h"
#include "core/setout/sizing.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

Project ladder_project(unsigned seed) {
    std::mt19937 random(seed);
    return testing::project_of(testing::random_lattice(random, 4, 4, 2));
}

} // namespace

TEST(Sizing, ResizesByWhateverRuleIsInForce) {
    Planner planner(testing::laid_before());
    Project p = ladder_project(2);
    p.set_out.page.reveal = {20, 5, 10, 5};
    for (const CutPlacement& place :
         {CutPlacement{SizeRule::Margin, 20, 0, false, {}}, CutPlacement{SizeRule::Frame, 6, 0, false, {}},
          CutPlacement{SizeRule::Width, 150, 30, false, {}},
          CutPlacement{SizeRule::Height, 170, 0, true, {}}}) {
        p.set_out.cuts.front().place = place;
        const SetOut now = planner.shapes(p)->set_out.each[0];
        p.set_out.cuts.front().place = resized(place, now, p.set_out.page, 0.8);
        EXPECT_EQ(p.set_out.cuts.front().place.rule, place.rule);
        EXPECT_NEAR(planner.shapes(p)->set_out.each[0].cut_box.width(), 0.8 * now.cut_box.width(), 1e-6);
    }
}

TEST(Sizing, ByTheFrameLeavesItsGapToTheBase) {
    Planner planner(testing::laid_before());
    Project p = ladder_project(2);
    p.set_out.page.reveal = {20, 5, 10, 5};
    p.set_out.cuts.front().place = {SizeRule::Frame, 6, 0, false, {}};
    const SetOut s = planner.shapes(p)->set_out.each[0];
    EXPECT_NEAR(s.cut_box.x0 - s.base.x0, s.base.x1 - s.cut_box.x1, 1e-6) << "in the middle of the base";
    EXPECT_NEAR(std::min(s.cut_box.x0 - s.base.x0, s.cut_box.y0 - s.base.y0), 6, 1e-6);
}

TEST(Sizing, GrowsUntilTheThinnestBarHolds) {
    Planner planner(testing::laid_before());
    Project p = ladder_project(4);
    const SetOut now = planner.shapes(p)->set_out.each[0];
    for (const Holding& h : holdings({})) {
        const auto factor = growth_for_bar(now, h.bar);
        ASSERT_TRUE(factor);
        Project q = p;
        q.set_out.cuts.front().place = resized(p.set_out.cuts.front().place, now, p.set_out.page, *factor);
        EXPECT_NEAR(planner.shapes(q)->set_out.whole.thinnest_bar, h.bar, 1e-6) << h.name;
    }
    EXPECT_FALSE(growth_for_bar(SetOut{}, 3));
}

TEST(Sizing, MeasuresFromContourToContour) {
    const CutFile cut = *read_cut(
        testing::drawing_of({testing::rectangle(0, 0, 100, 50), testing::rectangle(20, 10, 60, 40)}));
    const auto [a, b] = snapped(cut, Transform{}, {21, 25}, {58.5, 25}, 3);
    EXPECT_NEAR(distance(a, b), 40, 1e-9);
    const auto [c, d] = snapped(cut, Transform{}, {40, 25}, {58.5, 25}, 3);
    EXPECT_EQ(c, (Point{40, 25})) << "nothing near: left where it is";
    EXPECT_NEAR(d.x, 60, 1e-9);
}

TEST(Ladder, TellsWhatEverySizeDoes) {
    Planner planner(testing::laid_before());
    const Project p = ladder_project(9);
    const auto rungs = planner.ladder(p, 0, 50, 300, 6);
    ASSERT_TRUE(rungs);
    ASSERT_EQ(rungs->size(), 6u);
    for (std::size_t i = 1; i < rungs->size(); ++i) {
        const Rung& small = (*rungs)[i - 1];
        const Rung& large = (*rungs)[i];
        EXPECT_NEAR(large.thinnest_bar / small.thinnest_bar, large.size / small.size, 1e-6);
        EXPECT_GT(large.patch_area, small.patch_area);
        EXPECT_GT(large.cutting, small.cutting);
        EXPECT_GE(small.too_small, large.too_small);
    }
    // The rung of the size on the page says what the page says.
    const Plan plan = *planner.shapes(p);
    const double now = std::max(plan.set_out.whole.size.x, plan.set_out.whole.size.y);
    const Rung same = planner.ladder(p, 0, now, now, 1)->front();
    EXPECT_NEAR(same.thinnest_bar, plan.set_out.whole.thinnest_bar, 1e-9);
    EXPECT_NEAR(same.patch_area, plan.patch_area(), 0.002 * plan.patch_area());
    EXPECT_NEAR(same.backing, plan.sections.backing_minutes, 0.01 * same.backing);
}

} // namespace zesty
