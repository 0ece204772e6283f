#include "core/build/timetable.h"

#include <algorithm>
#include <cassert>
#include <cmath>
#include <limits>
#include <numeric>
#include <optional>
#include <random>

namespace zesty {

namespace {

constexpr int most_changes = 3000;
constexpr std::size_t decoding_budget = 60'000; ///< steps set, in all changes
constexpr double worth_an_order = 0.01;         ///< share of the time
constexpr double worth_a_long_order = 0.04;     ///< the same, of more steps than are searched in full
constexpr double hardly = 1e-9;
constexpr std::size_t few_steps = 9; ///< of which every order is tried
constexpr std::size_t most_nodes = 400'000;

/// When somebody or something is busy, in order and apart.
using BusyTimes = std::vector<std::pair<double, double>>;

/// Where the first of the times that meets this stretch ends; its beginning where none does.
double clear_of(const BusyTimes& busy, double from, double minutes) {
    const auto next = std::partition_point(busy.begin(), busy.end(),
                                           [&](const auto& taken) { return taken.second - hardly <= from; });
    return next != busy.end() && next->first < from + minutes - hardly ? next->second : from;
}

void take(BusyTimes& busy, double from, double minutes) {
    if (minutes <= 0) return;
    const std::pair taken{from, from + minutes};
    busy.insert(std::upper_bound(busy.begin(), busy.end(), taken), taken);
}

bool better(const Timetable& a, const Timetable& b) {
    return a.finish < b.finish - hardly || (a.finish < b.finish + hardly && a.busy <= b.busy + hardly);
}

class Scheduling {
public:
    Scheduling(const std::vector<TimedStep>& steps, const TableTime& table)
        : steps_(steps), pairs_(std::clamp(table.pairs, 1, most_pairs_of_hands)), sittings_(table.sittings) {
        if (sittings_.empty()) sittings_.emplace_back();
        assert(std::isinf(sittings_.back().to) && !sittings_.back().away);
        tail_.assign(steps.size(), 0);
        waits_for_.assign(steps.size(), 0);
        followers_.resize(steps.size());
        for (std::size_t i = steps.size(); i-- > 0;) {
            tail_[i] += steps[i].hands + steps[i].dries;
            for (const std::size_t before : steps[i].after) {
                assert(before < i);
                ++waits_for_[i];
                followers_[before].push_back(i);
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
                       {std::vector<BusyTimes>(static_cast<std::size_t>(pairs_)), {}},
                       std::vector<char>(steps_.size(), 0)};
        so_far.times.start.assign(steps_.size(), 0);
        so_far.times.pair.assign(steps_.size(), 0);
        std::size_t nodes = most_nodes;
        search(so_far, 0, best, nodes);
    }

    /// Of the steps that may be done, the first of the order is set next.
    Timetable in_order(const std::vector<std::size_t>& order) const {
        return *in_order(order, std::numeric_limits<double>::infinity());
    }

    /// The same; nothing, and soon, where it would end later than that.
    std::optional<Timetable> in_order(const std::vector<std::size_t>& order, double latest) const {
        Timetable out;
        out.start.assign(steps_.size(), 0);
        out.pair.assign(steps_.size(), 0);
        Busy busy{std::vector<BusyTimes>(static_cast<std::size_t>(pairs_)), {}};
        std::vector<int> waits = waits_for_; // by step; -1 once it is set
        auto first = order.begin();          // that is not set
        for (std::size_t set = 0; set < steps_.size(); ++set) {
            while (waits[*first] < 0) ++first;
            const std::size_t next =
                *std::find_if(first, order.end(), [&](std::size_t i) { return waits[i] == 0; });
            waits[next] = -1;
            for (const std::size_t after : followers_[next]) --waits[after];
            set_down(next, busy, out);
            if (out.start[next] + tail_[next] > latest) return {};
        }
        return out;
    }

private:
    struct Busy {
        std::vector<BusyTimes> pairs;
        BusyTimes machine;
    };
    struct Partial {
        Timetable times;
        Busy busy;
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

    /// The earliest moment in a sitting at which this pair of hands, and the machine where it is wanted, are
    /// free for long enough.
    double earliest(const TimedStep& s, const BusyTimes& pair, const BusyTimes& machine, double ready) const {
        const double runs = s.machine ? s.hands + s.dries : s.hands;
        for (const SittingSpan& sitting : sittings_) {
            if (sitting.away && (s.machine || s.at_home)) continue;
            double at = std::max(ready, sitting.from);
            while (at + runs <= sitting.to + hardly) {
                double next = clear_of(pair, at, s.hands);
                if (s.machine) next = clear_of(machine, next, runs);
                if (next <= at) return at;
                at = next;
            }
        }
        assert(false && "the last sitting has no end");
        return ready;
    }

    void set_down(std::size_t step, Busy& busy, Timetable& out) const {
        const TimedStep& s = steps_[step];
        double ready = s.not_before;
        for (const std::size_t before : s.after)
            ready = std::max(ready, out.start[before] + steps_[before].hands + steps_[before].dries);
        double best = std::numeric_limits<double>::infinity();
        std::size_t pair = 0;
        for (std::size_t p = 0; p < busy.pairs.size(); ++p)
            if (const double at = earliest(s, busy.pairs[p], busy.machine, ready); at < best - hardly) {
                best = at;
                pair = p;
            }
        out.start[step] = best;
        out.pair[step] = static_cast<int>(pair);
        take(busy.pairs[pair], best, s.hands);
        if (s.machine) take(busy.machine, best, s.hands + s.dries);
        out.busy = std::max(out.busy, best + s.hands);
        out.finish = std::max(out.finish, best + s.hands + s.dries);
    }

    const std::vector<TimedStep>& steps_;
    int pairs_;
    std::vector<SittingSpan> sittings_;
    std::vector<int> waits_for_;                      ///< by step: how many must be done before
    std::vector<std::vector<std::size_t>> followers_; ///< by step: those that wait for it
    std::vector<double> tail_; ///< by step: from its beginning to the end of all that waits for it
};

std::vector<std::size_t> moved(std::vector<std::size_t> order, std::size_t from, std::size_t to) {
    const auto at = [&](std::size_t i) { return order.begin() + static_cast<std::ptrdiff_t>(i); };
    std::rotate(at(to), at(from), at(from) + 1);
    return order;
}

/// As near to the order the steps were given in as may be without ending much later: whoever wrote them down
/// knew which belong together, and what is left of it looks the same once some steps are done. Step by step
/// the one is brought forward that gains most.
Timetable in_the_order_given(const Scheduling& scheduling, const Timetable& best, const StopToken& stop) {
    const double worth = best.start.size() <= few_steps ? worth_an_order : worth_a_long_order;
    const double finish = best.finish * (1 + worth) + hardly;
    const double busy = best.busy * (1 + worth) + hardly;
    std::vector<std::size_t> order(best.start.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    Timetable now = scheduling.in_order(order);
    const auto excess = [&](const Timetable& t) {
        return std::max(0.0, t.finish - finish) + std::max(0.0, t.busy - busy);
    };
    std::size_t budget = decoding_budget / std::max<std::size_t>(1, order.size());
    while (excess(now) > 0) {
        double gained = hardly;
        std::vector<std::size_t> better_order;
        Timetable then;
        for (std::size_t i = 1; i < order.size(); ++i)
            for (const std::size_t to : {i - 1, i / 2, std::size_t{0}}) {
                if (budget == 0 || stopped(stop)) return best;
                --budget;
                std::vector<std::size_t> other = moved(order, i, to);
                std::optional<Timetable> t =
                    scheduling.in_order(other, finish + excess(now) - gained + hardly);
                if (!t) continue;
                if (const double gain = excess(now) - excess(*t); gain > gained) {
                    gained = gain;
                    better_order = std::move(other);
                    then = std::move(*t);
                }
            }
        if (better_order.empty()) return best;
        order = std::move(better_order);
        now = std::move(then);
    }
    return now;
}

} // namespace

double earliest_finish(const std::vector<TimedStep>& steps, int pairs_of_hands) {
    std::vector<double> end(steps.size(), 0);
    double chain = 0;
    double work = 0;
    for (std::size_t i = 0; i < steps.size(); ++i) {
        end[i] = steps[i].not_before;
        for (const std::size_t before : steps[i].after) end[i] = std::max(end[i], end[before]);
        end[i] += steps[i].hands + steps[i].dries;
        chain = std::max(chain, end[i]);
        work += steps[i].hands;
    }
    return std::max(chain, work / std::max(1, pairs_of_hands));
}

Timetable timetable(const std::vector<TimedStep>& steps, const TableTime& table, unsigned seed,
                    const StopToken& stop) {
    const Scheduling scheduling(steps, table);
    std::vector<std::size_t> order = scheduling.by_longest_way();
    Timetable best = scheduling.in_order(order);
    if (steps.size() < 2) return best;
    const double least = earliest_finish(steps, std::clamp(table.pairs, 1, most_pairs_of_hands));
    if (steps.size() <= few_steps && best.finish > least + hardly) {
        scheduling.search_all(best);
        return in_the_order_given(scheduling, best, stop);
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
        std::optional<Timetable> then = scheduling.in_order(other, reached + hardly);
        if (!then) continue;
        reached = then->finish;
        order = std::move(other);
        if (better(*then, best)) best = std::move(*then);
    }
    return in_the_order_given(scheduling, best, stop);
}

} // namespace zesty
