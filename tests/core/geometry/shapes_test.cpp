#include "core/geometry/measure.h"
#include "support/lattice.h"

#include <gtest/gtest.h>

namespace zesty {

using testing::polygon;
using testing::rectangle;

namespace {

void expect_same(Point a, Point b, double tolerance = 1e-9) {
    EXPECT_NEAR(a.x, b.x, tolerance);
    EXPECT_NEAR(a.y, b.y, tolerance);
}

Transform random_transform(std::mt19937& random) {
    std::uniform_real_distribution<double> d(-3, 3);
    return Transform::moved(d(random), d(random)) * Transform::turned_deg(100 * d(random)) *
           Transform::scaled(1.5 + 0.4 * d(random) / 3);
}

} // namespace

TEST(Transform, TurningFollowsTheFormulaOfTheFormats) {
    expect_same(Transform::turned_deg(90)({1, 0}), {0, 1});
    expect_same(Transform::turned_deg(30)({2, 0}), {2 * std::cos(M_PI / 6), 2 * std::sin(M_PI / 6)});
    for (int q = -8; q <= 8; ++q) {
        const Point p = Transform::turned_deg(90.0 * q)({3, 5});
        EXPECT_EQ(p.x, std::round(p.x)) << "quarter turns are exact";
        EXPECT_EQ(p.y, std::round(p.y));
    }
}

TEST(Transform, CompositionAppliesTheRightHandSideFirst) {
    const Transform t = Transform::moved(10, 0) * Transform::scaled(2);
    expect_same(t({1, 1}), {12, 2});
    expect_same((Transform::scaled(2) * Transform::moved(10, 0))({1, 1}), {22, 2});
}

TEST(Transform, InverseUndoesEverything) {
    std::mt19937 random(1);
    for (int i = 0; i < 200; ++i) {
        const Transform t = random_transform(random);
        expect_same((inverse(t) * t)({4, -7}), {4, -7});
        expect_same((t * inverse(t))({4, -7}), {4, -7});
    }
    expect_same(inverse(Transform::mirrored_x())({3, 4}), {-3, 4});
}

TEST(Transform, ScaleIsWhatLengthsGrowBy) {
    std::mt19937 random(2);
    for (int i = 0; i < 100; ++i) {
        const Transform t = random_transform(random);
        EXPECT_NEAR(distance(t({1, 2}), t({5, -1})), 5 * t.scale(), 1e-9);
    }
    EXPECT_DOUBLE_EQ(Transform::mirrored_x().scale(), 1);
}

TEST(Box, GrowsMeetsAndContains) {
    Box b;
    EXPECT_TRUE(b.empty());
    EXPECT_EQ(b.width(), 0);
    b.add(Point{1, 2});
    b.add(Point{4, 6});
    EXPECT_DOUBLE_EQ(b.diagonal(), 5);
    EXPECT_TRUE(b.contains({4, 6}));
    EXPECT_FALSE(b.contains({4.01, 6}));
    EXPECT_FALSE(b.meets({5, 0, 9, 9}));
    EXPECT_TRUE(b.grown(1).meets({5, 0, 9, 9}));
    Box c = b;
    c.add(Box{});
    EXPECT_EQ(c, b);
}

TEST(Measure, AreasAndPerimetersOfKnownShapes) {
    const Ring square = rectangle(1, 1, 11, 11);
    EXPECT_DOUBLE_EQ(std::abs(signed_area(square)), 100);
    EXPECT_DOUBLE_EQ(signed_area(Ring(square.rbegin(), square.rend())), -signed_area(square));
    EXPECT_DOUBLE_EQ(area(Polygon{square, {rectangle(2, 2, 4, 5)}}), 94);
    EXPECT_DOUBLE_EQ(perimeter(Polygon{square, {rectangle(2, 2, 4, 5)}}), 50);
    EXPECT_DOUBLE_EQ(area(Region{{square, {}}, {rectangle(20, 0, 21, 2), {}}}), 102);
    EXPECT_EQ(signed_area({{1, 1}, {2, 2}}), 0);
    EXPECT_EQ(perimeter(Ring{}), 0);
}

TEST(Measure, AreaKeepsItsDigitsFarFromTheOrigin) {
    const Ring near = polygon({0, 0}, 0.5, 17);
    const Ring far = transformed(near, Transform::moved(1e7, -1e7));
    EXPECT_NEAR(signed_area(far) / signed_area(near), 1, 1e-7);
}

TEST(Measure, CentroidIsWhereItBalances) {
    expect_same(centroid(rectangle(2, 4, 10, 6)), {6, 5});
    expect_same(centroid({{0, 0}, {9, 0}, {0, 9}}), {3, 3});
    expect_same(centroid({{0, 0}, {4, 0}}), {2, 0}); // without area the middle of the box
}

TEST(Measure, ContainsKnowsHolesAndHollows) {
    const Polygon p{rectangle(0, 0, 10, 10), {rectangle(3, 3, 6, 6)}};
    EXPECT_TRUE(contains(p, {1, 1}));
    EXPECT_FALSE(contains(p, {4, 4}));
    EXPECT_FALSE(contains(p, {11, 4}));
    const Ring hook{{0, 0}, {10, 0}, {10, 10}, {8, 10}, {8, 2}, {0, 2}};
    EXPECT_TRUE(contains(hook, {9, 9}));
    EXPECT_FALSE(contains(hook, {4, 5}));
}

TEST(Measure, DistanceToASegmentIsToItsEndsBeyondThem) {
    EXPECT_DOUBLE_EQ(distance_to_segment({5, 3}, {0, 0}, {10, 0}), 3);
    EXPECT_DOUBLE_EQ(distance_to_segment({13, 4}, {0, 0}, {10, 0}), 5);
    EXPECT_DOUBLE_EQ(distance_to_segment({3, 4}, {0, 0}, {0, 0}), 5);
}

TEST(Measure, SegmentsMeetAtCrossingsTouchesAndOverlaps) {
    EXPECT_TRUE(segments_meet({0, 0}, {4, 4}, {0, 4}, {4, 0}));
    EXPECT_TRUE(segments_meet({0, 0}, {4, 0}, {2, 0}, {2, 5})) << "touching";
    EXPECT_TRUE(segments_meet({0, 0}, {4, 0}, {3, 0}, {9, 0})) << "overlapping";
    EXPECT_TRUE(segments_meet({0, 0}, {4, 0}, {4, 0}, {9, 3})) << "end to end";
    EXPECT_FALSE(segments_meet({0, 0}, {4, 0}, {5, 0}, {9, 0})) << "in line but apart";
    EXPECT_FALSE(segments_meet({0, 0}, {4, 0}, {2, 0.001}, {2, 5}));
}

} // namespace zesty
