// What a layout leaves for others: room for pieces they want, and rectangles.

#include "core/geometry/measure.h"
#include "core/sheets/laid.h"
#include "core/sheets/room.h"
#include "support/lattice.h"
#include "support/rounds.h"
#include "support/tight_jobs.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

using testing::between;
using testing::rectangle;
using testing::some_piece;

NestPiece loose_box(double w, double h) {
    return {{rectangle(0, 0, w, h), {}}, true, {}, {}};
}

/// Pieces that take about `share` of two sheets, of which one would do when it is up to half.
NestJob roomy_job(std::mt19937& random, double share) {
    NestJob job;
    for (int s = 0; s < 2; ++s) job.sheets.push_back({{rectangle(0, 0, 200, 150), {}}, s});
    for (double total = 0; total < share * 2 * 200 * 150;) {
        NestPiece p;
        p.outline = some_piece(random);
        total += area(p.outline);
        job.pieces.push_back(std::move(p));
    }
    job.seed = static_cast<unsigned>(random());
    return job;
}

double total_left(const NestJob& job, const NestResult& r) {
    double sum = 0;
    for (const Box& b : rectangles_left(job, r)) sum += b.width() * b.height();
    return sum;
}

} // namespace

TEST(Room, IsKeptForWhatIsCutLaterAndCostsThePiecesNothing) {
    std::mt19937 random(3);
    std::size_t kept = 0;
    for (int round = 0; round < testing::rounds(6); ++round) {
        NestJob job = roomy_job(random, between(random, 0.15, 0.4));
        job.attempts = 4;
        job.refinements = round % 3;
        const NestResult alone = nest(job);
        for (int k = 0; k < 6; ++k) {
            NestPiece p;
            p.outline = some_piece(random);
            if (k % 2) p.any_rotation = false, p.rotations_deg = {0, 180};
            job.later.push_back(std::move(p));
        }
        const NestResult r = nest(job);
        EXPECT_EQ(verify(job, r), "");
        EXPECT_LE(r.unplaced.size(), alone.unplaced.size());
        EXPECT_LE(sheets_in_use(r).size(), sheets_in_use(alone).size());
        kept += r.room.size();
    }
    EXPECT_GT(kept, static_cast<std::size_t>(testing::rounds(6)) * 4);
}

TEST(Room, IsMadeByLayingTheOthersCloser) {
    // Four squares go side by side along the edge, and then nothing large is left.
    NestJob job;
    job.sheets.push_back({{rectangle(0, 0, 202, 101), {}}, 0});
    for (int k = 0; k < 4; ++k) job.pieces.push_back(loose_box(48, 48));
    job.later.push_back(loose_box(95, 95));
    job.attempts = 1;
    EXPECT_TRUE(nest(job).room.empty());
    job.refinements = 4;
    const NestResult r = nest(job);
    EXPECT_EQ(verify(job, r), "");
    EXPECT_TRUE(r.unplaced.empty());
    EXPECT_EQ(r.room.size(), 1U);
}

TEST(Room, OpensNoSheetForThePieces) {
    // Both squares go on the scrap; the one that is cut later would too, if they went on the sheet.
    NestJob job;
    job.sheets.push_back({{rectangle(0, 0, 100, 50), {}}, 0});
    job.sheets.push_back({{rectangle(0, 0, 300, 300), {}}, 3});
    for (int k = 0; k < 2; ++k) job.pieces.push_back(loose_box(48, 48));
    job.later.push_back(loose_box(90, 45));
    job.later.back().sheets = {0};
    job.refinements = 4;
    const NestResult r = nest(job);
    EXPECT_EQ(verify(job, r), "");
    EXPECT_EQ(sheets_in_use(r), std::set<int>{0});
    EXPECT_TRUE(r.room.empty());
}

TEST(Room, IsLookedAtExactly) {
    NestJob job;
    job.sheets.push_back({{rectangle(0, 0, 100, 50), {}}, 0});
    job.pieces.push_back(loose_box(40, 40));
    job.later.push_back(loose_box(40, 40));
    NestResult r{{{0, 0, 0, {1, 1}}}, {}, {{0, 0, 0, {50, 1}}}};
    EXPECT_EQ(verify(job, r), "");
    r.room[0].shift = {41, 1};
    EXPECT_NE(verify(job, r), "") << "on the gap";
    r.room[0].shift = {61, 1};
    EXPECT_NE(verify(job, r), "") << "off the sheet";
    job.later[0].any_rotation = false;
    job.later[0].rotations_deg = {90};
    r.room[0].shift = {50, 1};
    EXPECT_NE(verify(job, r), "") << "turned as it may not be";
}

TEST(Room, LargerRectanglesAreLookedForWherePiecesLieClose) {
    LEFT_OUT_UNDER_SANITIZERS("it lays sheets for long");
    std::mt19937 random(3);
    int better = 0;
    // Not every layout can be bettered, but one of a few.
    for (int round = 0; round < testing::rounds(4) || (better == 0 && round < 8); ++round) {
        NestJob job = roomy_job(random, between(random, 0.3, 0.36));
        job.attempts = 6;
        const NestResult before = nest(job);
        if (!before.unplaced.empty()) continue;
        const NestResult after = with_room(job, before, 2, true, {});
        EXPECT_EQ(verify(job, after), "");
        EXPECT_TRUE(after.unplaced.empty());
        EXPECT_GE(total_left(job, after), total_left(job, before));
        better += total_left(job, after) > total_left(job, before);
    }
    EXPECT_GT(better, 0);
}

TEST(Room, IsTheSameForTheSameSeed) {
    std::mt19937 random(11);
    NestJob job = roomy_job(random, 0.3);
    for (int k = 0; k < 5; ++k) job.later.push_back({some_piece(random)});
    job.refinements = 2;
    const NestResult a = nest(job);
    const NestResult b = nest(job);
    testing::expect_same(a.room, b.room);
}

} // namespace zesty
