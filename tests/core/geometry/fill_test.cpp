#include "core/geometry/boolean.h"
#include "core/geometry/fill.h"
#include "core/geometry/measure.h"
#include "support/lattice.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

using testing::polygon;
using testing::rectangle;

TEST(Fill, NestedRingsBecomeOuterHoleAndInsertUnderEvenOdd) {
    const auto r = fill({{rectangle(0, 0, 100, 100), rectangle(20, 20, 80, 80), rectangle(40, 40, 60, 60)},
                         FillRule::EvenOdd});
    ASSERT_TRUE(r);
    ASSERT_EQ(r->size(), 2u);
    EXPECT_DOUBLE_EQ(area(*r), 100 * 100 - 60 * 60 + 20 * 20);
}

TEST(Fill, NonZeroLooksAtTheWayRingsRun) {
    const Ring same = rectangle(20, 20, 80, 80);
    const Ring other(same.rbegin(), same.rend());
    EXPECT_DOUBLE_EQ(area(*fill({{rectangle(0, 0, 100, 100), same}, FillRule::NonZero})), 10000);
    EXPECT_DOUBLE_EQ(area(*fill({{rectangle(0, 0, 100, 100), other}, FillRule::NonZero})), 10000 - 3600);
}

TEST(Fill, PathsAreJoinedEvenWhereTheyShareAnEdge) {
    const auto r = fill({FilledPath{{rectangle(0, 0, 10, 10)}, FillRule::NonZero},
                         FilledPath{{rectangle(10, 0, 20, 10)}, FillRule::NonZero}});
    ASSERT_TRUE(r);
    ASSERT_EQ(r->size(), 1u);
    EXPECT_NEAR(area(*r), 200, 1e-9);
}

TEST(Fill, ACrossedStarIsFullUnderNonZeroAndHollowUnderEvenOdd) {
    Ring star;
    for (int i = 0; i < 5; ++i) star.push_back(polygon({0, 0}, 10, 5)[(2 * i) % 5]);
    const auto full = fill({{star}, FillRule::NonZero});
    const auto hollow = fill({{star}, FillRule::EvenOdd});
    ASSERT_TRUE(full && hollow);
    ASSERT_EQ(full->size(), 1u);
    EXPECT_TRUE(full->front().holes.empty());
    EXPECT_GT(area(*full), area(*hollow) + 20);
    EXPECT_TRUE(is_valid(*full));
    EXPECT_TRUE(is_valid(*hollow));
}

TEST(Fill, DegenerateRingsCoverNothing) {
    const auto r =
        fill({{{}, {{1, 1}}, {{0, 0}, {5, 5}}, {{0, 0}, {5, 5}, {0, 0}}, {{0, 0}, {5, 0}, {10, 0}}},
              FillRule::NonZero});
    ASSERT_TRUE(r);
    EXPECT_TRUE(r->empty());
}

TEST(Fill, AgreesWithGeosOnRandomOverlappingPolygons) {
    std::mt19937 random(11);
    std::uniform_real_distribution<double> at(0, 60);
    for (int round = 0; round < testing::rounds(60); ++round) {
        std::vector<FilledPath> paths;
        Region expected;
        for (int k = 0; k < 6; ++k) {
            const Ring r =
                polygon({at(random), at(random)}, 3 + at(random) / 3, 3 + static_cast<int>(random() % 9));
            paths.push_back({{r}, FillRule::NonZero});
            expected.push_back({r, {}});
        }
        const auto mine = fill(paths);
        const auto joined = unite(expected);
        ASSERT_TRUE(mine && joined);
        EXPECT_NEAR(area(*mine), area(*joined), 1e-6);
        EXPECT_EQ(mine->size(), joined->size());
    }
}

TEST(Fill, NestingBySweepIsRightForManyRandomIslands) {
    // Circles within circles, never touching: covered area is known exactly.
    std::mt19937 random(5);
    for (int round = 0; round < 20; ++round) {
        FilledPath path{{}, FillRule::EvenOdd};
        double expected = 0;
        for (int gx = 0; gx < 12; ++gx)
            for (int gy = 0; gy < 12; ++gy) {
                const int depth = static_cast<int>(random() % 4);
                for (int d = 0; d < depth; ++d) {
                    const Ring r = polygon({gx * 20.0 + 10, gy * 20.0 + 10}, 9 - 2.5 * d, 24, 0.1 * d);
                    expected += (d % 2 == 0 ? 1 : -1) * std::abs(signed_area(r));
                    path.rings.push_back(r);
                }
            }
        std::shuffle(path.rings.begin(), path.rings.end(), random);
        const auto r = fill(path);
        ASSERT_TRUE(r);
        EXPECT_NEAR(area(*r), expected, 1e-6);
    }
}

} // namespace zesty
