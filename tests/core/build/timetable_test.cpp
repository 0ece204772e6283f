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
        out[i].machine = random() % 5 == 0;
        out[i].at_home = random() % 4 == 0;
        if (random() % 8 == 0) out[i].not_before = static_cast<double>(random() % 40);
        for (std::size_t k = 0; k < i; ++k)
            if (random() % (count / 2 + 1) == 0) out[i].after.push_back(k);
    }
    return out;
}

TableTime random_table(std::mt19937& random) {
    TableTime out;
    out.pairs = 1 + static_cast<int>(random() % 2);
    double at = 0;
    for (std::size_t n = random() % 3; n > 0; --n) {
        const double from = at + static_cast<double>(random() % 30);
        at = from + 40 + static_cast<double>(random() % 60);
        out.sittings.push_back({from, at, random() % 3 == 0});
    }
    if (!out.sittings.empty()) out.sittings.push_back({at + 60});
    return out;
}

/// How long somebody is at a step without leaving it.
double stays(const TimedStep& s) {
    return s.machine ? s.hands + s.dries : s.hands;
}

bool within_a_sitting(const TimedStep& s, double start, const TableTime& table) {
    if (table.sittings.empty()) return true;
    return std::any_of(table.sittings.begin(), table.sittings.end(), [&](const SittingSpan& span) {
        return start >= span.from - 1e-9 && start + stays(s) <= span.to + 1e-9 &&
               !(span.away && (s.machine || s.at_home));
    });
}

void expect_sound(const std::vector<TimedStep>& steps, const Timetable& t, const TableTime& table) {
    ASSERT_EQ(t.start.size(), steps.size());
    double finish = 0;
    for (std::size_t i = 0; i < steps.size(); ++i) {
        EXPECT_GE(t.start[i], steps[i].not_before - 1e-9);
        EXPECT_LT(t.pair[i], table.pairs);
        EXPECT_TRUE(within_a_sitting(steps[i], t.start[i], table)) << i;
        finish = std::max(finish, t.start[i] + steps[i].hands + steps[i].dries);
        for (const std::size_t before : steps[i].after)
            EXPECT_GE(t.start[i], t.start[before] + steps[before].hands + steps[before].dries - 1e-9);
        const auto apart = [&](std::size_t k, double lasts_i, double lasts_k) {
            return t.start[i] >= t.start[k] + lasts_k - 1e-9 || t.start[k] >= t.start[i] + lasts_i - 1e-9;
        };
        for (std::size_t k = 0; k < i; ++k) {
            if (t.pair[i] == t.pair[k]) {
                EXPECT_TRUE(apart(k, steps[i].hands, steps[k].hands));
            }
            if (steps[i].machine && steps[k].machine) {
                EXPECT_TRUE(apart(k, stays(steps[i]), stays(steps[k]))) << "one machine";
            }
        }
    }
    EXPECT_NEAR(t.finish, finish, 1e-9);
}

/// The best of every order that is possible, each step as early as its order allows. By another way than the
/// program's: it looks at moments at which something begins or ends.
class EveryOrder {
public:
    EveryOrder(const std::vector<TimedStep>& steps, const TableTime& table)
        : steps_(steps), table_(table), start_(steps.size(), -1), pair_(steps.size(), 0),
          tail_(steps.size()) {
        for (std::size_t i = steps.size(); i-- > 0;) {
            tail_[i] += steps[i].hands + steps[i].dries;
            for (const std::size_t b : steps[i].after) tail_[b] = std::max(tail_[b], tail_[i]);
        }
        search(0, 0);
    }
    double best() const { return best_; }

private:
    bool free(std::size_t i, double at, int pair) const {
        for (std::size_t k = 0; k < steps_.size(); ++k) {
            if (start_[k] < 0) continue;
            if (pair_[k] == pair && at < start_[k] + steps_[k].hands - 1e-9 &&
                start_[k] < at + steps_[i].hands - 1e-9)
                return false;
            if (steps_[i].machine && steps_[k].machine && at < start_[k] + stays(steps_[k]) - 1e-9 &&
                start_[k] < at + stays(steps_[i]) - 1e-9)
                return false;
        }
        return within_a_sitting(steps_[i], at, table_);
    }
    double earliest(std::size_t i, int pair) const {
        double ready = steps_[i].not_before;
        for (const std::size_t b : steps_[i].after)
            ready = std::max(ready, start_[b] + steps_[b].hands + steps_[b].dries);
        std::vector<double> moments{ready};
        for (const SittingSpan& span : table_.sittings) moments.push_back(span.from);
        for (std::size_t k = 0; k < steps_.size(); ++k)
            if (start_[k] >= 0) {
                moments.push_back(start_[k] + steps_[k].hands);
                moments.push_back(start_[k] + stays(steps_[k]));
            }
        std::sort(moments.begin(), moments.end());
        for (const double at : moments)
            if (at >= ready - 1e-9 && free(i, at, pair)) return at;
        return 1e18;
    }
    void search(std::size_t set, double finish) {
        if (set == steps_.size()) {
            best_ = std::min(best_, finish);
            return;
        }
        for (std::size_t i = 0; i < steps_.size(); ++i) {
            if (start_[i] >= 0 || std::any_of(steps_[i].after.begin(), steps_[i].after.end(),
                                              [&](std::size_t b) { return start_[b] < 0; }))
                continue;
            double at = 1e18;
            for (int p = 0; p < table_.pairs; ++p)
                if (const double t = earliest(i, p); t < at) {
                    at = t;
                    pair_[i] = p;
                }
            if (at + tail_[i] >= best_ - 1e-9) continue; // no order that goes on like this is better
            start_[i] = at;
            search(set + 1, std::max(finish, at + steps_[i].hands + steps_[i].dries));
            start_[i] = -1;
        }
    }

    const std::vector<TimedStep>& steps_;
    const TableTime& table_;
    std::vector<double> start_;
    std::vector<int> pair_;
    std::vector<double> tail_;
    double best_ = 1e17;
};

} // namespace

TEST(Timetable, IsWithinTwoPercentOfTheBestOfAllOrders) {
    std::mt19937 random(9);
    double worst = 1;
    for (int round = 0; round < testing::rounds(200); ++round) {
        const TableTime table = random_table(random);
        const auto steps = random_steps(random, 3 + random() % 7);
        const Timetable t = timetable(steps, table);
        expect_sound(steps, t, table);
        worst = std::max(worst, t.finish / EveryOrder(steps, table).best());
    }
    EXPECT_LE(worst, 1.02);
}

TEST(Timetable, OfManyStepsIsSoundAndNeverSoonerThanItCanBe) {
    std::mt19937 random(60);
    for (int round = 0; round < testing::rounds(12); ++round) {
        const TableTime table = random_table(random);
        const auto steps = random_steps(random, 60);
        const Timetable t = timetable(steps, table);
        expect_sound(steps, t, table);
        EXPECT_GE(t.finish, earliest_finish(steps, table.pairs) - 1e-9);
    }
}

TEST(Timetable, WhatFitsIntoNoSittingComesInTheLast) {
    const std::vector<TimedStep> steps{{50, 0, {}}, {10, 0, {}}};
    const Timetable t = timetable(steps, TableTime{1, {{0, 30, false}, {90}}});
    EXPECT_EQ(t.start[0], 90) << "it is not divided";
    EXPECT_EQ(t.start[1], 0);
}

TEST(Timetable, TheMachineStaysAtHomeAndDoesOneThingAtATime) {
    std::vector<TimedStep> steps{{2, 8, {}}, {2, 8, {}}, {5, 0, {}}};
    steps[0].machine = steps[1].machine = true;
    const Timetable t = timetable(steps, 1);
    EXPECT_EQ(std::abs(t.start[0] - t.start[1]), 10);
    EXPECT_EQ(t.start[2], 2) << "hands are free while it cuts";
    const Timetable away = timetable(steps, TableTime{1, {{0, 60, true}, {100}}});
    EXPECT_GE(std::min(away.start[0], away.start[1]), 100);
    EXPECT_EQ(away.start[2], 0);
}

TEST(Timetable, WhereNothingIsLostTheOrderGivenStays) {
    const std::vector<TimedStep> steps{{5, 0, {}}, {3, 0, {}}, {9, 0, {}}, {1, 0, {}}, {4, 0, {}},
                                       {6, 0, {}}, {2, 0, {}}, {8, 0, {}}, {7, 0, {}}, {5, 0, {}}};
    const Timetable t = timetable(steps, 1);
    for (std::size_t i = 1; i < steps.size(); ++i) EXPECT_GT(t.start[i], t.start[i - 1]);
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
    expect_sound(steps, told, TableTime{1, {}});
}

} // namespace zesty
