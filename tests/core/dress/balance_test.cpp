// Clusters and balance.

#include "core/dress/balance.h"
#include "core/geometry/measure.h"
#include "core/project/planner.h"
#include "support/lattice.h"
#include "support/pages.h"

#include <cmath>
#include <gtest/gtest.h>
#include <numeric>

namespace zesty {

using testing::finding_in;
using testing::shapes_of;

namespace {

/// A bare page with dots of three colours in the stash.
Project page_of_dots() {
    Project p = testing::project_of(
        testing::drawing_of({testing::rectangle(0, 0, 100, 100), testing::rectangle(10, 10, 90, 90)}));
    p.set_out.cuts[0].place = sized({}, SizeRule::Width, 40);
    Stash stash;
    for (const auto& [id, colour, radius] :
         {std::tuple{"red", Rgb{200, 40, 40}, 6.0}, std::tuple{"teal", Rgb{20, 130, 130}, 4.0},
          std::tuple{"grey", Rgb{90, 90, 90}, 3.0}}) {
        Embellishment e;
        e.id = e.name = id;
        e.kind = EmbellishmentKind::Dot;
        e.colour = colour;
        e.outline = {circle({}, radius, 48), {}};
        e.count = 20;
        stash.embellishments.push_back(e);
    }
    p.stash = std::make_shared<const Stash>(stash);
    return p;
}

} // namespace

TEST(Balance, ClustersHangTogetherAndThreeMakeATriangleAroundAPhoto) {
    Project p = page_of_dots();
    Photo photo;
    photo.width = photo.height = 30;
    photo.centre = {150, 120};
    p.set_out.photos = {photo};
    p.dress.embellishments = {{"red", {60, 60}, 0},
                              {"teal", {80, 60}, 0}, // 10 mm apart
                              {"red", {240, 60}, 0},
                              {"grey", {255, 62}, 0},
                              {"teal", {150, 230}, 0}};
    const Plan plan = shapes_of(p);
    const BalanceFacts& b = plan.dress.balance;
    ASSERT_EQ(b.clusters.size(), 3u);
    EXPECT_EQ(b.clusters[0].members, (std::vector<int>{0, 1}));
    EXPECT_EQ(b.clusters[2].members, (std::vector<int>{4}));
    ASSERT_EQ(b.angles_deg.size(), 3u);
    EXPECT_NEAR(std::accumulate(b.angles_deg.begin(), b.angles_deg.end(), 0.0), 180, 1e-6);
    EXPECT_EQ(b.around_photo, 0);
    EXPECT_NEAR(std::accumulate(b.quarters.begin(), b.quarters.end(), 0.0), 1, 1e-9);
    // Nothing lies in the largest free circle, and it lies on the base.
    for (const EmbellishmentFacts& e : plan.dress.embellishments)
        for (const Point q : e.outline.outer) EXPECT_GT(distance(q, b.emptiest), b.emptiest_radius - 1);
    EXPECT_GT(b.emptiest_radius, 30);
}

TEST(Balance, LoneAccentsManyOfAKindAndEqualClustersAreSaid) {
    Project p = page_of_dots();
    p.dress.embellishments = {{"red", {60, 60}, 0}, {"teal", {200, 60}, 0}, {"teal", {60, 200}, 0}};
    Plan plan = shapes_of(p);
    const Finding* lone = finding_in(plan, Code::LoneAccent);
    ASSERT_TRUE(lone) << "one red alone";
    EXPECT_NE(lone->title.find("red"), std::string::npos);
    EXPECT_EQ(plan.dress.balance.lone_accents, (std::vector<int>{0}))
        << "teal comes twice, grey is no accent";
    EXPECT_FALSE(finding_in(plan, Code::ManyAlike)) << "three are no matter";
    p.dress.embellishments.push_back({"red", {250, 250}, 0});
    EXPECT_FALSE(finding_in(shapes_of(p), Code::LoneAccent));
    p.dress.embellishments.push_back({"grey", {150, 250}, 0});
    EXPECT_TRUE(finding_in(shapes_of(p), Code::ManyAlike)) << "five dots";
    p.dress.embellishments = {
        {"red", {60, 60}, 0}, {"teal", {75, 60}, 0}, {"red", {220, 60}, 0}, {"teal", {235, 60}, 0}};
    plan = shapes_of(p);
    EXPECT_TRUE(finding_in(plan, Code::LevelClusters)) << "of one size";
    EXPECT_TRUE(plan.dress.balance.suggested);
}

TEST(Balance, AThirdClusterIsSuggestedOfWhatIsLeftAndNearInColour) {
    Project p = page_of_dots();
    p.dress.embellishments = {{"red", {60, 60}, 0}, {"red", {240, 60}, 0}};
    const BalanceFacts two = shapes_of(p).dress.balance;
    ASSERT_TRUE(two.suggested);
    ASSERT_FALSE(two.suggested_things.empty());
    EXPECT_EQ(two.suggested_things.front(), "red") << "its colour is there already";
    Stash few = *p.stash;
    few.embellishments[0].count = 2; // both are on the page
    p.stash = std::make_shared<const Stash>(few);
    const auto others = shapes_of(p).dress.balance.suggested_things;
    ASSERT_FALSE(others.empty());
    EXPECT_NE(others.front(), "red");
    p.dress.embellishments.push_back({"teal", {150, 240}, 0});
    EXPECT_TRUE(shapes_of(p).dress.balance.suggested_things.empty()) << "there are three";
}

TEST(Balance, SaysWhatComesBackHowOftenAndHowWide) {
    Project p = page_of_dots();
    p.dress.embellishments = {
        {"red", {40, 40}, 0}, {"red", {260, 40}, 0}, {"red", {150, 230}, 0}, {"teal", {100, 260}, 0}};
    const auto all = shapes_of(p).dress.balance.come_back;
    ASSERT_EQ(all.size(), 2u) << "dots, and red; teal comes once";
    EXPECT_FALSE(all[0].colour);
    EXPECT_EQ(all[0].what, "dot");
    EXPECT_EQ(all[0].count, 4);
    EXPECT_TRUE(all[1].colour);
    EXPECT_EQ(all[1].count, 3);
    EXPECT_NEAR(all[1].least_angle_deg, 60, 4);
    p.dress.embellishments[2].centre = {150, 40};
    EXPECT_NEAR(shapes_of(p).dress.balance.come_back[1].least_angle_deg, 0, 1e-6) << "in a line";
}

} // namespace zesty
