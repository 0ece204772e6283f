// The order in which contours are cut: inside before outside, and hardly longer than the shortest way.

#include "core/build/tool_path.h"
#include "core/geometry/measure.h"
#include "support/between.h"
#include "support/lattice.h"
#include "support/pages.h"
#include "support/rounds.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <numeric>
#include <set>

namespace zesty {

namespace {

Ring square(Point middle, double side) {
    return testing::rectangle(middle.x - side / 2, middle.y - side / 2, middle.x + side / 2,
                              middle.y + side / 2);
}

/// Squares that do not cross, some in each other, at most so many.
std::vector<Ring> random_squares(std::mt19937& random, std::size_t count) {
    std::vector<Ring> out;
    std::vector<Box> outer;
    for (int tries = 0; tries < 400 && out.size() < count; ++tries) {
        const double side = testing::between(random, 12, 60);
        const Point middle{testing::between(random, 40, 260), testing::between(random, 40, 260)};
        const Box box = bounds(square(middle, side)).grown(1);
        if (std::any_of(outer.begin(), outer.end(), [&](const Box& b) { return b.meets(box); })) continue;
        outer.push_back(box);
        out.push_back(square(middle, side));
        if (out.size() < count && random() % 2) out.push_back(square(middle, side * 0.5));
        if (out.size() < count && random() % 3 == 0) out.push_back(square(middle, side * 0.8));
    }
    std::shuffle(out.begin(), out.end(), random);
    return out;
}

bool inside_first(const std::vector<Ring>& contours, const std::vector<int>& order) {
    const std::vector<int> around = lying_in(contours);
    std::vector<int> place(contours.size(), -1);
    for (std::size_t i = 0; i < order.size(); ++i)
        place[static_cast<std::size_t>(order[i])] = static_cast<int>(i);
    for (std::size_t c = 0; c < contours.size(); ++c)
        if (around[c] >= 0 && place[c] > place[static_cast<std::size_t>(around[c])]) return false;
    return true;
}

std::vector<int> order_of(const ToolPath& path) {
    std::vector<int> out;
    for (const ToolPath::Stop& s : path.stops) out.push_back(s.contour);
    return out;
}

/// The shortest way of all: every order, and for each every start.
double shortest(const std::vector<Ring>& contours) {
    std::vector<int> order(contours.size());
    std::iota(order.begin(), order.end(), 0);
    double best = 1e18;
    do {
        if (!inside_first(contours, order)) continue;
        std::vector<std::pair<double, Point>> ways{{0, {}}};
        for (const int c : order) {
            std::vector<std::pair<double, Point>> next;
            for (const Point p : contours[static_cast<std::size_t>(c)]) {
                double least = 1e18;
                for (const auto& [so_far, from] : ways) least = std::min(least, so_far + distance(from, p));
                next.emplace_back(least, p);
            }
            ways = std::move(next);
        }
        for (const auto& [length, end] : ways) best = std::min(best, length);
    } while (std::next_permutation(order.begin(), order.end()));
    return best;
}

} // namespace

TEST(ToolPath, IsWithinATenthOfTheShortestOnSmallCases) {
    std::mt19937 random(16);
    double worst = 1;
    for (int round = 0; round < testing::rounds(40); ++round) {
        const auto contours = random_squares(random, 7);
        const ToolPath path = tool_path(contours);
        ASSERT_EQ(path.stops.size(), contours.size());
        worst = std::max(worst, path.travel / shortest(contours));
    }
    EXPECT_LE(worst, 1.1);
}

TEST(ToolPath, CutsEachContourOnceAndWhatLiesInsideFirst) {
    std::mt19937 random(5);
    for (int round = 0; round < testing::rounds(30); ++round) {
        const auto contours = random_squares(random, 60);
        const ToolPath path = tool_path(contours);
        const std::vector<int> order = order_of(path);
        EXPECT_EQ(std::set<int>(order.begin(), order.end()).size(), contours.size());
        EXPECT_TRUE(inside_first(contours, order));
        double travel = 0;
        Point from{};
        for (const ToolPath::Stop& s : path.stops) {
            const Point to = contours[static_cast<std::size_t>(s.contour)][s.start];
            travel += distance(from, to);
            from = to;
        }
        EXPECT_NEAR(path.travel, travel, 1e-6);
        EXPECT_LT(path.travel, 0.6 * travel_as_given(contours)) << "at least 40 % shorter than as they came";
    }
}

TEST(ToolPath, OfALatticeGoesFromOpeningToOpeningAndRoundItAtTheEnd) {
    std::mt19937 random(2);
    const auto cut = read_cut(testing::random_lattice(random, 6, 6, 2));
    ASSERT_TRUE(cut);
    std::vector<Ring> contours;
    for (const Piece& p : cut->pieces) {
        contours.push_back(p.outline.outer);
        for (const Ring& hole : p.outline.holes) contours.push_back(hole);
    }
    const ToolPath path = tool_path(contours);
    EXPECT_EQ(path.stops.back().contour, 0) << "the outer edge of the largest piece";
    EXPECT_LT(path.travel, 0.6 * travel_as_given(contours));
}

TEST(ToolPath, ContoursComeInItsOrderFromTheirStarts) {
    const std::vector<Ring> contours{square({200, 200}, 40), square({50, 50}, 40), square({50, 50}, 10)};
    const ToolPath path = tool_path(contours);
    EXPECT_EQ(order_of(path), (std::vector<int>{2, 1, 0}));
    const auto ordered = in_order(contours, path);
    ASSERT_EQ(ordered.size(), 3u);
    EXPECT_EQ(ordered[2].front(), contours[0][path.stops[2].start]);
    EXPECT_NEAR(area({ordered[1], {}}), 1600, 1e-9);
}

TEST(ToolPath, LeavesOutWhatIsNoContourAndIsEmptyOfNothing) {
    EXPECT_TRUE(tool_path({}).stops.empty());
    const ToolPath path = tool_path({{{1, 1}, {2, 2}}, square({30, 30}, 10), {}});
    ASSERT_EQ(path.stops.size(), 1u);
    EXPECT_EQ(path.stops[0].contour, 1);
    EXPECT_EQ(travel_as_given({{{1, 1}, {2, 2}}}), 0);
}

TEST(ToolPath, TellsWhatLiesInWhat) {
    const std::vector<Ring> contours{square({50, 50}, 80), square({50, 50}, 60), square({50, 50}, 20),
                                     square({200, 50}, 20)};
    EXPECT_EQ(lying_in(contours), (std::vector<int>{-1, 0, 1, -1}));
}

} // namespace zesty
