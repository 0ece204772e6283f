// The timetable: nothing before what it waits for, no pair of hands at two things, and hardly later than the
// best.

#include "core/build/timetable.h"
#include "support/between.h"
#include "support/rounds.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <numeric>
#include <random>

namespace zesty {

namespace {

std::vector<TimedStep> random_steps(std::mt19937& random, std::size_t count) {
    std::vector<TimedStep> out(count);
    for (std::size_t i = 0; i < count; ++i) {
        out[i].hands = 1 + static_cast<double>(random() % 30);
        if (random() % 3 == 0) out[i].dries = static_cast<double>(random() % 60);
        for (std::size_t k = 0; k < i; ++k)
            if (random() % (count / 2 + 1) == 0) out[i].after.push_back(k);
    }
    return out;
}

void expect_sound(const std::vector<TimedStep>& steps, const Timetable& t, int pairs) {
    ASSERT_EQ(t.start.size(), steps.size());
    double finish = 0;
    for (std::size_t i = 0; i < steps.size(); ++i) {
        EXPECT_GE(t.start[i], 0);
        EXPECT_LT(t.pair[i], pairs);
        finish = std::max(finish, t.start[i] + steps[i].hands + steps[i].dries);
        for (const std::size_t before : steps[i].after)
            EXPECT_GE(t.start[i], t.start[before] + steps[before].hands + steps[before].dries - 1e-9);
        for (std::size_t k = 0; k < i; ++k)
            if (t.pair[i] == t.pair[k] && steps[i].hands > 0 && steps[k].hands > 0) {
                EXPECT_TRUE(t.start[i] >= t.start[k] + steps[k].hands - 1e-9 ||
                            t.start[k] >= t.start[i] + steps[i].hands - 1e-9);
            }
    }
    EXPECT_NEAR(t.finish, finish, 1e-9);
}

/// Every order that is possible, each step as early as its order allows.
double best_finish(const std::vector<TimedStep>& steps, int pairs) {
    std::vector<std::size_t> order(steps.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    double best = 1e18;
    do {
        std::vector<double> start(steps.size(), -1);
        std::vector<std::vector<std::pair<double, double>>> busy(static_cast<std::size_t>(pairs));
        double finish = 0;
        bool possible = true;
        for (const std::size_t i : order) {
            double ready = 0;
            for (const std::size_t b : steps[i].after) {
                possible = possible && start[b] >= 0;
                ready = std::max(ready, start[b] + steps[b].hands + steps[b].dries);
            }
            if (!possible) break;
            double at = 1e18;
            std::size_t who = 0;
            for (std::size_t p = 0; p < busy.size(); ++p) {
                double t = ready;
                auto taken = busy[p];
                std::sort(taken.begin(), taken.end());
                for (const auto& [from, to] : taken)
                    if (t + steps[i].hands > from + 1e-9) t = std::max(t, to);
                if (t < at) {
                    at = t;
                    who = p;
                }
            }
            start[i] = at;
            busy[who].emplace_back(at, at + steps[i].hands);
            finish = std::max(finish, at + steps[i].hands + steps[i].dries);
        }
        if (possible) best = std::min(best, finish);
    } while (std::next_permutation(order.begin(), order.end()));
    return best;
}

} // namespace

TEST(Timetable, IsWithinTwoPercentOfTheBestOfAllOrders) {
    std::mt19937 random(9);
    double worst = 1;
    for (int round = 0; round < testing::rounds(200); ++round) {
        const int pairs = 1 + static_cast<int>(random() % 2);
        const auto steps = random_steps(random, 3 + random() % 5);
        const Timetable t = timetable(steps, pairs);
        expect_sound(steps, t, pairs);
        worst = std::max(worst, t.finish / best_finish(steps, pairs));
    }
    EXPECT_LE(worst, 1.02);
}

TEST(Timetable, OfManyStepsIsSoundAndNeverSoonerThanItCanBe) {
    std::mt19937 random(60);
    for (int round = 0; round < testing::rounds(12); ++round) {
        const int pairs = 1 + static_cast<int>(random() % 2);
        const auto steps = random_steps(random, 60);
        const Timetable t = timetable(steps, pairs);
        expect_sound(steps, t, pairs);
        EXPECT_GE(t.finish, earliest_finish(steps, pairs) - 1e-9);
    }
}

TEST(Timetable, OtherWorkFillsTheWaiting) {
    // Paint dries for an hour; backing takes three quarters of it.
    const std::vector<TimedStep> steps{{10, 60, {}}, {45, 0, {}}, {5, 0, {0, 1}}};
    const Timetable t = timetable(steps, 1);
    EXPECT_EQ(t.start[0], 0) << "what dries comes first";
    EXPECT_EQ(t.start[1], 10);
    EXPECT_EQ(t.finish, 75);
    EXPECT_EQ(earliest_finish(steps, 1), 75);
}

TEST(Timetable, TwoPairsOfHandsShareTheWork) {
    const std::vector<TimedStep> steps{{30, 0, {}}, {30, 0, {}}, {10, 0, {0, 1}}};
    EXPECT_EQ(timetable(steps, 1).finish, 70);
    const Timetable two = timetable(steps, 2);
    EXPECT_EQ(two.finish, 40);
    EXPECT_NE(two.pair[0], two.pair[1]);
}

TEST(Timetable, OfNothingTakesNoTimeAndIsTheSameForTheSameSeed) {
    EXPECT_EQ(timetable({}, 1).finish, 0);
    std::mt19937 random(4);
    const auto steps = random_steps(random, 20);
    EXPECT_EQ(timetable(steps, 2, 7).start, timetable(steps, 2, 7).start);
    const Timetable told = timetable(steps, 1, 1, [] { return true; });
    expect_sound(steps, told, 1);
}

} // namespace zesty
