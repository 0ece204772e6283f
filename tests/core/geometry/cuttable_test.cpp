#include "core/geometry/boolean.h"
#include "core/geometry/cuttable.h"
#include "core/geometry/measure.h"
#include "support/lattice.h"
#include "support/rounds.h"

#include <cmath>
#include <gtest/gtest.h>

namespace zesty {

TEST(Cuttable, PlainOutlinesAreLeftAsTheyAre) {
    const Polygon square{testing::rectangle(0, 0, 20, 20), {testing::rectangle(5, 5, 10, 10)}};
    EXPECT_TRUE(is_cuttable(square));
    EXPECT_EQ(made_cuttable(square), square);
}

TEST(Cuttable, WhatTouchesOrCrossesItselfIsPartedAndKeepsItsArea) {
    const Polygon slit{{{0, 0}, {20, 0}, {20, 10}, {8, 10.00001}, {20, 10.00002}, {20, 20}, {0, 20}}, {}};
    const Polygon touched{testing::rectangle(0, 0, 20, 20), {{{0, 10}, {8, 8}, {8, 12}}}};
    const Polygon corner_to_corner{
        {{0, 0}, {10, 0}, {10, 10}, {20, 10}, {20, 20}, {10, 20}, {10, 10}, {0, 10}}, {}};
    for (const auto& [p, left] : {std::pair{slit, 400.0}, {touched, 384.0}, {corner_to_corner, 100.0}}) {
        EXPECT_FALSE(is_cuttable(p));
        const Polygon q = made_cuttable(p);
        ASSERT_TRUE(is_cuttable(q));
        EXPECT_NEAR(area(q), left, 0.02 * left);
    }
    EXPECT_TRUE(made_cuttable({{{0, 0}, {20, 0}, {20, 0.0005}}, {}}).outer.empty())
        << "nothing a blade could cut";
}

TEST(Cuttable, StaysSimpleHoweverItIsTurnedAndRounded) {
    std::mt19937 random(3);
    for (int round = 0; round < testing::rounds(40); ++round) {
        // Thin rays that cross near the middle, joined: necks of every width.
        Region rays;
        for (int k = 0; k < 7; ++k) {
            const double a = static_cast<double>(random() % 3600) / 10;
            const double w = 0.00001 * std::pow(10.0, static_cast<double>(random() % 5));
            rays.push_back({transformed(ring_of(Box{-30, -w, 30, w}), Transform::turned_deg(a)), {}});
            rays.push_back({transformed(ring_of(Box{10, -4, 18, 4}), Transform::turned_deg(a + 8)), {}});
        }
        const auto all = unite(rays);
        ASSERT_TRUE(all);
        const Polygon p = made_cuttable(largest(*all));
        if (p.outer.empty()) continue;
        for (const double turn : {0.0, 33.3, 90.0, 181.7}) {
            Polygon q = transformed(p, Transform::turned_deg(turn));
            for (Ring* ring : {&q.outer})
                for (Point& at : *ring) at = {std::round(at.x * 1e4) / 1e4, std::round(at.y * 1e4) / 1e4};
            EXPECT_TRUE(is_valid({q})) << round << " turned by " << turn;
        }
    }
}

} // namespace zesty
