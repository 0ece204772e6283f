#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sheets/leftover.h"
#include "core/sheets/nest_memory.h"
#include "support/lattice.h"
#include "support/rounds.h"
#include "support/tight_jobs.h"

#include <gtest/gtest.h>

namespace zesty {

using testing::polygon;
using testing::rectangle;

namespace {

Polygon blob(std::mt19937& random) {
    std::uniform_real_distribution<double> unit(0, 1);
    Ring r;
    const int n = 5 + static_cast<int>(random() % 20);
    for (int i = 0; i < n; ++i) {
        const double a = 2 * M_PI * i / n;
        const double s = 6 + 14 * unit(random);
        r.push_back({s * std::cos(a), s * std::sin(a)});
    }
    return {r, {}};
}

double placed_area(const NestJob& job, const NestResult& r) {
    double sum = 0;
    for (const NestPlacement& p : r.placements) sum += area(job.pieces[p.piece].outline);
    return sum;
}

} // namespace

TEST(Nest, FillsASheetWithRectanglesToTheEdge) {
    NestJob job;
    job.gap = 0;
    for (int i = 0; i < 16; ++i) job.pieces.push_back({{rectangle(3, 7, 28, 32), {}}, false, {0}, {}});
    job.sheets.push_back({{rectangle(0, 0, 100, 100), {}}, 0});
    job.cell = 0.5;
    const NestResult r = nest(job);
    EXPECT_TRUE(r.unplaced.empty());
    EXPECT_EQ(verify(job, r), "");
}

TEST(Nest, APieceAsWideAsItsSheetLiesFromEdgeToEdge) {
    // A strip across a page of 12 in, cut from sheets of 12 in: in cells it is always a hair too wide.
    NestJob job;
    for (const double width : {100.0, 104.775, 98.0})
        job.pieces.push_back({{rectangle(20, 10, 20 + 304.8, 10 + width), {}}, false, {0, 90}, {}});
    job.pieces.push_back({{rectangle(0, 0, 152.4, 152.4), {}}, true, {}, {}});
    job.pieces.push_back({{rectangle(0, 0, 100, 60), {}}, true, {}, {}});
    for (int refinements : {0, 60}) {
        job.refinements = refinements;
        job.sheets = {{{rectangle(0, 0, 304.8, 304.8), {}}, 0},
                      {{rectangle(0, 0, 304.8, 304.8), {}}, 0},
                      {{rectangle(5, 5, 5 + 152.4, 5 + 152.4), {}}, 0}};
        NestResult r = nest(job);
        EXPECT_EQ(verify(job, r), "");
        EXPECT_TRUE(r.unplaced.empty());
        // Not where it is wider than the sheet by what can be measured, nor across a corner that is missing.
        job.sheets = {{{rectangle(0, 0, 304.7, 304.7), {}}, 0}};
        r = nest(job);
        EXPECT_EQ(verify(job, r), "");
        EXPECT_EQ(r.unplaced.size(), 3u);
        job.sheets = {{{{{0, 40},
                         {40, 0},
                         {264.8, 0},
                         {304.8, 40},
                         {304.8, 264.8},
                         {264.8, 304.8},
                         {40, 304.8},
                         {0, 264.8}},
                        {}},
                       0}};
        r = nest(job);
        EXPECT_EQ(verify(job, r), "");
    }
}

TEST(Nest, RandomJobsAreSoundWithHolesOffcutsAndEveryKindOfRotation) {
    std::mt19937 random(17);
    for (int round = 0; round < testing::rounds(15); ++round) {
        NestJob job;
        job.gap = 0.2 * static_cast<double>(random() % 8);
        job.seed = static_cast<unsigned>(round);
        job.attempts = 3;
        for (int i = 0; i < 25; ++i) {
            NestPiece p{blob(random), random() % 2 == 0, {0, 180}, {}};
            if (random() % 5 == 0) p.outline.holes.push_back(polygon({0, 0}, 3, 8));
            job.pieces.push_back(std::move(p));
        }
        job.sheets.push_back({{rectangle(-20, 5, 80, 105), {rectangle(10, 30, 50, 70)}}, 1});
        job.sheets.push_back({{{{0, 0}, {90, 10}, {70, 90}, {30, 60}, {5, 95}}, {}}, 0});
        const NestResult r = nest(job);
        EXPECT_GT(r.placements.size(), 5u);
        EXPECT_EQ(verify(job, r), "") << "round " << round;
    }
}

TEST(Nest, SmallPiecesGoIntoTheHolesOfLargeOnes) {
    NestJob job;
    job.pieces.push_back({{rectangle(0, 0, 100, 100), {rectangle(10, 10, 90, 90)}}, false, {0}, {}});
    job.pieces.push_back({{rectangle(0, 0, 70, 70), {}}, false, {0}, {}});
    job.sheets.push_back({{rectangle(0, 0, 100, 100), {}}, 0});
    const NestResult r = nest(job);
    EXPECT_TRUE(r.unplaced.empty());
    EXPECT_EQ(verify(job, r), "");
}

TEST(Nest, ScrapsComeBeforeSheets) {
    NestJob job;
    job.pieces.push_back({{rectangle(0, 0, 20, 20), {}}, true, {}, {}});
    job.sheets.push_back({{rectangle(0, 0, 300, 300), {}}, 3});
    job.sheets.push_back({{rectangle(0, 0, 30, 30), {}}, 0});
    EXPECT_EQ(nest(job).placements.at(0).sheet, 1);
}

TEST(Nest, TheSameSeedGivesTheSameAnswerAndMoreAttemptsNeverAWorseOne) {
    std::mt19937 random(2);
    NestJob job;
    for (int i = 0; i < 40; ++i) job.pieces.push_back({blob(random), true, {}, {}});
    job.sheets.push_back({{rectangle(0, 0, 140, 140), {}}, 0});
    job.attempts = 1;
    const double once = placed_area(job, nest(job));
    job.attempts = 6;
    const NestResult a = nest(job);
    const NestResult b = nest(job);
    EXPECT_GE(placed_area(job, a), once);
    testing::expect_same(a.placements, b.placements);
}

TEST(Nest, OfLayoutsThatHoldAllTheOneThatLeavesMoreWholeIsTaken) {
    std::mt19937 random(12);
    int more = 0;
    for (int round = 0; round < testing::rounds(12); ++round) {
        NestJob job;
        job.seed = static_cast<unsigned>(round);
        for (int i = 0; i < 14; ++i) job.pieces.push_back({blob(random), true, {}, {}});
        job.sheets.push_back({{rectangle(0, 0, 150, 150), {}}, 0});
        const auto largest_left = [&](int attempts) {
            job.attempts = attempts;
            const NestResult r = nest(job);
            EXPECT_TRUE(r.unplaced.empty());
            Region taken;
            for (const NestPlacement& p : r.placements)
                taken.push_back(transformed(job.pieces[p.piece].outline, p.transform()));
            double most = 0;
            const Region rest = *subtract({job.sheets[0].outline}, *unite(taken));
            for (const Polygon& left : rest)
                if (const Box b = largest_rectangle(left); !b.empty())
                    most = std::max(most, b.width() * b.height());
            return most;
        };
        const double at_first = largest_left(1);
        const double in_the_end = largest_left(12);
        // Cells are rounded to the safe side, so that the exact rectangle may be a little off.
        EXPECT_GE(in_the_end, 0.97 * at_first) << "round " << round;
        more += in_the_end > 1.02 * at_first;
    }
    EXPECT_GE(more, testing::rounds(6));
}

TEST(Nest, StoppedAtOnceLeavesEverythingUnplacedButAccountedFor) {
    NestJob job;
    for (int i = 0; i < 5; ++i) job.pieces.push_back({{rectangle(0, 0, 10, 10), {}}, true, {}, {}});
    job.sheets.push_back({{rectangle(0, 0, 100, 100), {}}, 0});
    const NestResult r = nest(job, [] { return true; });
    EXPECT_EQ(r.unplaced.size(), 5u);
    EXPECT_EQ(verify(job, r), "");
}

TEST(Verify, FindsEveryKindOfMistake) {
    NestJob job;
    job.gap = 1;
    job.pieces.push_back({{rectangle(0, 0, 10, 10), {}}, false, {0, 90}, {}});
    job.pieces.push_back({{rectangle(0, 0, 10, 10), {}}, true, {}, {}});
    job.sheets.push_back({{rectangle(0, 0, 50, 50), {}}, 0});
    const NestPlacement a{0, 0, 0, {0, 0}};
    EXPECT_EQ(verify(job, {{a, {1, 0, 0, {11, 0}}}, {}}), "");
    EXPECT_NE(verify(job, {{a, {1, 0, 0, {10.5, 0}}}, {}}), "") << "too close";
    EXPECT_NE(verify(job, {{a, {1, 0, 0, {2, 2}}}, {}}), "") << "on top";
    EXPECT_NE(verify(job, {{a, {1, 0, 0, {41, 0}}}, {}}), "") << "off the sheet";
    EXPECT_NE(verify(job, {{{0, 0, 45, {20, 20}}, {1, 0, 0, {0, 0}}}, {}}), "") << "turned as it must not be";
    EXPECT_NE(verify(job, {{a}, {}}), "") << "one forgotten";
    EXPECT_NE(verify(job, {{a}, {0, 1}}), "") << "one counted twice";
}

TEST(NestMemory, SaysTheSameAgainAndNeverTakesOneJobForAnother) {
    NestJob job;
    for (int k = 0; k < 6; ++k) job.pieces.push_back({{testing::rectangle(0, 0, 20.0 + k, 30), {}}});
    job.sheets = {{{testing::rectangle(0, 0, 90, 90), {}}, 0}, {{testing::rectangle(0, 0, 60, 40), {}}, 1}};
    NestMemory memory;
    const NestResult fresh = nest(job);
    testing::expect_same(memory.nest(job, {}).placements, fresh.placements);
    testing::expect_same(memory.nest(job, {}).placements, fresh.placements);
    const std::vector<std::function<void(NestJob&)>> changes{
        [](NestJob& j) { j.gap = 2; },
        [](NestJob& j) { j.seed = 7; },
        [](NestJob& j) { j.attempts = 3; },
        [](NestJob& j) { j.refinements = 1; },
        [](NestJob& j) { j.cell = 1; },
        [](NestJob& j) { j.pieces.pop_back(); },
        [](NestJob& j) { j.pieces[0].outline.outer[2].x += 1; },
        [](NestJob& j) { j.pieces[0].any_rotation = false; },
        [](NestJob& j) { j.pieces[0].rotations_deg = {90}; },
        [](NestJob& j) { j.pieces[0].sheets = {1}; },
        [](NestJob& j) {
            j.pieces[0].together = {{testing::rectangle(30, 0, 5, 5), {}}};
        },
        [](NestJob& j) { j.pieces[0].pins.emplace(); },
        [](NestJob& j) {
            j.pieces[0].pins = {{0, 90, {5, 5}}};
        },
        [](NestJob& j) {
            j.pieces[0].band = NestBand{{}, {1, 0}, 0, 50};
        },
        [](NestJob& j) { j.pieces[0].worth = 3; },
        [](NestJob& j) { j.sheets[1].rank = 0; },
        [](NestJob& j) { j.sheets[1].outline.outer[1].x = 61; },
        [](NestJob& j) { j.later = {j.pieces[0]}; }};
    std::set<std::uint64_t> hashes{hash_of(job)};
    for (const auto& change : changes) {
        NestJob other = job;
        change(other);
        EXPECT_TRUE(hashes.insert(hash_of(other)).second) << hashes.size();
    }
    // What was cut short is no answer for next time.
    NestJob long_one = job;
    long_one.seed = 9;
    (void)memory.nest(long_one, [] { return true; });
    testing::expect_same(memory.nest(long_one, {}).placements, nest(long_one).placements);
}

TEST(Nest, PiecesLargerThanEverySheetCostNothingAndLeaveTheOthersTheirPlaces) {
    NestJob job;
    job.sheets = {{{ring_of(Box{0, 0, 100, 100}), {}}, 0}, {{ring_of(Box{0, 0, 60, 60}), {}}, 1}};
    for (int i = 0; i < 200; ++i) job.pieces.push_back({{ring_of(Box{0, 0, 90'000, 80'000}), {}}});
    job.pieces.insert(job.pieces.begin() + 7, {{ring_of(Box{0, 0, 80, 70}), {}}});
    job.later = {{{ring_of(Box{0, 0, 5'000, 20}), {}}}, {{ring_of(Box{0, 0, 40, 30}), {}}}};
    job.attempts = 2;
    const NestResult r = nest(job);
    ASSERT_EQ(r.placements.size(), 1u);
    EXPECT_EQ(r.placements[0].piece, 7);
    EXPECT_EQ(r.unplaced.size(), 200u);
    EXPECT_EQ(verify(job, r), "");
    ASSERT_EQ(r.room.size(), 1u);
    EXPECT_EQ(r.room[0].piece, 1);
}

} // namespace zesty
