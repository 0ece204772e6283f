#include "core/match/zones.h"
#include "support/between.h"
#include "support/neighbours.h"
#include "support/rounds.h"

#include <gtest/gtest.h>
#include <map>
#include <random>

namespace zesty {

namespace {

MatchSection place(double tone, bool backed = true) {
    MatchSection m;
    m.place_tone = tone;
    m.backed = backed;
    return m;
}

} // namespace

TEST(DriftZones, AGroupAcrossALineIsOneZoneAndItsFarNeighbourAnother) {
    // A tail of bows: three close together across the middle of the page, the kite's pane far above.
    const std::vector<MatchSection> s{place(0.47), place(0.5), place(0.53), place(0.1)};
    EXPECT_EQ(drift_zones(s, {testing::beside(0, 1), testing::beside(1, 2), testing::beside(0, 3)}),
              (std::vector{0, 0, 0, 1}));
    EXPECT_EQ(drift_zones(s, {}), (std::vector{0, 1, 2, 3})) << "what is not close together does not join";
}

TEST(DriftZones, WhatGetsNoPaperJoinsNothing) {
    const std::vector<MatchSection> s{place(0.5), place(0.5, false), place(0.5)};
    EXPECT_EQ(drift_zones(s, {testing::beside(0, 1), testing::beside(1, 2)}), (std::vector{0, 1, 2}));
}

TEST(DriftZones, NeverCoverMoreThanTheirSpanAndLoseNoPairOfOneTone) {
    std::mt19937 random(16);
    for (int round = 0; round < testing::rounds(100); ++round) {
        const int count = 2 + static_cast<int>(random() % 60);
        std::vector<MatchSection> s;
        std::vector<Neighbours> n;
        for (int i = 0; i < count; ++i)
            s.push_back(place(random() % 3 == 0 ? 0.25 : testing::between(random, 0, 1)));
        for (int i = 0; i < 2 * count; ++i)
            n.push_back(
                testing::beside(static_cast<int>(random() % count), static_cast<int>(random() % count)));
        const auto zone = drift_zones(s, n);
        std::map<int, std::pair<double, double>> span;
        for (int i = 0; i < count; ++i) {
            auto& [low, high] = span.try_emplace(zone[i], 1.0, 0.0).first->second;
            low = std::min(low, s[i].place_tone);
            high = std::max(high, s[i].place_tone);
        }
        for (const auto& [number, tones] : span) ASSERT_LE(tones.second - tones.first, widest_zone + 1e-12);
        for (const Neighbours& pair : n)
            if (s[pair.a].place_tone == s[pair.b].place_tone) {
                ASSERT_EQ(zone[pair.a], zone[pair.b]);
            }
    }
}

} // namespace zesty
