// Whole evenings on an imaginary table: pages with everything on them, each step done or refused, and the
// page that lies there in the end is the page of the plan. 200 pages; with ZESTY_LONG=2000 as many.

#include "core/project/build_steps.h"
#include "core/project/planner.h"
#include "support/full_page.h"
#include "support/pages.h"
#include "support/sheets_once.h"
#include "support/table.h"

#include <cstdlib>
#include <gtest/gtest.h>
#include <iostream>
#include <random>

namespace zesty {

namespace {

int evenings() {
    const char* asked = std::getenv("ZESTY_LONG");
    return std::max(200, asked ? std::atoi(asked) : 0);
}

} // namespace

TEST(Evening, IsPlayedWithoutAStepThatCannotBeDoneAndASheetIsCutOnce) {
    std::size_t steps = 0, violations = 0;
    int planned = 0;
    for (int seed = 1; planned < evenings() && seed <= 2 * evenings(); ++seed) {
        const Project page = testing::full_page(static_cast<unsigned>(seed));
        const auto plan = Planner(testing::laid_before()).plan(page);
        if (!plan) continue; // a base that cannot be divided that way says so, and another page is played
        ++planned;
        const std::size_t all = build_steps(page, *plan).size();
        steps += all;
        const std::string where = "page " + std::to_string(seed);
        testing::expect_sheets_cut_once(page, *plan, where);
        testing::expect_rest_given_back(page, *plan, where);
        const std::size_t ticked =
            seed % 2 ? 0 : std::mt19937(static_cast<unsigned>(seed))() % std::max<std::size_t>(1, all);
        for (const std::string& said : testing::played(page, *plan, ticked)) {
            ++violations;
            ADD_FAILURE() << where << ": " << said;
        }
    }
    std::cout << "[ evenings ] " << planned << " pages, " << steps << " steps, " << violations
              << " violations\n";
    EXPECT_EQ(planned, evenings());
}

} // namespace zesty
