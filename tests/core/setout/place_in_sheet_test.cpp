#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/setout/place_in_sheet.h"

#include <gtest/gtest.h>
#include <random>

namespace zesty {

TEST(PlaceInSheet, LiesOnTheSheetAndTakesThereWhatWasWanted) {
    std::mt19937 random(8);
    std::uniform_real_distribution<double> side(20, 320);
    int found = 0, turned = 0;
    for (int round = 0; round < 300; ++round) {
        // What is left of a sheet when a corner has been cut off.
        const Box gone{0, 0, side(random), side(random)};
        const auto rest = subtract({{ring_of(Box{0, 0, 300, 300}), {}}}, {{ring_of(gone), {}}});
        if (!rest || rest->empty()) continue;
        const Box wanted{-40, 15, -40 + side(random), 15 + side(random)};
        const auto place = place_in_sheet(largest(*rest), wanted, round % 2 == 0);
        if (!place) continue;
        ++found;
        const Ring there = transformed(ring_of(wanted), place->to_sheet);
        const Box box = bounds(there);
        EXPECT_NEAR(box.x0, place->box.x0, 1e-6);
        EXPECT_NEAR(box.y1, place->box.y1, 1e-6);
        turned += std::abs(box.width() - wanted.width()) > 1e-6;
        EXPECT_LT(area(*subtract({{there, {}}}, {largest(*rest)})), 0.02);
    }
    EXPECT_GT(found, 50);
    EXPECT_GT(turned, 0);
}

TEST(PlaceInSheet, FindsTheSecondPlaceOfTwoOnOneSheet) {
    const auto rest = subtract({{ring_of(Box{0, 0, 300, 300}), {}}}, {{ring_of(Box{0, 0, 140, 140}), {}}});
    ASSERT_TRUE(rest);
    EXPECT_TRUE(place_in_sheet(largest(*rest), {0, 0, 140, 140}, false));
    EXPECT_FALSE(place_in_sheet(largest(*rest), {0, 0, 200, 200}, true));
    EXPECT_FALSE(place_in_sheet({}, {0, 0, 10, 10}, true));
}

} // namespace zesty
