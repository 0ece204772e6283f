// Long runs of random decisions: nothing that was computed before may colour what is computed now.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/planner.h"
#include "support/edits.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <algorithm>
#include <gtest/gtest.h>

namespace zesty {

namespace {

Project start(std::mt19937& random, int& openings) {
    const Drawing d = testing::random_lattice(random, 3, 3, 3);
    openings = static_cast<int>(read_cut(d)->openings.size());
    return testing::project_of(d);
}

void expect_same_plan(const Plan& a, const Plan& b) {
    ASSERT_EQ(a.sections.spots, b.sections.spots);
    ASSERT_EQ(a.sections.of_opening, b.sections.of_opening);
    ASSERT_EQ(a.sections.patches.size(), b.sections.patches.size());
    for (std::size_t i = 0; i < a.sections.patches.size(); ++i) {
        EXPECT_EQ(a.sections.patches[i].outline, b.sections.patches[i].outline) << "patch " << i;
        EXPECT_EQ(a.sections.patches[i].opening, b.sections.patches[i].opening);
        EXPECT_EQ(a.sections.patches[i].section, b.sections.patches[i].section);
        EXPECT_EQ(a.sections.patches[i].order, b.sections.patches[i].order);
        EXPECT_EQ(a.sections.patches[i].blank, b.sections.patches[i].blank);
    }
    EXPECT_EQ(a.sections.covered, b.sections.covered);
    ASSERT_EQ(a.findings.size(), b.findings.size());
    for (std::size_t i = 0; i < a.findings.size(); ++i)
        EXPECT_EQ(a.findings[i].message, b.findings[i].message);
}

/// What holds for every plan, whatever was decided.
void expect_sense(const Project& project, const Plan& plan) {
    std::vector<int> seen(plan.sections.cut->openings.size(), 0);
    for (const Section& s : plan.sections.all)
        for (int o : s.openings) ++seen[o];
    EXPECT_TRUE(std::all_of(seen.begin(), seen.end(), [](int n) { return n == 1; }))
        << "each opening in one section";
    const Box page = project.set_out.page.whole().grown(0.05);
    std::vector<int> orders;
    for (const Patch& p : plan.sections.patches) {
        EXPECT_TRUE(takes_paper(plan.sections.all[p.section].treatment));
        EXPECT_LT(plan.sections.covered[p.opening], hidden_share);
        EXPECT_TRUE(is_valid({p.outline})) << "patch of " << p.opening + 1;
        const Box b = bounds(p.outline);
        EXPECT_TRUE(page.contains({b.x0, b.y0}) && page.contains({b.x1, b.y1})) << "off the page";
        EXPECT_GE(p.lip, 0);
        EXPECT_LE(p.lip, std::max(p.lip_wanted, 12.0) + 40);
        orders.push_back(p.order);
        EXPECT_LT(p.rides_on, static_cast<int>(plan.sections.patches.size()));
    }
    std::sort(orders.begin(), orders.end());
    EXPECT_EQ(std::unique(orders.begin(), orders.end()), orders.end()) << "two patches glued at once";
    for (const Neighbours& n : plan.sections.neighbours) {
        EXPECT_LT(n.a, n.b);
        EXPECT_LE(n.width, neighbour_limit + 1e-9);
    }
}

} // namespace

TEST(RandomEdits, APlannerThatHasSeenMuchSaysWhatAFreshOneSays) {
    for (const unsigned seed : {1u, 2u, 3u}) {
        std::mt19937 random(seed);
        int openings = 0;
        Project p = start(random, openings);
        Planner seasoned;
        if (seed != 2) seasoned.remember(6);
        std::vector<Project> history{p};
        for (int step = 0; step < testing::rounds(40); ++step) {
            // Now and then back to something that was there before, as undo does.
            if (step % 9 == 8)
                p = history[random() % history.size()];
            else
                testing::random_edit(p, random, openings);
            history.push_back(p);
            const auto known = seasoned.shapes(p);
            Planner fresh;
            const auto anew = fresh.shapes(p);
            ASSERT_EQ(known.has_value(), anew.has_value()) << "seed " << seed << " step " << step;
            if (!known) continue;
            expect_same_plan(*known, *anew);
            expect_sense(p, *known);
            if (::testing::Test::HasFailure()) FAIL() << "seed " << seed << " step " << step;
        }
    }
}

} // namespace zesty
