// A trimmer's cuts: from edge to edge, through nothing that is wanted, and everything comes off.

#include "core/build/trimmer.h"
#include "core/geometry/measure.h"
#include "support/between.h"
#include "support/rounds.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <random>

namespace zesty {

namespace {

/// The papers there are once all cuts are made.
std::vector<Box> cut_apart(const Box& sheet, const TrimPlan& plan) {
    std::vector<Box> papers{sheet};
    for (const TrimCut& cut : plan.cuts) {
        const auto at = std::find_if(papers.begin(), papers.end(), [&](const Box& p) {
            return p.grown(1e-6).holds(cut.paper) && cut.paper.grown(1e-6).holds(p);
        });
        if (at == papers.end()) {
            ADD_FAILURE() << "it cuts a paper that is not there";
            return papers;
        }
        Box near = *at, far = *at;
        const double place = (cut.across ? at->y0 : at->x0) + cut.at;
        (cut.across ? near.y1 : near.x1) = place;
        (cut.across ? far.y0 : far.x0) = place;
        papers.erase(at);
        papers.push_back(near);
        papers.push_back(far);
    }
    return papers;
}

} // namespace

TEST(Trimmer, TakesABaseOffItsSheetInTwoCuts) {
    const Box sheet{0, 0, 304.8, 304.8};
    const Box base{0, 0, 292.1, 292.1};
    const TrimPlan plan = trim_plan(sheet, {base});
    ASSERT_EQ(plan.cuts.size(), 2u);
    for (const TrimCut& cut : plan.cuts) EXPECT_NEAR(cut.at, 292.1, 1e-9);
    EXPECT_TRUE(plan.by_knife.empty());
    EXPECT_NEAR(plan.largest_left.area(), 12.7 * 304.8, 1e-6) << "a whole strip is left, not two halves";
    EXPECT_TRUE(trim_plan(sheet, {sheet}).cuts.empty());
    EXPECT_NEAR(trim_plan(sheet, {}).largest_left.area(), sheet.area(), 1e-9);
}

TEST(Trimmer, SaysWhatNoCutParts) {
    // Four rectangles round a square: every line runs through one of them.
    const TrimPlan plan =
        trim_plan({0, 0, 30, 30}, {{0, 0, 20, 10}, {20, 0, 30, 20}, {10, 20, 30, 30}, {0, 10, 10, 30}});
    EXPECT_TRUE(plan.cuts.empty());
    EXPECT_EQ(plan.by_knife.size(), 4u);
}

TEST(Trimmer, EveryRandomRectangleComesOffWholeOrIsLeftToTheKnife) {
    std::mt19937 random(12);
    for (int round = 0; round < testing::rounds(200); ++round) {
        const Box sheet{0, 0, 300, 300};
        std::vector<Box> wanted;
        for (int tries = 0; tries < 30 && wanted.size() < 7; ++tries) {
            const double w = testing::between(random, 10, 120), h = testing::between(random, 10, 120);
            const double x = testing::between(random, 0, 300 - w), y = testing::between(random, 0, 300 - h);
            const Box b{x, y, x + w, y + h};
            if (std::none_of(wanted.begin(), wanted.end(), [&](const Box& o) { return o.grown(1).meets(b); }))
                wanted.push_back(b);
        }
        const TrimPlan plan = trim_plan(sheet, wanted);
        const std::vector<Box> papers = cut_apart(sheet, plan);
        double area = 0;
        for (const Box& p : papers) area += p.area();
        EXPECT_NEAR(area, sheet.area(), 1e-6);
        for (std::size_t i = 0; i < wanted.size(); ++i) {
            const bool knife = std::find(plan.by_knife.begin(), plan.by_knife.end(), static_cast<int>(i)) !=
                               plan.by_knife.end();
            const auto holds = std::count_if(papers.begin(), papers.end(),
                                             [&](const Box& p) { return p.grown(0.1).holds(wanted[i]); });
            EXPECT_GE(holds, 1) << "nothing is cut through";
            const bool alone = std::any_of(papers.begin(), papers.end(), [&](const Box& p) {
                return std::abs(p.area() - wanted[i].area()) < 0.2 * (p.width() + p.height()) &&
                       p.grown(0.1).holds(wanted[i]);
            });
            EXPECT_TRUE(alone || knife);
        }
    }
}

} // namespace zesty
