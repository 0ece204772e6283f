#include "core/geometry/measure.h"
#include "core/sheets/fewer_sheets.h"
#include "core/sheets/laid.h"
#include "core/sheets/leftover.h"
#include "core/sheets/nest.h"
#include "support/lattice.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

using testing::rectangle;

NestPiece box(double w, double h) {
    return {{rectangle(0, 0, w, h), {}}, true, {}, {}};
}

const NestPlacement* placed(const NestResult& r, int piece) {
    const auto at = std::find_if(r.placements.begin(), r.placements.end(),
                                 [&](const NestPlacement& p) { return p.piece == piece; });
    return at == r.placements.end() ? nullptr : &*at;
}

/// Random boxes, some of them pinned apart from each other, banded or in twos.
NestJob random_job(std::mt19937& random) {
    NestJob job;
    const auto between = [&](double a, double b) {
        return a + (b - a) * static_cast<double>(random() % 1000) / 1000;
    };
    for (int s = 0; s < 2; ++s) job.sheets.push_back({{rectangle(0, 0, 120, 100), {}}, s});
    for (int k = 0; k < 14; ++k) {
        NestPiece p = box(between(8, 30), between(8, 30));
        if (k == 0) p.pins = std::vector<NestPin>{{0, between(-90, 90), {between(30, 60), between(30, 60)}}};
        if (k == 1) p.pins = std::vector<NestPin>{{1, 0, {between(0, 80), between(0, 60)}}, {0, 0, {80, 0}}};
        if (k == 2 || k == 3)
            p.band =
                NestBand{bounds(p.outline).centre(), Transform::turned_deg(between(0, 360))({1, 0}), 0, 0};
        if (p.band) {
            const double middle = dot(p.band->along, {60, 50});
            p.band->from = middle - 8;
            p.band->to = middle + 8;
        }
        if (k == 4) p.together = {{rectangle(40, 0, 50, 12), {}}, {rectangle(0, 34, 9, 40), {}}};
        job.pieces.push_back(std::move(p));
    }
    job.attempts = 6;
    return job;
}

} // namespace

TEST(HeldPieces, PinnedPiecesLieExactlyThereAndTheOthersAround) {
    std::mt19937 random(3);
    for (int round = 0; round < testing::rounds(12); ++round) {
        NestJob job = random_job(random);
        job.refinements = round % 2 ? 4 : 0;
        const NestResult r = nest(job);
        EXPECT_EQ(verify(job, r), "");
        const NestPlacement* first = placed(r, 0);
        ASSERT_TRUE(first);
        EXPECT_EQ(first->shift, job.pieces[0].pins->front().shift);
        EXPECT_EQ(first->rotation_deg, job.pieces[0].pins->front().rotation_deg);
        for (int banded : {2, 3}) {
            const NestPlacement* p = placed(r, banded);
            ASSERT_TRUE(p) << "there is room in the middle";
            const NestBand& band = *job.pieces[banded].band;
            const double at = dot(band.along, p->transform()(band.of_piece));
            EXPECT_GE(at, band.from - 1e-6);
            EXPECT_LE(at, band.to + 1e-6);
        }
        EXPECT_TRUE(r.unplaced.empty());
    }
}

TEST(HeldPieces, APinOverAnotherOrOffTheSheetFindsNoPlace) {
    NestJob job;
    job.sheets = {{{rectangle(0, 0, 100, 100), {}}, 0}};
    job.pieces = {box(30, 30), box(30, 30), box(30, 30), box(30, 30)};
    job.pieces[0].pins = std::vector<NestPin>{{0, 0, {10, 10}}};
    job.pieces[1].pins = std::vector<NestPin>{{0, 0, {20, 20}}};
    job.pieces[2].pins = std::vector<NestPin>{{0, 0, {85, 10}}};
    job.pieces[3].pins = std::vector<NestPin>{{0, 0, {20, 20}}, {0, 0, {50, 50}}};
    const NestResult r = nest(job);
    EXPECT_EQ(r.unplaced, (std::vector<int>{1, 2}));
    EXPECT_EQ(placed(r, 3)->shift, (Point{50, 50})) << "the second of its pins";
    EXPECT_EQ(verify(job, r), "");
}

TEST(HeldPieces, VerifyFindsWhatIsNotWhereItMust) {
    NestJob job;
    job.sheets = {{{rectangle(0, 0, 100, 100), {}}, 0}};
    job.pieces = {box(30, 30)};
    const NestResult r{{{0, 0, 0, {10, 10}}}, {}};
    EXPECT_EQ(verify(job, r), "");
    job.pieces[0].pins = std::vector<NestPin>{{0, 0, {11, 10}}};
    EXPECT_NE(verify(job, r), "");
    job.pieces[0].pins.reset();
    job.pieces[0].band = NestBand{{15, 15}, {1, 0}, 40, 60};
    EXPECT_NE(verify(job, r), "");
    job.pieces[0].band->from = 20;
    EXPECT_EQ(verify(job, r), "");
    job.pieces[0].together = {{rectangle(80, 0, 95, 5), {}}};
    EXPECT_NE(verify(job, r), "") << "its other part leaves the sheet";
}

TEST(HeldPieces, WhatKeepsTogetherLeavesRoomBetweenForOthers) {
    NestJob job;
    job.sheets = {{{rectangle(0, 0, 100, 40), {}}, 0}};
    job.pieces = {box(30, 40), box(38, 39)};
    job.pieces[0].any_rotation = false;
    job.pieces[0].rotations_deg = {0};
    job.pieces[0].together = {{rectangle(70, 0, 100, 40), {}}};
    const NestResult r = nest(job);
    EXPECT_TRUE(r.unplaced.empty());
    EXPECT_EQ(verify(job, r), "");
}

TEST(FewerSheets, ClosesTheSheetThatIsMissedLeast) {
    NestJob job;
    for (int s = 0; s < 3; ++s) job.sheets.push_back({{rectangle(0, 0, 100, 100), {}}, s});
    for (int k = 0; k < 6; ++k) job.pieces.push_back(box(30, 30));
    // Two on each of three sheets, though all six go on one.
    NestResult start;
    for (int k = 0; k < 6; ++k) start.placements.push_back({k, k / 2, 0, {k % 2 * 40.0, 0}});
    ASSERT_EQ(verify(job, start), "");
    const NestResult r = with_fewer_sheets(job, start, 20, {});
    EXPECT_EQ(verify(job, r), "");
    EXPECT_TRUE(r.unplaced.empty());
    std::set<int> open;
    for (const NestPlacement& p : r.placements) open.insert(p.sheet);
    EXPECT_EQ(open, std::set<int>{0});
    job.pieces[5].pins = std::vector<NestPin>{{2, 0, {40, 0}}};
    const NestResult held = with_fewer_sheets(job, start, 20, {});
    EXPECT_EQ(placed(held, 5)->sheet, 2) << "a sheet with a pinned piece stays open";
    EXPECT_EQ(verify(job, held), "");
}

TEST(Leftover, TheLargestRectangleIsNearlyTheOneFoundByTryingAll) {
    std::mt19937 random(9);
    for (int round = 0; round < testing::rounds(20); ++round) {
        // A staircase: every rectangle in it has a corner at a step.
        Ring stairs{{0, 0}};
        std::vector<Point> corners;
        double x = 0;
        double y = 100;
        for (int k = 0; k < 5; ++k) {
            x += 8 + static_cast<double>(random() % 20);
            corners.push_back({x, y});
            y -= 6 + static_cast<double>(random() % 12);
        }
        stairs.push_back({x, 0});
        for (std::size_t k = corners.size(); k-- > 0;) {
            stairs.push_back(corners[k]);
            stairs.push_back({k ? corners[k - 1].x : 0, corners[k].y});
        }
        double best = 0;
        for (const Point& c : corners) best = std::max(best, c.x * c.y);
        const Box found = largest_rectangle({stairs, {}}, 0.5);
        EXPECT_LE(found.width() * found.height(), best + 1e-6);
        EXPECT_GE((found.width() + 1) * (found.height() + 1), best);
        const auto outside = subtract({{ring_of(found), {}}}, {{stairs, {}}});
        ASSERT_TRUE(outside);
        EXPECT_LT(area(*outside), 1e-6);
    }
    EXPECT_TRUE(largest_rectangle({rectangle(0, 0, 0.4, 9), {}}).empty());
}

} // namespace zesty
