#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/geometry/segment_grid.h"
#include "core/setout/photo_fit.h"
#include "support/between.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <gtest/gtest.h>

namespace zesty {

namespace {

Ring print_at(const PhotoFit& f, double width, double height, double factor) {
    const double w = width * factor / 2;
    const double h = height * factor / 2;
    return transformed(testing::rectangle(-w, -h, w, h),
                       Transform::moved(f.centre.x, f.centre.y) * Transform::turned_deg(f.turn_deg));
}

bool lies_inside(const Polygon& opening, const Ring& print, double slack) {
    const auto out = subtract({{print, {}}}, {opening});
    return out && area(*out) <= slack;
}

/// Another way to the answer, by brute force: every tilt, every place of a fine raster, and the rectangle
/// grown by halving until its sides meet the contour. Returns the largest factor found.
double by_trying(const Polygon& opening, double width, double height) {
    std::vector<Segment> segments;
    append_segments(segments, opening.outer, 0, 0);
    const SegmentGrid grid(segments);
    const Box box = bounds(opening.outer);
    const double most = std::sqrt(area(opening) / (width * height)); // a print around it meets nothing either
    const auto fits = [&](Point c, double deg, double factor) {
        if (factor > most) return false;
        const Ring r = print_at({1, c, deg}, width, height, factor);
        for (std::size_t i = 0; i < 4; ++i)
            if (grid.meets(r[i], r[(i + 1) % 4], [](const Segment&) { return true; })) return false;
        return true;
    };
    double best = 0;
    const int n = 36;
    for (double deg = 0; deg < 180; deg += 3)
        for (int y = 1; y < n; ++y)
            for (int x = 1; x < n; ++x) {
                const Point c{box.x0 + box.width() * x / n, box.y0 + box.height() * y / n};
                if (!contains(opening.outer, c) || !fits(c, deg, best * 1.0005)) continue;
                double step = box.diagonal() / n;
                double at_deg = deg;
                Point at = c;
                // Climb from there, so that the raster need not be finer.
                for (double turn = 1.5; turn > 0.01;) {
                    bool better = false;
                    for (const double dt : {0.0, -turn, turn})
                        for (const Point d : {Point{0, 0}, Point{step, 0}, Point{-step, 0}, Point{0, step},
                                              Point{0, -step}}) {
                            double lo = best * 1.0005;
                            const Point to = at + d;
                            if (!contains(opening.outer, to) || !fits(to, at_deg + dt, lo)) continue;
                            for (double hi = best * 2 + 1; hi - lo > 1e-4 * hi;)
                                (fits(to, at_deg + dt, (lo + hi) / 2) ? lo : hi) = (lo + hi) / 2;
                            best = lo;
                            at = to;
                            at_deg += dt;
                            better = true;
                        }
                    if (better) continue;
                    turn /= 2;
                    step /= 2;
                }
            }
    return best;
}

} // namespace

TEST(PhotoFit, FindsWhatCanBeWorkedOutByHand) {
    const auto square = largest_inside({testing::rectangle(10, 20, 110, 120), {}}, 4, 4);
    ASSERT_TRUE(square);
    EXPECT_NEAR(square->factor, 25, 0.02);
    EXPECT_NEAR(square->centre.x, 60, 0.2);
    EXPECT_NEAR(square->centre.y, 70, 0.2);
    // A 3 : 4 print in a circle: its diagonal is the diameter.
    const auto round = largest_inside({testing::polygon({0, 0}, 50, 180), {}}, 3, 4);
    ASSERT_TRUE(round);
    EXPECT_NEAR(round->factor, 20, 0.1);
    // A long print in a square lies on the diagonal.
    const auto thin = largest_inside({testing::rectangle(0, 0, 100, 100), {}}, 10, 1);
    EXPECT_NEAR(thin->factor, 100 * M_SQRT2 / 11, 0.06);
    EXPECT_NEAR(std::abs(thin->turn_deg), 45, 1);
    EXPECT_FALSE(largest_inside({}, 3, 4));
    EXPECT_FALSE(largest_inside({testing::rectangle(0, 0, 9, 9), {}}, 0, 4));
}

TEST(PhotoFit, AnInsertIsInTheWay) {
    Polygon ring{testing::rectangle(0, 0, 100, 100), {testing::rectangle(40, 40, 60, 60)}};
    const auto fit = largest_inside(ring, 1, 1);
    ASSERT_TRUE(fit);
    EXPECT_NEAR(fit->factor, 40, 0.3);
    EXPECT_TRUE(lies_inside(ring, print_at(*fit, 1, 1, fit->factor * 0.999), 1e-6));
}

TEST(PhotoFit, IsAsLargeAsAFineSearchFindsOnRandomOpenings) {
    const auto openings = testing::random_openings(77, testing::rounds(40));
    for (std::size_t i = 0; i < openings.size(); ++i) {
        const double width = 1;
        const double height = i % 3 == 0 ? 1.5 : i % 3 == 1 ? 1 : 4.0 / 3;
        const auto fit = largest_inside(openings[i], width, height);
        ASSERT_TRUE(fit);
        EXPECT_TRUE(lies_inside(openings[i], print_at(*fit, width, height, fit->factor * 0.999),
                                1e-3 * area(openings[i])));
        EXPECT_GE(fit->factor, by_trying(openings[i], width, height) * 0.99) << "opening " << i;
    }
}

TEST(PhotoFit, TuckedPrintsShowWhatFits) {
    const Polygon opening{testing::rectangle(0, 0, 80, 120), {}};
    const auto fit = largest_tucked(opening, 4, 6, 3);
    ASSERT_TRUE(fit);
    // 86 x 126 would be the room; in 4 : 6 that is 84 x 126.
    EXPECT_NEAR(fit->factor, 21, 0.15);
    const auto growth = cut_growth_for_inside(opening, 101.6, 152.4, 3);
    ASSERT_TRUE(growth);
    EXPECT_NEAR(growth->factor, (152.4 - 6) / 120, 0.01);
    const auto again = largest_tucked(
        {testing::rectangle(0, 0, 80 * growth->factor, 120 * growth->factor), {}}, 101.6, 152.4, 3);
    EXPECT_NEAR(again->factor, 1, 0.01);
}

TEST(PhotoFit, CoveringPrintsAreTheSmallestThatDo) {
    for (const Polygon& opening : testing::random_openings(5, testing::rounds(60))) {
        const auto fit = smallest_covering(opening, 4, 6, 3);
        ASSERT_TRUE(fit);
        const Ring print = print_at(*fit, 4, 6, fit->factor);
        const auto grown = grow({opening}, 3 - 0.01);
        ASSERT_TRUE(grown);
        const auto bare = subtract(*grown, {{print, {}}});
        EXPECT_LE(area(*bare), 0.05);
        for (double deg = -90; deg < 90; deg += 1) {
            const Box b = bounds(transformed(opening.outer, Transform::turned_deg(-deg)));
            EXPECT_LE(fit->factor, std::max((b.width() + 6) / 4, (b.height() + 6) / 6) + 1e-9);
        }
        const auto growth = cut_growth_for_covering(opening, 101.6, 152.4, 3);
        ASSERT_TRUE(growth);
        const auto then = smallest_covering(
            {transformed(opening.outer, Transform::scaled(growth->factor)), {}}, 101.6, 152.4, 3);
        EXPECT_NEAR(then->factor, 1, 1e-6);
    }
    EXPECT_FALSE(cut_growth_for_covering({testing::rectangle(0, 0, 9, 9), {}}, 5, 5, 3));
}

TEST(PhotoFit, StaysUprightWithinItsLimitAndIsAsLargeAsThatAllows) {
    std::mt19937 random(9);
    const auto openings = testing::random_openings(19, testing::rounds(30));
    for (std::size_t i = 0; i < openings.size(); ++i) {
        const double limit = i % 3 == 0 ? 0 : testing::between(random, 1, 12);
        const double height = i % 2 ? 1.5 : 1;
        const auto fit = largest_inside(openings[i], 1, height, limit);
        ASSERT_TRUE(fit);
        EXPECT_LE(std::abs(fit->turn_deg), limit + 1e-9);
        const auto any = largest_inside(openings[i], 1, height);
        EXPECT_LE(fit->factor, any->factor * (1 + 2 * photo_fit_tolerance));
        // The same with the opening turned instead: what is best upright is no worse than any of these.
        for (const double deg : {-limit, -limit / 2, 0.0, limit / 2, limit}) {
            const Polygon turned = transformed(openings[i], Transform::turned_deg(-deg));
            const auto upright = largest_inside(turned, 1, height, 0);
            ASSERT_TRUE(upright);
            EXPECT_EQ(upright->turn_deg, 0);
            EXPECT_GE(fit->factor, upright->factor * 0.98) << "opening " << i << " at " << deg;
        }
        const auto cover = smallest_covering(openings[i], 4, 6, 3, limit);
        EXPECT_LE(std::abs(cover->turn_deg), limit + 1e-6);
        EXPECT_GE(cover->factor, smallest_covering(openings[i], 4, 6, 3)->factor - 1e-9);
    }
}

TEST(PhotoFit, ARoundPhotoTakesTheLargestCircleOrTheLargestPunchThatFits) {
    const Polygon round{testing::polygon({50, 50}, 40, 180), {}};
    const auto fit = largest_round_inside(round, 20, 3);
    ASSERT_TRUE(fit);
    EXPECT_NEAR(fit->factor * 20, 2 * 43, 0.1);
    EXPECT_NEAR(fit->centre.x, 50, 0.1);
    const auto punched = largest_round_inside(round, 20, 0, {25.4, 50.8, 76.2, 101.6});
    ASSERT_TRUE(punched);
    EXPECT_NEAR(punched->factor * 20, 76.2, 1e-6);
    EXPECT_FALSE(largest_round_inside(round, 20, 0, {101.6}));
}

} // namespace zesty
