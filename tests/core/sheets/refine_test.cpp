// Room made for pieces that found none, and what it rests on: claims that say whether two pieces keep their
// gap.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sheets/claim.h"
#include "core/sheets/refine.h"
#include "support/lattice.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

double between(std::mt19937& random, double least, double most) {
    return least + (most - least) * static_cast<double>(random() % 10001) / 10000;
}

/// Triangles, bent quadrilaterals, stars and blobs.
Polygon some_piece(std::mt19937& random) {
    const int n = 3 + static_cast<int>(random() % 8);
    const bool star = random() % 3 == 0;
    Ring ring;
    for (int i = 0; i < n; ++i) {
        const double w = 2 * M_PI * (i + between(random, 0, 0.5)) / n;
        const double r = star && i % 2 ? between(random, 5, 9) : between(random, 12, 22);
        ring.push_back({100 + r * std::cos(w), -40 + r * std::sin(w)});
    }
    return {ring, {}};
}

NestJob tight_job(unsigned seed, bool turned_freely) {
    std::mt19937 random(seed);
    NestJob job;
    job.seed = seed;
    job.gap = 0.5;
    job.attempts = 2;
    Polygon offcut{testing::rectangle(0, 0, 110, 90), {testing::polygon({70, 45}, 15, 30)}};
    offcut.outer[2] = {80, 60};
    job.sheets = {{{testing::rectangle(10, 10, 130, 110), {}}, 0}, {offcut, 0}};
    double left = 0;
    for (const NestSheet& s : job.sheets) left += area(s.outline);
    while (left > 0) {
        NestPiece piece{some_piece(random), turned_freely, {}, {}};
        if (!turned_freely) piece.rotations_deg = {0, 180};
        left -= area(piece.outline);
        job.pieces.push_back(std::move(piece));
    }
    return job;
}

double area_placed(const NestJob& job, const NestResult& r) {
    double sum = 0;
    for (const NestPlacement& p : r.placements) sum += area(job.pieces[p.piece].outline);
    return sum;
}

} // namespace

TEST(Claims, OverlapExactlyWhereTheGapIsNotKept) {
    std::mt19937 random(5);
    int apart = 0;
    int close = 0;
    for (int round = 0; round < testing::rounds(1500); ++round) {
        const Polygon a = some_piece(random);
        const Polygon b = some_piece(random);
        const double gap_wanted = between(random, 0.2, 2);
        const Claim of_a(a, gap_wanted / 2);
        const Claim of_b(b, gap_wanted / 2);
        const double turn = between(random, 0, 360);
        const Point at{between(random, -45, 45), between(random, -45, 45)};
        const float o =
            overlap(of_a.turned(0), of_b.turned(turn), static_cast<float>(at.x), static_cast<float>(at.y));
        const Transform to_a = Transform::moved(at.x, at.y) * Transform::turned_deg(turn) *
                               Transform::moved(-of_b.reference().x, -of_b.reference().y);
        const Ring left = transformed(a.outer, Transform::moved(-of_a.reference().x, -of_a.reference().y));
        const Ring right = transformed(b.outer, to_a);
        const bool on_each_other = area(*intersect({{left, {}}}, {{right, {}}})) > 1e-6;
        const double distance = on_each_other ? 0 : gap(left, right).distance;
        if (o <= 0) {
            EXPECT_GE(distance, gap_wanted - 1e-3) << "round " << round;
            ++apart;
        } else {
            EXPECT_LE(distance, gap_wanted + 0.05) << "round " << round;
            ++close;
        }
        const float from_b =
            overlap(of_b.turned(turn), of_a.turned(0), static_cast<float>(-at.x), static_cast<float>(-at.y));
        EXPECT_NEAR(o, from_b, 1e-3F * std::max(o, 1.F)) << "the same from both sides";
    }
    EXPECT_GT(apart, testing::rounds(300));
    EXPECT_GT(close, testing::rounds(300));
}

TEST(Claims, GrowMoreWithMoreOverlap) {
    const Polygon square{testing::rectangle(0, 0, 20, 20), {}};
    const Claim claim(square, 0.25);
    const TurnedClaim turned = claim.turned(0);
    float last = 0;
    for (float x = 20.4F; x > 4; x -= 1) {
        const float o = overlap(turned, turned, x, 0);
        EXPECT_GT(o, last) << x;
        last = o;
    }
    EXPECT_EQ(overlap(turned, turned, 20.6F, 0), 0);
}

TEST(Refine, IsSoundNeverWorseAndMostlyBetter) {
    int better = 0;
    const int jobs = testing::rounds(8);
    for (int k = 0; k < jobs; ++k) {
        const NestJob job = tight_job(static_cast<unsigned>(k + 1), k % 2 == 0);
        const NestResult first = nest(job);
        ASSERT_FALSE(first.unplaced.empty());
        const NestResult then = refined(job, first, 6, {}, {});
        EXPECT_EQ(verify(job, then), "") << "job " << k;
        EXPECT_GE(area_placed(job, then), area_placed(job, first));
        better += area_placed(job, then) > 1.01 * area_placed(job, first);
    }
    EXPECT_GE(better, jobs * 3 / 4);
}

TEST(Refine, KeepsPiecesToTheSheetsTheyMayGoOn) {
    NestJob job = tight_job(3, true);
    for (std::size_t i = 0; i < job.pieces.size(); ++i) job.pieces[i].sheets = {static_cast<int>(i % 2)};
    job.refinements = 4;
    const NestResult result = nest(job);
    EXPECT_EQ(verify(job, result), "");
    for (const NestPlacement& p : result.placements) EXPECT_EQ(p.sheet, p.piece % 2);
}

TEST(Refine, TheSameSeedGivesTheSameAnswerAndStoppingKeepsWhatThereIs) {
    NestJob job = tight_job(4, true);
    job.refinements = 3;
    const NestResult a = nest(job);
    const NestResult b = nest(job);
    ASSERT_EQ(a.placements.size(), b.placements.size());
    for (std::size_t i = 0; i < a.placements.size(); ++i) {
        EXPECT_EQ(a.placements[i].piece, b.placements[i].piece);
        EXPECT_EQ(a.placements[i].shift, b.placements[i].shift);
    }
    const NestResult first = nest(tight_job(4, true));
    const NestResult stopped_at_once = refined(job, first, 3, [] { return true; }, {});
    EXPECT_EQ(stopped_at_once.placements.size(), first.placements.size());
}

} // namespace zesty
