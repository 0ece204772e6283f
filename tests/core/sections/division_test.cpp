// Openings divided without bars: the parts hold all of the opening, and nothing twice.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sections/division.h"
#include "support/between.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

const Polygon pane{{{0, 0}, {60, 0}, {60, 40}, {0, 40}}, {}};

double area_of_parts(const std::vector<DividedPart>& parts) {
    double out = 0;
    for (const DividedPart& p : parts) out += area(p.outline);
    return out;
}

std::vector<DividedPart> divided(const Polygon& outline, const Division& division) {
    const auto parts = divide(outline, cells(division, bounds(outline)));
    EXPECT_TRUE(parts);
    return parts ? *parts : std::vector<DividedPart>{};
}

} // namespace

TEST(Division, BandsAreEvenAndOneBelowTheOther) {
    const auto parts = divided(pane, {Division::Kind::Bands, 4});
    ASSERT_EQ(parts.size(), 4u);
    for (std::size_t i = 0; i < parts.size(); ++i) {
        EXPECT_NEAR(area(parts[i].outline), 600, 1e-6);
        EXPECT_NEAR(bounds(parts[i].outline).centre().y, 5 + 10.0 * static_cast<double>(i), 1e-6);
    }
}

TEST(Division, AGridHasColumnsTimesRows) {
    const auto parts = divided(pane, {Division::Kind::Grid, 3, 2});
    ASSERT_EQ(parts.size(), 6u);
    for (const DividedPart& p : parts) EXPECT_NEAR(area(p.outline), 400, 1e-6);
}

TEST(Division, ALineGoesThroughItsPoint) {
    Division line{Division::Kind::Line};
    line.at = {0.5, 0.25};
    const auto parts = divided(pane, line);
    ASSERT_EQ(parts.size(), 2u);
    EXPECT_NEAR(std::min(area(parts[0].outline), area(parts[1].outline)), 600, 1e-6) << "10 of 40 mm";
    line.turn_deg = 90;
    line.at = {0.25, 0.5};
    const auto upright = divided(pane, line);
    ASSERT_EQ(upright.size(), 2u);
    EXPECT_NEAR(std::min(area(upright[0].outline), area(upright[1].outline)), 600, 1e-6) << "15 of 60 mm";
}

TEST(Division, RaysMeetInTheMiddleAndRingsLieRoundIt) {
    const auto rays = divided(pane, {Division::Kind::Rays, 8});
    EXPECT_EQ(rays.size(), 8u);
    EXPECT_NEAR(area_of_parts(rays), 2400, 1e-6);
    const auto rings = divided(pane, {Division::Kind::Rings, 3});
    EXPECT_GE(rings.size(), 3u);
    EXPECT_NEAR(area_of_parts(rings), 2400, 1e-3);
}

TEST(Division, OfRandomOpeningsEveryPartIsInsideAndNothingIsLostOrTwice) {
    std::mt19937 random(8);
    const auto openings = testing::random_openings(12, 24);
    for (int round = 0; round < testing::rounds(60); ++round) {
        const Polygon& outline = openings[static_cast<std::size_t>(round) % openings.size()];
        Division d;
        d.kind = static_cast<Division::Kind>(random() % 5);
        d.count = 2 + static_cast<int>(random() % 6);
        d.rows = 2 + static_cast<int>(random() % 3);
        d.turn_deg = testing::between(random, -180, 180);
        d.at = {testing::between(random, 0.2, 0.8), testing::between(random, 0.2, 0.8)};
        const auto parts = divided(outline, d);
        EXPECT_NEAR(area_of_parts(parts), area(outline), 0.01 * area(outline))
            << words_of<Division::Kind>[static_cast<std::size_t>(d.kind)];
        for (std::size_t i = 0; i < parts.size(); ++i) {
            const auto beyond = subtract({parts[i].outline}, {outline});
            ASSERT_TRUE(beyond);
            EXPECT_LT(area(*beyond), 1e-3);
            for (std::size_t k = 0; k < i; ++k) {
                const auto both = intersect({parts[i].outline}, {parts[k].outline});
                ASSERT_TRUE(both);
                EXPECT_LT(area(*both), 1e-3);
            }
        }
    }
}

TEST(Division, NumbersAreBroughtWithinWhatIsAllowed) {
    const Division many = within_limits({Division::Kind::Grid, 100, 100, 720, {500, -500}});
    EXPECT_LE(many.count * many.rows, most_parts);
    EXPECT_LE(std::abs(many.turn_deg), 180);
    EXPECT_TRUE(division_place_limits.hold(many.at.x));
    const Division none = within_limits({Division::Kind::Bands, -3});
    EXPECT_GE(none.count, 1);
}

} // namespace zesty
