#include "core/build/progress.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace zesty {

namespace {

constexpr double least_left = 0.5;        ///< minutes, of a step that takes longer than it was to
constexpr Limits pace_limits{0.25, 4};    ///< what a few steps may teach
constexpr double usual_pause = 12 * 60.0; ///< after the last sitting that was decided

const StepLog& log_of(const BuildStep& step, const BuildDecisions& decided) {
    static const StepLog none;
    const auto at = decided.log.find(step.key);
    return at == decided.log.end() ? none : at->second;
}

double minutes_between(std::int64_t from, std::int64_t to) {
    return std::max(0.0, static_cast<double>(to - from) / 60);
}

double worked(const StepLog& log, std::int64_t now) {
    return log.worked / 60 + (log.running > 0 ? minutes_between(log.running, now) : 0);
}

/// How long ago the first step was begun.
double begun_ago(const std::vector<BuildStep>& steps, const BuildDecisions& decided, std::int64_t now) {
    std::int64_t first = 0;
    for (const BuildStep& s : steps) {
        const StepLog& log = log_of(s, decided);
        const std::int64_t began = log.started > 0 ? log.started : log.done;
        if (began > 0 && (first == 0 || began < first)) first = began;
    }
    return first > 0 ? minutes_between(first, now) : 0;
}

/// What is left of the work, and which steps of all that is.
struct Left {
    std::vector<TimedStep> times;
    std::vector<std::size_t> which;
};

Left left_of(const std::vector<BuildStep>& steps, const std::vector<StepNow>& now) {
    Left out;
    std::vector<std::size_t> place(steps.size(), steps.size());
    for (std::size_t i = 0; i < steps.size(); ++i) {
        if (now[i].state == StepState::Done || now[i].state == StepState::Dries) continue;
        TimedStep time = steps[i].time;
        time.hands = now[i].left;
        time.after.clear();
        for (const std::size_t before : steps[i].time.after) {
            if (place[before] < steps.size())
                time.after.push_back(place[before]);
            else
                time.not_before = std::max(time.not_before, now[before].dry_in);
        }
        place[i] = out.times.size();
        out.times.push_back(std::move(time));
        out.which.push_back(i);
    }
    return out;
}

/// Everything but when the steps come.
std::vector<StepNow> states_of(const std::vector<BuildStep>& steps, const BuildDecisions& decided,
                               std::int64_t now) {
    const std::vector<double> pace = pace_of(steps, decided);
    std::vector<StepNow> out(steps.size());
    for (std::size_t i = 0; i < steps.size(); ++i) {
        const StepLog& log = log_of(steps[i], decided);
        StepNow& s = out[i];
        if (log.done > 0) {
            s.dry_in = std::max(0.0, steps[i].time.dries - minutes_between(log.done, now));
            s.state = s.dry_in > 0 ? StepState::Dries : StepState::Done;
            continue;
        }
        const double whole = steps[i].time.hands * pace[static_cast<std::size_t>(steps[i].kind)];
        s.left = std::max(std::min(least_left, whole), whole - worked(log, now));
        const bool ready =
            std::all_of(steps[i].time.after.begin(), steps[i].time.after.end(),
                        [&](std::size_t before) { return out[before].state == StepState::Done; });
        s.state = log.running > 0  ? StepState::Running
                  : log.worked > 0 ? StepState::Paused
                  : ready          ? StepState::Ready
                                   : StepState::Waits;
    }
    return out;
}

int sitting_at(const std::vector<SittingSpan>& spans, double at) {
    for (std::size_t i = spans.size(); i-- > 0;)
        if (at >= spans[i].from - 1e-9) return static_cast<int>(i);
    return 0;
}

} // namespace

std::string minutes_in_words(double minutes) {
    const long all = std::max(1L, std::lround(std::ceil(minutes - 1e-9)));
    if (all < 60) return std::to_string(all) + " min";
    const std::string hours = std::to_string(all / 60) + " h";
    return all % 60 == 0 ? hours : hours + " " + std::to_string(all % 60) + " min";
}

std::vector<TimedStep> times_of(const std::vector<BuildStep>& steps) {
    std::vector<TimedStep> out;
    for (const BuildStep& s : steps) out.push_back(s.time);
    return out;
}

std::vector<SittingSpan> spans_of(const BuildDecisions& decided, double begun_ago) {
    std::vector<SittingSpan> out;
    double end = -begun_ago;
    for (std::size_t i = 0; i < decided.sittings.size(); ++i) {
        const Sitting& s = decided.sittings[i];
        const double from = end + (i == 0 ? 0 : s.pause);
        end = from + s.minutes;
        if (end > 0) out.push_back({std::max(0.0, from), end, s.away});
    }
    const double rest = decided.sittings.empty() ? 0 : std::max(0.0, end + usual_pause);
    out.push_back({rest, std::numeric_limits<double>::infinity(), false});
    return out;
}

std::vector<double> pace_of(const std::vector<BuildStep>& steps, const BuildDecisions& decided) {
    std::vector<double> took(count_of_values<StepKind>, 0), planned(count_of_values<StepKind>, 0);
    for (const BuildStep& s : steps) {
        const StepLog& log = log_of(s, decided);
        if (log.done == 0 || log.worked <= 0) continue;
        took[static_cast<std::size_t>(s.kind)] += log.worked / 60;
        planned[static_cast<std::size_t>(s.kind)] += s.time.hands;
    }
    for (std::size_t k = 0; k < took.size(); ++k)
        took[k] = planned[k] > 0 ? pace_limits.nearest(took[k] / planned[k]) : 1;
    return took;
}

BuildNow build_now(const std::vector<BuildStep>& steps, const BuildDecisions& decided, std::int64_t now,
                   unsigned seed) {
    BuildNow out;
    out.steps = states_of(steps, decided, now);
    out.begun = begun_ago(steps, decided, now);
    const std::vector<SittingSpan> spans = spans_of(decided, out.begun);
    const Left left = left_of(steps, out.steps);
    const Timetable times = timetable(left.times, TableTime{decided.pairs, spans}, seed);
    out.finish = times.finish;
    out.busy = times.busy;
    for (std::size_t k = 0; k < left.which.size(); ++k) {
        StepNow& s = out.steps[left.which[k]];
        s.start = times.start[k];
        s.pair = times.pair[k];
        s.sitting = sitting_at(spans, s.start);
        if (!decided.sittings.empty() && s.sitting + 1 == static_cast<int>(spans.size()))
            out.beyond += s.left;
    }
    for (const StepNow& s : out.steps) out.finish = std::max(out.finish, s.dry_in);
    out.done = steps.size() - left.which.size();
    out.order = left.which;
    std::stable_sort(out.order.begin(), out.order.end(), [&](std::size_t a, std::size_t b) {
        // What somebody is at stays where it is.
        const bool at_a = out.steps[a].state == StepState::Running;
        const bool at_b = out.steps[b].state == StepState::Running;
        return at_a != at_b ? at_a : out.steps[a].start < out.steps[b].start;
    });
    if (out.begun > 0) {
        const TableTime whole{decided.pairs, spans_of(decided, 0)};
        out.later = out.begun + out.finish - timetable(times_of(steps), whole, seed).finish;
    }
    return out;
}

Work work_now(std::vector<BuildStep> steps, const BuildDecisions& decided, std::int64_t now, unsigned seed) {
    Work out{{}, build_now(steps, decided, now, seed)};
    std::vector<std::size_t> order;
    for (std::size_t i = 0; i < steps.size(); ++i)
        if (log_of(steps[i], decided).done > 0) order.push_back(i);
    std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
        return log_of(steps[a], decided).done < log_of(steps[b], decided).done;
    });
    // What somebody is at comes before what nobody has begun.
    std::stable_partition(out.now.order.begin(), out.now.order.end(),
                          [&](std::size_t i) { return out.now.steps[i].state == StepState::Running; });
    order.insert(order.end(), out.now.order.begin(), out.now.order.end());
    std::vector<std::size_t> place(steps.size());
    for (std::size_t k = 0; k < order.size(); ++k) place[order[k]] = k;
    // Whoever has done a step before what it waits for does not wait for that any more.
    for (std::size_t i = 0; i < steps.size(); ++i)
        std::erase_if(steps[i].time.after, [&](std::size_t before) { return place[before] > place[i]; });
    std::vector<StepNow> states;
    for (const std::size_t i : order) states.push_back(out.now.steps[i]);
    out.now.steps = std::move(states);
    for (std::size_t& i : out.now.order) i = place[i];
    out.steps = reordered(std::move(steps), order);
    return out;
}

std::int64_t last_logged(const BuildDecisions& decided) {
    std::int64_t last = 0;
    for (const auto& [key, log] : decided.log) last = std::max({last, log.started, log.running, log.done});
    return last;
}

std::vector<std::size_t> in_the_next(const std::vector<BuildStep>& steps, const BuildDecisions& decided,
                                     std::int64_t now, double minutes, unsigned seed) {
    const std::vector<StepNow> states = states_of(steps, decided, now);
    const Left left = left_of(steps, states);
    // What does not fit comes long after, when all is dry.
    const std::vector<SittingSpan> spans{
        {0, minutes, false}, {minutes + usual_pause, std::numeric_limits<double>::infinity(), false}};
    const Timetable times = timetable(left.times, TableTime{decided.pairs, spans}, seed);
    std::vector<std::size_t> places;
    for (std::size_t k = 0; k < left.which.size(); ++k)
        if (times.start[k] + left.times[k].hands <= minutes + 1e-9) places.push_back(k);
    std::stable_sort(places.begin(), places.end(),
                     [&](std::size_t a, std::size_t b) { return times.start[a] < times.start[b]; });
    for (std::size_t& k : places) k = left.which[k];
    return places;
}

void start(StepLog& log, std::int64_t now) {
    if (log.running > 0 || log.done > 0) return;
    if (log.started == 0) log.started = now;
    log.running = now;
}

void pause(StepLog& log, std::int64_t now) {
    if (log.running == 0) return;
    log.worked += static_cast<double>(std::max<std::int64_t>(0, now - log.running));
    log.running = 0;
}

void tick_off(StepLog& log, std::int64_t now) {
    if (log.done > 0) return;
    pause(log, now);
    log.done = now;
}

void take_tick_off(StepLog& log) {
    log.done = 0;
}

int next_own_id(const BuildDecisions& decided) {
    int most = 0;
    for (const OwnStep& s : decided.own_steps) most = std::max(most, s.id);
    return most + 1;
}

} // namespace zesty
