#pragma once
// How far the work is: what has been done, what dries, and what comes when, from now on. Minutes from now;
// moments are seconds since 1970. The clock belongs to whoever asks.

#include "core/build/decisions.h"
#include "core/build/step.h"

#include <cstdint>
#include <vector>

namespace zesty {

enum class StepState {
    Done,
    Dries,   ///< done, and not dry yet
    Running, ///< somebody is at it
    Paused,
    Ready, ///< everything it waits for is done and dry
    Waits
};
template <>
inline constexpr std::array words_of<StepState>{"done", "dries", "running", "paused", "ready", "waits"};

struct StepNow {
    StepState state = StepState::Waits;
    double left = 0;   ///< of work, by the household's own pace
    double dry_in = 0; ///< of one that is done
    double start = 0;  ///< of one that is not
    int pair = 0;      ///< of hands
    int sitting = 0;   ///< into spans_of()
};

struct BuildNow {
    std::vector<StepNow> steps;     ///< by step
    std::vector<std::size_t> order; ///< of those that are not done, by their start
    std::size_t done = 0;
    double finish = 0; ///< everything done and dry
    double busy = 0;   ///< hands have nothing left to do
    double begun = 0;  ///< how long ago the first step was begun; 0 before that
    double later = 0;  ///< than it was to be when it was begun; below 0: sooner
    double beyond = 0; ///< minutes of work that the sittings have no room for
};

BuildNow build_now(const std::vector<BuildStep>& steps, const BuildDecisions& decided, std::int64_t now,
                   unsigned seed = 1);

/// The steps in the order in which they are done, from which their numbers come: those that are done in the
/// order they were ticked off, what somebody is at, then the others as they come. Ticking off never gives a
/// step that is done another number.
struct Work {
    std::vector<BuildStep> steps;
    BuildNow now; ///< of these; its order is theirs
};
Work work_now(std::vector<BuildStep> steps, const BuildDecisions& decided, std::int64_t now,
              unsigned seed = 1);

/// When the work was looked after last, for whoever has no clock; 0 for never.
std::int64_t last_logged(const BuildDecisions& decided);

/// The sittings from now on when the first began so long ago; the last, which has no end, comes a usual pause
/// after those that were decided.
std::vector<SittingSpan> spans_of(const BuildDecisions& decided, double begun_ago);

/// What can be begun now and be done within so many minutes, in its order; what dries longest first.
std::vector<std::size_t> in_the_next(const std::vector<BuildStep>& steps, const BuildDecisions& decided,
                                     std::int64_t now, double minutes, unsigned seed = 1);

/// By kind of step: how much longer than planned the steps that are done have taken; 1 where nothing is
/// known.
std::vector<double> pace_of(const std::vector<BuildStep>& steps, const BuildDecisions& decided);

// What a person does with a step; each does nothing where there is nothing to do.
void start(StepLog& log, std::int64_t now);
void pause(StepLog& log, std::int64_t now);
void tick_off(StepLog& log, std::int64_t now);
void take_tick_off(StepLog& log);

/// The next own step's id.
int next_own_id(const BuildDecisions& decided);

} // namespace zesty
