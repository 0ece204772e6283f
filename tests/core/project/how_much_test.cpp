// How much of a page to back: which openings are left open, and what that saves.

#include "core/geometry/measure.h"
#include "core/project/how_much.h"
#include "core/project/planner.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

/// Six small openings in a row, three middle ones, and three large ones.
Project page_of_three_sizes() {
    std::vector<Ring> rings{testing::rectangle(0, 0, 260, 200)};
    for (int k = 0; k < 6; ++k) rings.push_back(testing::rectangle(10 + 40 * k, 10, 30 + 40 * k, 30));
    for (int k = 0; k < 3; ++k) rings.push_back(testing::rectangle(10 + 82 * k, 45, 60 + 82 * k, 85));
    for (int k = 0; k < 3; ++k) rings.push_back(testing::rectangle(10 + 82 * k, 100, 80 + 82 * k, 190));
    Project p = testing::project_of(testing::drawing_of(rings));
    p.set_out.cuts[0].place = {SizeRule::Width, 260, 0, false, {}};
    return p;
}

std::vector<BackedSo> amounts(const Project& p) {
    Planner planner(testing::laid_before());
    const auto plan = planner.shapes(p);
    auto all = how_much_to_back(p, *plan, [&](const Project& x) { return planner.shapes(x); });
    EXPECT_TRUE(all);
    return all ? std::move(*all) : std::vector<BackedSo>{};
}

std::set<int> open_in(const Project& p) {
    std::set<int> out;
    for (const Section& s : testing::shapes_of(p).sections.all)
        if (s.treatment == Treatment::Open) out.insert(s.openings.front());
    return out;
}

} // namespace

TEST(HowMuch, TheSmallestAreLeftOpenFirstAndOneSizeAlike) {
    const Project p = page_of_three_sizes();
    const auto all = amounts(p);
    ASSERT_EQ(all.size(), 3u);
    EXPECT_EQ(open_in(all[1].project), (std::set<int>{0, 1, 2, 3, 4, 5}))
        << "half of twelve are the small ones";
    EXPECT_EQ(all[1].backed, 6u);
    EXPECT_EQ(all[0].backed, 3u) << "the middle ones alike: nearer to a third than a part of them";
    EXPECT_EQ(all[2].backed, 12u);
    EXPECT_LT(all[0].paper_area, all[1].paper_area);
    EXPECT_LT(all[1].paper_area, all[2].paper_area);
    EXPECT_LT(all[1].minutes, all[2].minutes);
    // From a page that has some open already the answer is the same.
    const auto again = amounts(all[0].project);
    for (std::size_t i = 0; i < 3; ++i) EXPECT_EQ(open_in(again[i].project), open_in(all[i].project));
}

TEST(HowMuch, WhatAPhotoHalfCoversAndWhatIsLockedIsNeverLeftOpen) {
    Project p = page_of_three_sizes();
    const Plan plan = testing::shapes_of(p);
    Photo photo;
    photo.width = photo.height = 30;
    photo.centre = plan.middle_of(0) + Point{-15, 0};
    p.set_out.photos = {photo};
    p.match.choose(Spot(2), {"barley", Side::A, true});
    const auto all = amounts(p);
    for (const BackedSo& a : all) {
        EXPECT_FALSE(open_in(a.project).contains(0)) << key_of(a.much);
        EXPECT_FALSE(open_in(a.project).contains(2)) << "locked";
    }
    EXPECT_NE(all[0].reason.find("half covers"), std::string::npos) << all[0].reason;
}

TEST(HowMuch, OpeningsAtTheEdgeOfThePageGoBeforeSmallerOnes) {
    Project p = page_of_three_sizes();
    p.set_out.cuts[0].place.shift = {-60, 0}; // the first of every row hangs off the page
    const auto all = amounts(p);
    const std::set<int> open = open_in(all[1].project);
    EXPECT_TRUE(open.contains(9)) << "large, but cut by the edge";
    EXPECT_NE(all[1].reason.find("at the edge"), std::string::npos) << all[1].reason;
}

} // namespace zesty
