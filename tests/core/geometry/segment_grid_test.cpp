#include "core/geometry/segment_grid.h"
#include "support/lattice.h"

#include <gtest/gtest.h>
#include <set>

namespace zesty {

namespace {

std::vector<Segment> random_segments(std::mt19937& random, int n, double longest) {
    std::uniform_real_distribution<double> at(-50, 50);
    std::uniform_real_distribution<double> by(-longest, longest);
    std::vector<Segment> out;
    for (int i = 0; i < n; ++i) {
        const Point a{at(random), at(random)};
        out.push_back({a, a + Point{by(random), by(random)}, i, 0, i % 3});
    }
    return out;
}

const auto everything = [](const Segment&) { return true; };

} // namespace

TEST(SegmentGrid, NearestAgreesWithBruteForceInsideAndOutside) {
    std::mt19937 random(7);
    std::uniform_real_distribution<double> at(-90, 90);
    for (const double longest : {0.5, 5.0, 60.0}) {
        const SegmentGrid grid(random_segments(random, 150, longest));
        for (int k = 0; k < 300; ++k) {
            const Point p{at(random), at(random)};
            for (int group = 0; group < 3; ++group) {
                double least = 1e18;
                for (const Segment& s : grid.segments())
                    if (s.group == group) least = std::min(least, distance_to_segment(p, s.a, s.b));
                const auto hit = grid.nearest(p, 1e9, [&](const Segment& s) { return s.group == group; });
                ASSERT_TRUE(hit);
                EXPECT_NEAR(hit->distance, least, 1e-9);
                EXPECT_NEAR(distance(p, hit->at), least, 1e-9);
            }
        }
    }
}

TEST(SegmentGrid, NearestRespectsItsLimit) {
    const SegmentGrid grid({{{0, 0}, {10, 0}, 0, 0, 0}});
    EXPECT_FALSE(grid.nearest({5, 3}, 2.9, everything));
    EXPECT_TRUE(grid.nearest({5, 3}, 3.1, everything));
    EXPECT_FALSE(grid.nearest({5, 3}, 100, [](const Segment&) { return false; }));
}

TEST(SegmentGrid, LinesOfSightAgreeWithBruteForce) {
    std::mt19937 random(9);
    std::uniform_real_distribution<double> at(-60, 60);
    const SegmentGrid grid(random_segments(random, 60, 12));
    int blocked = 0;
    for (int k = 0; k < 500; ++k) {
        const Point a{at(random), at(random)};
        const Point b{at(random), at(random)};
        const bool want = std::any_of(grid.segments().begin(), grid.segments().end(),
                                      [&](const Segment& s) { return segments_meet(a, b, s.a, s.b); });
        EXPECT_EQ(grid.meets(a, b, everything), want);
        blocked += want;
    }
    EXPECT_GT(blocked, 50);
    EXPECT_LT(blocked, 450);
}

TEST(SegmentGrid, EachNearVisitsEverythingThatMeetsTheBox) {
    std::mt19937 random(10);
    const SegmentGrid grid(random_segments(random, 200, 8));
    const Box box{-10, -5, 12, 20};
    std::set<int> visited;
    grid.each_near(box, [&](const Segment& s) { visited.insert(s.ring); });
    for (const Segment& s : grid.segments()) {
        Box own;
        own.add(s.a);
        own.add(s.b);
        const bool ends_inside = box.contains(s.a) || box.contains(s.b);
        if (ends_inside) {
            EXPECT_TRUE(visited.contains(s.ring));
        }
    }
}

TEST(SegmentGrid, CountsTouchesButNotNeighboursInARing) {
    const auto count = [](const std::vector<Ring>& rings) {
        std::vector<Segment> segments;
        std::vector<int> sizes;
        for (std::size_t i = 0; i < rings.size(); ++i) {
            append_segments(segments, rings[i], static_cast<int>(i), 0);
            sizes.push_back(static_cast<int>(rings[i].size()));
        }
        return SegmentGrid(std::move(segments)).count_touching(sizes, 1000);
    };
    EXPECT_EQ(count({testing::rectangle(0, 0, 10, 10), testing::rectangle(2, 2, 8, 8)}), 0u);
    EXPECT_GT(count({testing::rectangle(0, 0, 10, 10), testing::rectangle(10, 0, 20, 10)}), 0u)
        << "a shared edge";
    EXPECT_GT(count({testing::rectangle(0, 0, 10, 10), testing::rectangle(5, 5, 20, 20)}), 0u) << "crossing";
    EXPECT_GT(count({{{0, 0}, {10, 0}, {0, 10}, {10, 10}}}), 0u) << "a ring that crosses itself";
    EXPECT_GT(count({{{0, 0}, {10, 0}, {5, 0}, {5, 9}}}), 0u) << "a spike that runs back over itself";
}

TEST(SegmentGrid, NothingAndASinglePointAreWelcome) {
    const SegmentGrid none({});
    EXPECT_FALSE(none.nearest({1, 1}, 1e9, everything));
    EXPECT_FALSE(none.meets({0, 0}, {9, 9}, everything));
    const SegmentGrid point({{{3, 4}, {3, 4}, 0, 0, 0}});
    EXPECT_DOUBLE_EQ(point.nearest({0, 0}, 1e9, everything)->distance, 5);
}

} // namespace zesty
