// Pages that shared sheets and each other's scraps go back in any order.

#include "core/geometry/measure.h"
#include "core/project/build_steps.h"
#include "core/project/finishing.h"
#include "core/project/planner.h"
#include "core/project/stash_at_hand.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <random>

namespace zesty {

using testing::page_with;

namespace {

/// How many there are of each sheet, whatever their order; none of them less than none.
std::vector<std::tuple<std::string, double, double, int>> drawer_of(const Stash& stash) {
    std::vector<std::tuple<std::string, double, double, int>> out;
    for (const Paper& p : stash.papers)
        for (const SheetStock& s : p.sheets) {
            EXPECT_GE(s.count, 0);
            if (s.count > 0) out.emplace_back(p.id, area(s.outline), bounds(s.outline).width(), s.count);
        }
    std::sort(out.begin(), out.end());
    return out;
}

Project finished_page_of(Project page) {
    Planner planner(testing::laid_before());
    const Plan shapes = testing::shapes_of(page);
    if (const auto papers = planner.propose(page, true)) page = with_papers(page, shapes, *papers);
    const auto plan = planner.plan(page);
    EXPECT_TRUE(plan);
    finish(page, finishing_of(page, *plan, FinishWhat::Everything, build_steps(page, *plan)),
           FinishWhat::Everything, "2026-11-28");
    return page;
}

} // namespace

TEST(Finishing, PagesThatSharedSheetsAndScrapsArePutBackInAnyOrder) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    int waited = 0;
    for (unsigned seed = 1; seed <= 5; ++seed) {
        std::mt19937 random(seed);
        Stash few;
        few.papers = {testing::paper("barley", {220, 190, 90}, 304.8, 1),
                      testing::paper("hedge", {70, 120, 80}, 304.8, 1)};
        Shared<Stash> drawer = std::make_shared<const Stash>(few);
        const auto at_first = drawer_of(*drawer);
        std::vector<Project> done;
        for (unsigned n = 0; n < 4; ++n) {
            Project page = page_with(10 * seed + n, 3, 1 + static_cast<int>(n % 2), *drawer);
            page.stash = drawer;
            done.push_back(finished_page_of(page));
            drawer = done.back().stash;
        }
        for (int turns = 0; !done.empty(); ++turns) {
            ASSERT_LT(turns, 100) << "some page is never put back";
            const std::size_t i = random() % done.size();
            done[i].stash = drawer;
            const auto said = put_back(done[i]);
            drawer = done[i].stash;
            (void)drawer_of(*drawer);
            EXPECT_EQ(said.empty(), done[i].keep.changes.empty()) << "what stays taken is said";
            waited += !said.empty();
            if (said.empty()) done.erase(done.begin() + static_cast<std::ptrdiff_t>(i));
        }
        EXPECT_EQ(drawer_of(*drawer), at_first) << "drawer " << seed;
    }
    EXPECT_GT(waited, 0) << "some page was cut from another's scraps";
}

} // namespace zesty
