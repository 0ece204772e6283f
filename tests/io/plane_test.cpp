#include "core/geometry/measure.h"
#include "io/trace/edges.h"
#include "io/trace/plane.h"
#include "support/lattice.h"

#include <gtest/gtest.h>
#include <random>

namespace zesty {

TEST(PlaneMap, MapsItsCornersAndKeepsLinesStraight) {
    const std::array<Point, 4> from{Point{10, 12}, Point{95, 4}, Point{110, 101}, Point{-3, 88}};
    const std::array<Point, 4> to{Point{0, 0}, Point{25.4, 0}, Point{25.4, 25.4}, Point{0, 25.4}};
    const PlaneMap map = PlaneMap::between(from, to);
    for (std::size_t i = 0; i < 4; ++i) EXPECT_LT(distance(map(from[i]), to[i]), 1e-9);
    const PlaneMap back = PlaneMap::between(to, from);
    std::mt19937 random(2);
    for (int i = 0; i < 50; ++i) {
        const Point p{static_cast<double>(random() % 100), static_cast<double>(random() % 100)};
        EXPECT_LT(distance(back(map(p)), p), 1e-6);
        const Point a = map({0, 50});
        const Point b = map({100, 60});
        const Point m = map(Point{0, 50} + Point{100, 10} * (static_cast<double>(i) / 50));
        EXPECT_LT(std::abs(cross(b - a, m - a)) / distance(a, b), 1e-9);
    }
}

TEST(SquareCorners, AreFoundToAFractionOfAPixelThroughGrain) {
    std::mt19937 random(7);
    for (int round = 0; round < 30; ++round) {
        const double turn = static_cast<double>(random() % 90);
        const double side = 100 + static_cast<double>(random() % 300);
        const Transform t = Transform::moved(700, 500) * Transform::turned_deg(turn);
        const Ring exact = transformed(testing::rectangle(0, 0, side, side), t);
        Ring seen;
        for (std::size_t k = 0; k < 4; ++k)
            for (int i = 0; i < 60; ++i) {
                const Point p = exact[k] + (exact[(k + 1) % 4] - exact[k]) * (i / 60.0);
                const auto grain = [&] { return 0.4 * (static_cast<double>(random() % 1001) / 500 - 1); };
                seen.push_back(p + Point{grain(), grain()});
            }
        const auto corners = square_corners(seen);
        ASSERT_TRUE(corners) << turn;
        for (Point c : *corners) {
            double least = 1e9;
            for (Point e : exact) least = std::min(least, distance(c, e));
            EXPECT_LT(least, 0.5);
        }
    }
}

TEST(SquareCorners, OtherShapesAreNoSquares) {
    EXPECT_FALSE(square_corners(testing::polygon({0, 0}, 100, 90)));
    EXPECT_FALSE(square_corners(testing::polygon({0, 0}, 100, 3)));
    EXPECT_FALSE(square_corners(testing::rectangle(0, 0, 100, 50)));
    EXPECT_FALSE(square_corners({{0, 0}, {100, 0}, {50, 20}, {100, 100}, {0, 100}}));
    EXPECT_FALSE(square_corners({}));
    EXPECT_TRUE(square_corners(testing::rectangle(0, 0, 100, 98)));
}

TEST(QuadCorners, TakeOblongSheetsAndComeUprightInOrder) {
    const Ring sheet = transformed(testing::rectangle(0, 0, 300, 100),
                                   Transform::moved(200, 100) * Transform::turned_deg(12));
    EXPECT_FALSE(square_corners(sheet));
    const auto corners = quad_corners(sheet, 0.3);
    ASSERT_TRUE(corners);
    const auto ordered = upright(*corners);
    EXPECT_LT(distance(ordered[0], {200, 100}), 0.5);
    EXPECT_GT(ordered[1].x, ordered[0].x + 200);
    EXPECT_GT(ordered[3].y, ordered[0].y + 50);
    EXPECT_FALSE(quad_corners(testing::rectangle(0, 0, 300, 40), 0.3));
}

TEST(SharpEdges, TellASquareToAFewHundredthsOfAPixel) {
    std::mt19937 random(4);
    for (int round = 0; round < 10; ++round) {
        const double turn = -20 + 4.0 * round;
        const Transform t = Transform::moved(60 + 0.37 * round, 70.21) * Transform::turned_deg(turn);
        const Ring exact = transformed(testing::rectangle(0, 0, 120, 120), t);
        // Each pixel as light as the square covers it, by four by four samples, with grain.
        GreyPicture picture{260, 260, {}};
        const Transform back = inverse(t);
        for (int y = 0; y < 260; ++y)
            for (int x = 0; x < 260; ++x) {
                int in = 0;
                for (int k = 0; k < 16; ++k) {
                    const Point p = back({x + (k % 4 + 0.5) / 4, y + (k / 4 + 0.5) / 4});
                    in += p.x > 0 && p.x < 120 && p.y > 0 && p.y < 120;
                }
                const int grain = static_cast<int>(random() % 13) - 6;
                picture.levels.push_back(static_cast<std::uint8_t>(60 + 150 * in / 16 + grain));
            }
        std::array<Point, 4> rough;
        for (std::size_t k = 0; k < 4; ++k) rough[k] = exact[k] + Point{1.3, -0.9};
        const auto sharp = sharpened(picture, rough);
        ASSERT_TRUE(sharp);
        for (std::size_t k = 0; k < 4; ++k) {
            EXPECT_LT(distance(sharp->corners[k], exact[k]), 0.15) << "turned by " << turn;
            EXPECT_LT(distance(sharp->corners[k], exact[k]), 5 * sharp->error + 0.02);
        }
        EXPECT_LT(sharp->error, 0.2);
    }
    const GreyPicture flat{50, 50, std::vector<std::uint8_t>(2500, 90)};
    EXPECT_FALSE(sharpened(flat, {Point{10, 10}, Point{40, 10}, Point{40, 40}, Point{10, 40}}));
}

} // namespace zesty
