// A sheet larger than the cutting mat in parts, and contours each once.

#include "core/build/cutting_job.h"
#include "core/geometry/measure.h"
#include "support/between.h"
#include "support/rounds.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <random>
#include <set>

namespace zesty {

TEST(CuttingJob, AContourThatIsThereTwiceIsCutOnce) {
    const Ring a{{0, 0}, {10, 0}, {10, 10}};
    Ring turned{{10, 0}, {10, 10}, {0, 0}};
    Ring back{{0, 0}, {10, 10}, {10, 0}};
    back[1].x += 0.004;
    const Ring other{{0, 0}, {10, 0}, {10, 10.1}};
    EXPECT_EQ(without_doubles({a, turned, back, other}), (std::vector<Ring>{a, other}));
}

TEST(CuttingJob, WhatLiesInAnotherBelongsToIt) {
    const auto box = [](double x, double y, double side) { return ring_of(Box{x, y, x + side, y + side}); };
    const auto groups = nested_groups({box(2, 2, 2), box(0, 0, 20), box(30, 0, 5), box(2.5, 2.5, 0.5)});
    ASSERT_EQ(groups.size(), 2u);
    EXPECT_EQ(std::set<int>(groups[0].begin(), groups[0].end()), (std::set<int>{0, 1, 3}));
    EXPECT_EQ(groups[0].front(), 1) << "the outer one first";
    EXPECT_EQ(groups[1], std::vector<int>{2});
}

TEST(CuttingJob, ASheetThatFitsIsOnePart) {
    const SheetParts parts = parts_of({0, 0, 300, 300}, {ring_of(Box{10, 10, 290, 290})}, 304.8, 304.8);
    ASSERT_EQ(parts.parts.size(), 1u);
    EXPECT_TRUE(parts.parts[0].crosses.empty());
    EXPECT_TRUE(parts.too_large.empty());
    EXPECT_EQ(parts_of({0, 0, 600, 600}, {ring_of(Box{0, 0, 400, 20})}, 304.8, 304.8).too_large.size(), 1u);
}

TEST(CuttingJob, EveryContourOfALargeSheetLiesWholeInOnePartAndCrossesAgree) {
    std::mt19937 random(3);
    const double mat = 304.8;
    int with_crosses = 0;
    for (int round = 0; round < testing::rounds(60); ++round) {
        const Box sheet{0, 0, 610, 610};
        std::vector<Ring> contours;
        std::vector<Box> boxes;
        for (int tries = 0; tries < 60; ++tries) {
            const double w = testing::between(random, 10, 140), h = testing::between(random, 10, 140);
            const double x = testing::between(random, 0, 610 - w), y = testing::between(random, 0, 610 - h);
            const Box b{x, y, x + w, y + h};
            if (std::any_of(boxes.begin(), boxes.end(), [&](const Box& o) { return o.grown(2).meets(b); }))
                continue;
            boxes.push_back(b);
            contours.push_back(ring_of(b));
            contours.push_back(ring_of(b.grown(-3)));
        }
        const SheetParts parts = parts_of(sheet, contours, mat, mat);
        std::vector<int> times(contours.size(), 0);
        for (const SheetParts::Part& part : parts.parts) {
            const Box window{part.corner.x, part.corner.y, part.corner.x + mat, part.corner.y + mat};
            for (const int c : part.contours) {
                ++times[static_cast<std::size_t>(c)];
                EXPECT_TRUE(window.grown(1e-3).holds(bounds(contours[static_cast<std::size_t>(c)])));
            }
            for (const Point p : part.crosses) {
                EXPECT_TRUE(window.contains(p));
                for (const Box& b : boxes) EXPECT_FALSE(b.grown(2).contains(p)) << "crosses spoil no piece";
                const auto shared =
                    std::count_if(parts.parts.begin(), parts.parts.end(), [&](const auto& other) {
                        return std::find(other.crosses.begin(), other.crosses.end(), p) !=
                               other.crosses.end();
                    });
                EXPECT_GE(shared, 2) << "the place is known to two parts";
                ++with_crosses;
            }
        }
        for (const int n : times) EXPECT_EQ(n, 1);
        EXPECT_LE(parts.parts.size(), 9u);
    }
    EXPECT_GT(with_crosses, 0);
}

TEST(CuttingJob, ATestPieceLiesInTheCornerOfTheMat) {
    CuttingJob job;
    job.material = "vellum";
    job.file.width = 200;
    job.file.height = 100;
    const CuttingJob piece = test_piece(job);
    EXPECT_EQ(piece.material, "vellum");
    ASSERT_EQ(piece.file.contours.size(), 2u);
    EXPECT_TRUE(bounds(piece.file.contours[1]).holds(bounds(piece.file.contours[0])));
    EXPECT_TRUE((Box{180, 80, 200, 100}).holds(bounds(piece.file.contours[1])));
}

TEST(CuttingJob, WhatReachesBeyondTheSheetIsInAPartAllTheSame) {
    const std::vector<Ring> contours{ring_of(Box{-3, 10, 20, 40}), ring_of(Box{280, 280, 300.00001, 310}),
                                     ring_of(Box{-40, 500, -10, 530}), ring_of(Box{0, 0, 304.800001, 9})};
    const SheetParts parts = parts_of({0, 0, 300, 300}, contours, 304.8, 304.8);
    std::vector<int> cut;
    for (const SheetParts::Part& p : parts.parts) cut.insert(cut.end(), p.contours.begin(), p.contours.end());
    std::sort(cut.begin(), cut.end());
    EXPECT_EQ(cut, (std::vector<int>{0, 1, 2, 3}));
    EXPECT_TRUE(parts.too_large.empty());
}

} // namespace zesty
