// The way of the blade: its tip cuts what was drawn, whatever it does at corners.

#include "core/build/blade_path.h"
#include "core/geometry/measure.h"
#include "support/between.h"
#include "support/rounds.h"

#include <gtest/gtest.h>
#include <random>

namespace zesty {

namespace {

const Ring kite_pane{{10, 10}, {30, 10}, {30, 30}, {10, 30}};

double length_of(const std::vector<Stroke>& strokes) {
    double out = 0;
    for (const Stroke& s : strokes)
        for (std::size_t i = 1; i < s.size(); ++i) out += distance(s[i - 1], s[i]);
    return out;
}

double distance_to(const Ring& ring, Point p) {
    double out = 1e9;
    for (std::size_t i = 0; i < ring.size(); ++i)
        out = std::min(out, distance_to_segment(p, ring[i], ring[(i + 1) % ring.size()]));
    return out;
}

/// A star of so many corners, sharp and blunt ones.
Ring star(std::mt19937& random) {
    Ring out;
    const int corners = 5 + static_cast<int>(random() % 20);
    for (int i = 0; i < corners; ++i) {
        const double r = testing::between(random, 4, 25);
        const double a = 6.283185307 * i / corners;
        out.push_back({40 + r * std::cos(a), 40 + r * std::sin(a)});
    }
    return out;
}

} // namespace

TEST(BladePath, GoesRoundOnceAndOnByTheOvercut) {
    CuttingSettings settings;
    settings.overcut = 1.5;
    const auto plain = blade_path(kite_pane, settings);
    ASSERT_EQ(plain.size(), 1u);
    EXPECT_NEAR(length_of(plain), 80 + 1.5, 1e-9);
    EXPECT_EQ(plain[0].front(), (Point{10, 10}));
    EXPECT_EQ(plain[0].back(), (Point{11.5, 10}));
    settings.overcut = 0;
    EXPECT_NEAR(length_of(blade_path(kite_pane, settings)), 80, 1e-9);
    EXPECT_TRUE(blade_path({{0, 0}, {1, 1}}, settings).empty());
    EXPECT_EQ(blade_path({{10, 10}, {10, 10}, {30, 10}, {30, 30}, {30, 30}}, settings).size(), 1u);
}

TEST(BladePath, IsLiftedAtSharpCornersAndCutsTheSameLength) {
    CuttingSettings settings;
    settings.corners = Corners::Lift;
    settings.overcut = 0;
    EXPECT_EQ(blade_path(kite_pane, settings).size(), 4u);
    EXPECT_NEAR(length_of(blade_path(kite_pane, settings)), 80, 1e-9);
    EXPECT_EQ(blade_path(circle({50, 50}, 20, 90), settings).size(), 1u) << "a round has no corners";
    settings.sharp_deg = 100;
    EXPECT_EQ(blade_path(kite_pane, settings).size(), 1u);
}

TEST(BladePath, TheTipOfATurningBladeStaysOnTheOutlineAndReachesEveryCorner) {
    std::mt19937 random(5);
    CuttingSettings settings;
    settings.corners = Corners::Swivel;
    for (int round = 0; round < testing::rounds(40); ++round) {
        settings.blade_offset = testing::between(random, 0.1, 0.9);
        settings.overcut = testing::between(random, 0, 2);
        const Ring ring = round == 0 ? kite_pane : star(random);
        const auto strokes = blade_path(ring, settings);
        ASSERT_EQ(strokes.size(), 1u);
        const Stroke tip = tip_path(strokes[0], settings.blade_offset, 0.01);
        for (const Point p : tip) EXPECT_LT(distance_to(ring, p), 0.05);
        for (const Point corner : ring) {
            double nearest = 1e9;
            for (const Point p : tip) nearest = std::min(nearest, distance(p, corner));
            EXPECT_LT(nearest, 0.05);
        }
    }
}

TEST(BladePath, WithoutTheArcATurningBladeCutsCornersOff) {
    // What the swivel is for: followed plainly, the tip misses the corner by more than half its offset.
    Stroke axis(kite_pane.begin(), kite_pane.end());
    axis.push_back(kite_pane.front());
    const Stroke tip = tip_path(axis, 0.9, 0.01);
    double nearest = 1e9;
    for (const Point p : tip) nearest = std::min(nearest, distance(p, kite_pane[2]));
    EXPECT_GT(nearest, 0.3);
}

} // namespace zesty
