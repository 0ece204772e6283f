#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "support/lattice.h"
#include "support/rounds.h"

#include <gtest/gtest.h>
#include <random>

namespace zesty {

using testing::polygon;
using testing::rectangle;

namespace {

Region blobs(std::mt19937& random, int n) {
    std::uniform_real_distribution<double> at(0, 50);
    Region out;
    for (int i = 0; i < n; ++i)
        out.push_back(
            {polygon({at(random), at(random)}, 2 + at(random) / 5, 3 + static_cast<int>(random() % 12)), {}});
    return *unite(out);
}

} // namespace

TEST(Boolean, AreasAddUpOnRandomRegions) {
    std::mt19937 random(13);
    for (int round = 0; round < testing::rounds(40); ++round) {
        const Region a = blobs(random, 5);
        const Region b = blobs(random, 5);
        Region both = a;
        both.insert(both.end(), b.begin(), b.end());
        const double joined = area(*unite(both));
        const double common = area(*intersect(a, b));
        EXPECT_NEAR(joined + common, area(a) + area(b), 1e-6);
        EXPECT_NEAR(area(*subtract(a, b)), area(a) - common, 1e-6);
        EXPECT_TRUE(is_valid(*subtract(a, b)));
    }
}

TEST(Boolean, NothingIsHandledLikeAnythingElse) {
    const Region square{{rectangle(0, 0, 5, 5), {}}};
    EXPECT_TRUE(unite({})->empty());
    EXPECT_TRUE(intersect(square, {})->empty());
    EXPECT_NEAR(area(*subtract(square, {})), 25, 1e-12);
    EXPECT_TRUE(subtract({}, square)->empty());
    EXPECT_TRUE(grow(square, -3)->empty());
}

TEST(Boolean, GrowingRoundAndSharp) {
    const Region square{{rectangle(0, 0, 10, 10), {}}};
    EXPECT_NEAR(area(*grow(square, 1, Corner::Sharp)), 144, 1e-9);
    EXPECT_NEAR(area(*grow(square, 1, Corner::Round, 32)), 140 + M_PI, 0.01);
    EXPECT_NEAR(area(*grow(square, -1)), 64, 1e-9);
    const Region ring{{rectangle(0, 0, 10, 10), {rectangle(4, 4, 6, 6)}}};
    EXPECT_TRUE(grow(ring, 1.1)->front().holes.empty()) << "the hole closes";
}

TEST(Boolean, AnInvalidRegionIsRepairedFirst) {
    const Region bow{{{{0, 0}, {10, 10}, {10, 0}, {0, 10}}, {}}};
    EXPECT_FALSE(is_valid(bow));
    const auto united = unite(bow);
    ASSERT_TRUE(united);
    EXPECT_TRUE(is_valid(*united));
    EXPECT_NEAR(area(*united), 50, 1e-9);
}

TEST(Boolean, SimplifyingStaysWithinItsToleranceAndValid) {
    std::mt19937 random(3);
    for (int round = 0; round < testing::rounds(30); ++round) {
        const Polygon p{polygon({0, 0}, 20, 400, round), {polygon({0, 0}, 5, 90)}};
        const Polygon s = simplified(p, 0.05);
        EXPECT_LT(s.outer.size(), p.outer.size() / 2);
        EXPECT_TRUE(is_valid({s}));
        for (Point q : s.outer) EXPECT_NEAR(length(q), 20, 0.051);
        EXPECT_NEAR(area(s), area(p), 0.05 * perimeter(p));
    }
}

TEST(Boolean, TheLargestCircleTouchesWhatItMay) {
    const auto c = largest_circle({rectangle(0, 0, 30, 10), {}}, 0.01);
    ASSERT_TRUE(c);
    EXPECT_NEAR(c->radius, 5, 0.02);
    EXPECT_NEAR(c->centre.y, 5, 0.05);
    EXPECT_FALSE(largest_circle({}, 0.01));
}

TEST(LargestCircle, OfAHairThatIsMetresLongIsFoundAtOnce) {
    // Squares as wide as the hair would be thirty million: minutes and gigabytes.
    const auto c = largest_circle({rectangle(10, 20, 3010, 20.0001), {}}, 1);
    ASSERT_TRUE(c);
    EXPECT_LE(c->radius, 0.0001);
    EXPECT_GE(c->radius, 0);
    EXPECT_NEAR(c->centre.y, 20, 0.001);
    EXPECT_GE(c->centre.x, 10);
    const auto strip = largest_circle({rectangle(0, 0, 3000, 3), {}}, 1);
    ASSERT_TRUE(strip);
    EXPECT_NEAR(strip->radius, 1.5, 1);
}

TEST(Boolean, GapsAreExact) {
    EXPECT_NEAR(gap(rectangle(0, 0, 10, 10), rectangle(13, 14, 20, 20)).distance, 5, 1e-12);
    const Gap inside = gap(rectangle(0, 0, 10, 10), rectangle(2, 3, 6, 9));
    EXPECT_NEAR(inside.distance, 1, 1e-12);
    EXPECT_NEAR(distance(inside.from, inside.to), 1, 1e-12);
}

TEST(BoxIndex, FindsExactlyTheBoxesThatMeet) {
    std::mt19937 random(5);
    std::uniform_real_distribution<double> at(0, 100);
    std::vector<Box> boxes;
    for (int i = 0; i < 300; ++i) {
        const double x = at(random);
        const double y = at(random);
        boxes.push_back({x, y, x + at(random) / 10, y + at(random) / 10});
    }
    boxes.push_back({});
    const BoxIndex index(boxes);
    for (int k = 0; k < 50; ++k) {
        const double x = at(random);
        const double y = at(random);
        const Box asked{x, y, x + 8, y + 5};
        std::vector<int> want;
        for (std::size_t i = 0; i < boxes.size(); ++i)
            if (!boxes[i].empty() && boxes[i].meets(asked)) want.push_back(static_cast<int>(i));
        EXPECT_EQ(index.meeting(asked), want);
    }
    EXPECT_TRUE(BoxIndex({}).meeting({0, 0, 1, 1}).empty());
}

TEST(AskedArea, MeetsJustWhatItSharesSomethingWith) {
    std::mt19937 random(9);
    std::uniform_real_distribution<double> at(0, 30);
    std::vector<Polygon> triangles;
    while (triangles.size() < 30) {
        Polygon t{{{at(random), at(random)}, {at(random), at(random)}, {at(random), at(random)}}, {}};
        if (area(t) > 5) triangles.push_back(std::move(t));
    }
    int met = 0;
    for (const Polygon& a : triangles) {
        const AskedArea asked(a);
        for (const Polygon& b : triangles) {
            const bool shares = area(*intersect({a}, {b})) > 0;
            EXPECT_EQ(asked.meets(AskedArea(b)), shares);
            met += shares;
        }
    }
    EXPECT_GT(met, 100);
    EXPECT_LT(met, 800);
    const Polygon square{{{0, 0}, {10, 0}, {10, 10}, {0, 10}}, {{{2, 2}, {8, 2}, {8, 8}, {2, 8}}}};
    EXPECT_FALSE(AskedArea(square).meets(AskedArea({{{3, 3}, {7, 3}, {7, 7}}, {}}))) << "in its hole";
    EXPECT_TRUE(AskedArea(square).meets(AskedArea({{{10, 0}, {15, 0}, {15, 5}}, {}}))) << "touching";
}

TEST(Clipped, LeavesAloneWhatLiesInTheBoxAndTrimsTheRest) {
    const Box box{0, 0, 100, 50};
    const Polygon inside{circle({50, 25}, 20, 40), {}};
    const auto whole = clipped(inside, box);
    ASSERT_TRUE(whole);
    EXPECT_EQ(*whole, Region{inside}) << "to the last digit";
    const auto half = clipped({ring_of({80, 10, 120, 40}), {}}, box);
    ASSERT_TRUE(half);
    EXPECT_NEAR(area(*half), 20 * 30, 1e-9);
    EXPECT_TRUE(clipped({ring_of({200, 200, 210, 210}), {}}, box)->empty());
    // A comb falls apart at the edge; its largest tooth is the one that is kept where only one can be.
    const auto teeth =
        clipped({{{-10, 0}, {60, 0}, {60, 10}, {-5, 10}, {-5, 20}, {30, 20}, {30, 30}, {-10, 30}}, {}}, box);
    ASSERT_TRUE(teeth);
    ASSERT_EQ(teeth->size(), 2u);
    EXPECT_NEAR(area(largest(*teeth)), 600, 1e-6);
}

} // namespace zesty
