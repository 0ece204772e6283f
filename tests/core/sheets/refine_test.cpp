// Room made for pieces that found none, and what it rests on: claims that say whether two pieces keep their
// gap.

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sheets/claim.h"
#include "core/sheets/refine.h"
#include "support/lattice.h"
#include "support/rounds.h"
#include "support/tight_jobs.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

using testing::area_placed;
using testing::between;
using testing::some_piece;
using testing::tight_job;

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

TEST(Claims, OverlapWhereACornerPokesIntoASideThatLiesAlongTheBox) {
    std::mt19937 random(6);
    for (int round = 0; round < testing::rounds(400); ++round) {
        const double across = between(random, 45, 90);
        const Claim side(Polygon{testing::rectangle(0, 0, across, 15), {}}, 0.25);
        const Claim corner(Polygon{{{0, 0}, {9, 4}, {14, 30}, {3, 17}}, {}}, 0.25);
        // The corner's highest point goes a tenth of a millimetre too far through the lower side.
        const TurnedClaim lies = side.turned(0);
        const TurnedClaim pokes = corner.turned(90 * static_cast<double>(random() % 4));
        const auto in = static_cast<float>(between(random, 0.02, 0.3));
        const auto dx = static_cast<float>(between(random, lies.claim.box.x0 - pokes.claim.box.x0 + 1,
                                                   lies.claim.box.x1 - pokes.claim.box.x1 - 1));
        const float dy = lies.claim.box.y1 - pokes.claim.box.y0 - in;
        EXPECT_GT(overlap(lies, pokes, dx, dy), 0) << "round " << round;
        EXPECT_GT(overlap(pokes, lies, -dx, -dy), 0) << "round " << round;
        EXPECT_EQ(overlap(lies, pokes, dx, dy + in + 0.02F), 0) << "round " << round;
    }
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
    const int jobs = testing::long_rounds(12);
    for (int k = 0; k < jobs; ++k) {
        const NestJob job = tight_job(static_cast<unsigned>(k + 1), k % 2 == 0);
        const NestResult first = nest(job);
        ASSERT_FALSE(first.unplaced.empty());
        const NestResult then = refined(job, first, 4, {}, {});
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
    testing::expect_same(a.placements, b.placements);
    const NestResult first = nest(tight_job(4, true));
    const NestResult stopped_at_once = refined(job, first, 3, [] { return true; }, {});
    EXPECT_EQ(stopped_at_once.placements.size(), first.placements.size());
}

} // namespace zesty
