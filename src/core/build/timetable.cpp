#include "core/build/timetable.h"

#include <algorithm>
#include <cassert>
#include <limits>
#include <numeric>
#include <random>

namespace zesty {

namespace {

constexpr int most_changes = 3000;
constexpr std::size_t decoding_budget = 60'000; ///< steps set, in all changes
constexpr double hardly = 1e-9;
constexpr std::size_t few_steps = 9; ///< of which every order is tried
constexpr std::size_t most_nodes = 400'000;

/// When a pair of hands is busy, in order.
using BusyTimes = std::vector<std::pair<double, double>>;

/// The earliest moment from `ready` on at which there are so many minutes free.
double free_from(const BusyTimes& busy, double ready, double minutes) {
    double at = ready;
    for (const auto& [from, to] : busy) {
        if (at + minutes <= from + hardly) return at;
        at = std::max(at, to);
    }
    return at;
}

bool better(const Timetable& a, const Timetable& b) {
    return a.finish < b.finish - hardly || (a.finish < b.finish + hardly && a.busy <= b.busy + hardly);
}

class Scheduling {
public:
    Scheduling(const std::vector<TimedStep>& steps, int pairs) : steps_(steps), pairs_(pairs) {
        tail_.assign(steps.size(), 0);
        for (std::size_t i = steps.size(); i-- > 0;) {
            tail_[i] += steps[i].hands + steps[i].dries;
            for (const std::size_t before : steps[i].after) {
                assert(before < i);
                tail_[before] = std::max(tail_[before], tail_[i]);
            }
        }
    }

    std::vector<std::size_t> by_longest_way() const {
        std::vector<std::size_t> out(steps_.size());
        std::iota(out.begin(), out.end(), std::size_t{0});
        std::stable_sort(out.begin(), out.end(),
                         [&](std::size_t a, std::size_t b) { return tail_[a] > tail_[b]; });
        return out;
    }

    /// Every order of few steps, as far as it can still end sooner than the best so far.
    void search_all(Timetable& best) const {
        Partial so_far{{},
                       std::vector<BusyTimes>(static_cast<std::size_t>(pairs_)),
                       std::vector<char>(steps_.size(), 0)};
        so_far.times.start.assign(steps_.size(), 0);
        so_far.times.pair.assign(steps_.size(), 0);
        std::size_t nodes = most_nodes;
        search(so_far, 0, best, nodes);
    }

    /// Of the steps that may be done, the first of the order is set next.
    Timetable in_order(const std::vector<std::size_t>& order) const {
        Timetable out;
        out.start.assign(steps_.size(), 0);
        out.pair.assign(steps_.size(), 0);
        std::vector<BusyTimes> busy(static_cast<std::size_t>(pairs_));
        std::vector<char> done(steps_.size(), 0);
        for (std::size_t set = 0; set < steps_.size(); ++set) {
            const std::size_t next = *std::find_if(order.begin(), order.end(),
                                                   [&](std::size_t i) { return may_be_done(i, done); });
            done[next] = 1;
            set_down(next, busy, out);
        }
        return out;
    }

private:
    struct Partial {
        Timetable times;
        std::vector<BusyTimes> busy;
        std::vector<char> done;
    };

    bool may_be_done(std::size_t step, const std::vector<char>& done) const {
        return !done[step] && std::all_of(steps_[step].after.begin(), steps_[step].after.end(),
                                          [&](std::size_t before) { return done[before] != 0; });
    }

    void search(const Partial& so_far, std::size_t set, Timetable& best, std::size_t& nodes) const {
        if (set == steps_.size()) {
            if (better(so_far.times, best)) best = so_far.times;
            return;
        }
        for (std::size_t i = 0; i < steps_.size() && nodes > 0; ++i) {
            if (!may_be_done(i, so_far.done)) continue;
            --nodes;
            Partial next = so_far;
            next.done[i] = 1;
            set_down(i, next.busy, next.times);
            if (next.times.start[i] + tail_[i] <= best.finish + hardly) search(next, set + 1, best, nodes);
        }
    }

    void set_down(std::size_t step, std::vector<BusyTimes>& busy, Timetable& out) const {
        const TimedStep& s = steps_[step];
        double ready = 0;
        for (const std::size_t before : s.after)
            ready = std::max(ready, out.start[before] + steps_[before].hands + steps_[before].dries);
        double best = std::numeric_limits<double>::infinity();
        std::size_t pair = 0;
        for (std::size_t p = 0; p < busy.size(); ++p)
            if (const double at = free_from(busy[p], ready, s.hands); at < best - hardly) {
                best = at;
                pair = p;
            }
        out.start[step] = best;
        out.pair[step] = static_cast<int>(pair);
        if (s.hands > 0) {
            const std::pair taken{best, best + s.hands};
            busy[pair].insert(std::upper_bound(busy[pair].begin(), busy[pair].end(), taken), taken);
        }
        out.busy = std::max(out.busy, best + s.hands);
        out.finish = std::max(out.finish, best + s.hands + s.dries);
    }

    const std::vector<TimedStep>& steps_;
    int pairs_;
    std::vector<double> tail_; ///< by step: from its beginning to the end of all that waits for it
};

} // namespace

double earliest_finish(const std::vector<TimedStep>& steps, int pairs_of_hands) {
    std::vector<double> end(steps.size(), 0);
    double chain = 0;
    double work = 0;
    for (std::size_t i = 0; i < steps.size(); ++i) {
        for (const std::size_t before : steps[i].after) end[i] = std::max(end[i], end[before]);
        end[i] += steps[i].hands + steps[i].dries;
        chain = std::max(chain, end[i]);
        work += steps[i].hands;
    }
    return std::max(chain, work / std::max(1, pairs_of_hands));
}

Timetable timetable(const std::vector<TimedStep>& steps, int pairs_of_hands, unsigned seed,
                    const StopToken& stop) {
    const int pairs = std::clamp(pairs_of_hands, 1, most_pairs_of_hands);
    const Scheduling scheduling(steps, pairs);
    std::vector<std::size_t> order = scheduling.by_longest_way();
    Timetable best = scheduling.in_order(order);
    if (steps.size() < 2) return best;
    const double least = earliest_finish(steps, pairs);
    if (steps.size() <= few_steps && best.finish > least + hardly) {
        scheduling.search_all(best);
        return best;
    }
    std::mt19937 random(seed);
    const int changes = std::min<int>(most_changes, static_cast<int>(decoding_budget / steps.size()));
    double reached = best.finish; // of the order as it is: one that ends no later may lead on
    for (int change = 0; change < changes && best.finish > least + hardly && !stopped(stop); ++change) {
        std::vector<std::size_t> other = order;
        const std::size_t from = random() % other.size();
        const std::size_t to = random() % other.size();
        const std::size_t step = other[from];
        other.erase(other.begin() + static_cast<std::ptrdiff_t>(from));
        other.insert(other.begin() + static_cast<std::ptrdiff_t>(to), step);
        Timetable then = scheduling.in_order(other);
        if (then.finish > reached + hardly) continue;
        reached = then.finish;
        order = std::move(other);
        if (better(then, best)) best = std::move(then);
    }
    return best;
}

} // namespace zesty
