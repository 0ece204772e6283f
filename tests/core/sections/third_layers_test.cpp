// Where three patches lie on each other.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sections/overlap.h"
#include "support/rounds.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <random>

namespace zesty {

namespace {

Patch patch_of(int opening, const Box& box) {
    Patch p;
    p.opening = opening;
    p.outline = {ring_of(box), {}};
    return p;
}

const GluedBefore in_order = [](int a, int b) { return a < b; };

} // namespace

TEST(ThirdLayers, AreFoundWithTheOrderOfGluing) {
    const std::vector<Patch> patches{patch_of(7, {0, 0, 10, 10}), patch_of(2, {5, 0, 15, 10}),
                                     patch_of(4, {3, 5, 12, 20}), patch_of(9, {30, 0, 40, 10})};
    const auto found = third_layers(patches, in_order);
    ASSERT_EQ(found.size(), 1u);
    EXPECT_EQ(found[0], (std::array<std::size_t, 3>{1, 2, 0})) << "by the order of their openings";
    // Three that meet in pairs only, or touch along an edge, are none.
    EXPECT_TRUE(
        third_layers({patch_of(0, {0, 0, 10, 10}), patch_of(1, {8, 0, 20, 10}), patch_of(2, {18, 0, 30, 10})},
                     in_order)
            .empty());
    EXPECT_TRUE(
        third_layers({patch_of(0, {0, 0, 10, 10}), patch_of(1, {5, 0, 15, 10}), patch_of(2, {0, 10, 15, 20})},
                     in_order)
            .empty());
}

TEST(ThirdLayers, AgreeWithWhatThreeHaveInCommon) {
    std::mt19937 random(8);
    const auto any = [&](int most) { return static_cast<double>(random() % static_cast<unsigned>(most)); };
    int some = 0;
    for (int round = 0; round < testing::rounds(300); ++round) {
        std::vector<Patch> patches;
        for (int i = 0; i < 3; ++i) {
            const Point c{10 + any(30), 10 + any(30)};
            Patch p;
            p.opening = i;
            p.outline = {circle(c, 4 + any(14), 3 + static_cast<int>(random() % 7)), {}};
            patches.push_back(std::move(p));
        }
        const auto two = intersect({patches[0].outline}, {patches[1].outline});
        const auto three = intersect(*two, {patches[2].outline});
        const auto thick = grow(*three, -0.3);
        const bool found = !third_layers(patches, in_order).empty();
        if (thick && area(*thick) > 1) {
            ++some;
            EXPECT_TRUE(found) << round;
        }
        EXPECT_TRUE(area(*three) >= 1e-6 || !found) << round;
    }
    EXPECT_GT(some, testing::rounds(300) / 20);
}

} // namespace zesty
