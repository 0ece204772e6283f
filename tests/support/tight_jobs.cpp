#include "support/tight_jobs.h"

#include "core/geometry/measure.h"
#include "support/lattice.h"

#include <gtest/gtest.h>

namespace zesty::testing {

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
    Polygon offcut{rectangle(0, 0, 110, 90), {polygon({70, 45}, 15, 30)}};
    offcut.outer[2] = {80, 60};
    job.sheets = {{{rectangle(10, 10, 130, 110), {}}, 0}, {offcut, 0}};
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

double area_placed(const NestJob& job, const NestResult& result) {
    double sum = 0;
    for (const NestPlacement& p : result.placements) sum += area(job.pieces[p.piece].outline);
    return sum;
}

void expect_same(const std::vector<NestPlacement>& a, const std::vector<NestPlacement>& b) {
    ASSERT_EQ(a.size(), b.size());
    for (std::size_t i = 0; i < a.size(); ++i) {
        EXPECT_EQ(a[i].piece, b[i].piece);
        EXPECT_EQ(a[i].shift, b[i].shift);
        EXPECT_EQ(a[i].rotation_deg, b[i].rotation_deg);
    }
}

} // namespace zesty::testing
