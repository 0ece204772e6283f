// Pieces laid where they touch most, and the grid of distances that tells where that is.

#include "core/geometry/measure.h"
#include "core/sheets/relay.h"
#include "support/lattice.h"
#include "support/rounds.h"
#include "support/tight_jobs.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

using testing::between;
using testing::tight_job;

constexpr float cell = 0.5F, reach = 4;

/// How far a point is from a ring, below 0 inside, cut off at the reach.
double distance_to(const Ring& ring, Point p) {
    double d = reach;
    for (std::size_t i = 0; i < ring.size(); ++i)
        d = std::min(d, distance_to_segment(p, ring[i], ring[(i + 1) % ring.size()]));
    return contains(ring, p) ? -d : d;
}

Ring ring_of(const TurnedClaim& claim, float x, float y) {
    Ring out;
    for (std::size_t i = 0; i + 1 < claim.claim.x.size(); ++i)
        out.push_back({claim.claim.x[i] + x, claim.claim.y[i] + y});
    return out;
}

/// A job's layout, and what a Relayer needs beside it.
struct Laying {
    explicit Laying(const NestJob& job) : first(nest(job)), crowd(job, first), points(crowd) {
        spots.resize(job.pieces.size());
        for (const NestPlacement& p : first.placements) spots[p.piece] = crowd.spot_of(p);
    }
    NestResult result(const std::vector<CrowdSpot>& at) const {
        NestResult out;
        for (std::size_t i = 0; i < at.size(); ++i)
            if (at[i].sheet < 0)
                out.unplaced.push_back(static_cast<int>(i));
            else
                out.placements.push_back(crowd.placement_of(static_cast<int>(i), at[i]));
        return out;
    }
    NestResult first;
    CrowdJob crowd;
    OutlinePoints points;
    std::vector<CrowdSpot> spots;
};

} // namespace

TEST(Clearance, SaysHowFarEveryPointIsFromWhatIsTaken) {
    std::mt19937 random(3);
    for (int round = 0; round < testing::rounds(20); ++round) {
        const Polygon hole{testing::polygon({40, 35}, 9, 7), {}};
        const FloatBox sheet{0, 0, 100, 80};
        std::vector<TurnedClaim> obstacles{Claim::obstacle(hole).turned(0)};
        const Point moved = Claim::obstacle(hole).reference();
        for (float& x : obstacles[0].claim.x) x += static_cast<float>(moved.x);
        for (float& y : obstacles[0].claim.y) y += static_cast<float>(moved.y);
        FloatBox& b = obstacles[0].claim.box;
        b = {b.x0 + static_cast<float>(moved.x), b.y0 + static_cast<float>(moved.y),
             b.x1 + static_cast<float>(moved.x), b.y1 + static_cast<float>(moved.y)};
        Clearance clear(sheet, obstacles, 0.25F, cell, reach);
        std::vector<Ring> taken;
        for (int k = 0; k < 3; ++k) {
            const TurnedClaim claim =
                Claim(testing::some_piece(random), 0.25).turned(between(random, 0, 360));
            const auto x = static_cast<float>(between(random, 10, 90));
            const auto y = static_cast<float>(between(random, 10, 70));
            clear.add(k, claim, x, y);
            taken.push_back(ring_of(claim, x, y));
        }
        clear.add(9, Claim(testing::some_piece(random), 0.25).turned(0), 50, 40);
        clear.remove(9);
        for (int k = 0; k < 300; ++k) {
            const Point p{between(random, -6, 106), between(random, -6, 86)};
            double expected = std::min({p.x, p.y, 100 - p.x, 80 - p.y}) + 0.25;
            expected = std::min(expected, distance_to(hole.outer, p) + 0.25);
            for (const Ring& r : taken) expected = std::min(expected, distance_to(r, p));
            expected = std::clamp<double>(expected, -reach, reach);
            EXPECT_NEAR(clear.at(static_cast<float>(p.x), static_cast<float>(p.y)), expected, 0.75 * cell)
                << "round " << round << " at " << p.x << ", " << p.y;
        }
    }
}

TEST(Clearance, KnowsTheMostOfEveryBlockOfNodesWhateverComesAndGoes) {
    std::mt19937 random(9);
    Clearance clear({0, 0, 70, 50}, {}, 0.25F, 0.7F, 5.6F);
    const auto expect_most = [&] {
        const auto across = (clear.columns() - 1) / Clearance::block + 1;
        const auto down = (clear.rows() - 1) / Clearance::block + 1;
        std::vector<float> most(static_cast<std::size_t>(across) * down, -100);
        for (int row = 0; row < clear.rows(); ++row)
            for (int column = 0; column < clear.columns(); ++column) {
                float& m = most[static_cast<std::size_t>(row / Clearance::block) * across +
                                column / Clearance::block];
                m = std::max(m, *clear.node(column, row));
            }
        for (int d = 0; d < down; ++d)
            for (int r = 0; r < across; ++r)
                EXPECT_EQ(clear.most_in(r, d), most[static_cast<std::size_t>(d) * across + r]);
    };
    expect_most();
    for (int k = 0; k < 12; ++k) {
        const Claim claim(testing::some_piece(random), 0.25);
        clear.add(k, claim.turned(between(random, 0, 360)), static_cast<float>(between(random, 0, 70)),
                  static_cast<float>(between(random, 0, 50)));
        if (k % 3 == 2) clear.remove(k - 1);
        expect_most();
    }
    clear.clear();
    expect_most();
}

TEST(Clearance, WhatIsTakenAwayAndAddedAgainLeavesNoTrace) {
    std::mt19937 random(8);
    Clearance clear({0, 0, 80, 80}, {}, 0, cell, reach);
    for (int k = 0; k < 6; ++k)
        clear.add(k, Claim(testing::some_piece(random), 0.25).turned(0),
                  static_cast<float>(between(random, 15, 65)), static_cast<float>(between(random, 15, 65)));
    const Clearance before = clear;
    const Clearance::Patch two = clear.remove(2);
    EXPECT_EQ(two.piece, 2);
    clear.add(two);
    EXPECT_LT(clear.remove(77).piece, 0);
    for (int row = 0; row < clear.rows(); ++row)
        for (int column = 0; column < clear.columns(); ++column)
            ASSERT_EQ(*clear.node(column, row), *before.node(column, row));
}

TEST(Touching, PutsASquareIntoACorner) {
    NestJob job;
    job.gap = 0.5;
    job.pieces = {{{testing::rectangle(0, 0, 20, 20), {}}, true, {}, {}}};
    job.sheets = {{{testing::rectangle(0, 0, 90, 70), {}}, 0}};
    const CrowdJob crowd(job, {});
    const OutlinePoints points(crowd);
    Touching touching(crowd, points);
    const Clearance clear = empty_clearances(crowd)[0];
    std::mt19937 random(1);
    const auto places = touching.places(0, 0, clear, crowd.sheets[0].box, {}, random);
    ASSERT_FALSE(places.empty());
    const auto best = touching.closer(0, clear, places[0], random);
    ASSERT_TRUE(best);
    EXPECT_GT(best->score, 0.45) << "two of four sides";
    const NestPlacement at = crowd.placement_of(0, best->spot);
    const Box box = bounds(transformed(job.pieces[0].outline, at.transform()).outer);
    EXPECT_LT(std::min(box.x0, 90 - box.x1), 0.8);
    EXPECT_LT(std::min(box.y0, 70 - box.y1), 0.8);
}

TEST(Relayer, LaysAfreshSoundlyAndNeverHoldsLess) {
    double before = 0;
    double after = 0;
    for (int k = 0; k < testing::rounds(8); ++k) {
        const NestJob job = tight_job(static_cast<unsigned>(k + 20), k % 2 == 0);
        const Laying laying(job);
        const auto empty = empty_clearances(laying.crowd);
        Relayer relayer(laying.crowd, laying.points, empty, laying.spots);
        std::mt19937 random(static_cast<unsigned>(k));
        double held = relayer.placed();
        before += held;
        Effort effort;
        effort.look = 1 + static_cast<std::size_t>(k % 3);
        relayer.afresh(effort, random, {});
        for (int tries = 0; tries < 10; ++tries) {
            EXPECT_GE(relayer.placed(), held - 1e-6);
            held = relayer.placed();
            const NestResult result = laying.result(relayer.spots());
            EXPECT_EQ(verify(job, result), "") << "job " << k;
            EXPECT_NEAR(testing::area_placed(job, result), held, 1e-6);
            relayer.relay(random, {});
        }
        after += held;
    }
    EXPECT_GT(after, 1.03 * before);
}

TEST(Relayer, StaysAsItWasWhenToldToStop) {
    const NestJob job = tight_job(5, true);
    const Laying laying(job);
    const auto empty = empty_clearances(laying.crowd);
    Relayer relayer(laying.crowd, laying.points, empty, laying.spots);
    std::mt19937 random(1);
    const double held = relayer.placed();
    int asked = 0;
    const StopToken soon = [&] { return ++asked > 4; };
    relayer.afresh({}, random, soon);
    EXPECT_EQ(relayer.placed(), held);
    relayer.relay(random, soon);
    EXPECT_GE(relayer.placed(), held);
    EXPECT_EQ(verify(job, laying.result(relayer.spots())), "");
}

} // namespace zesty
