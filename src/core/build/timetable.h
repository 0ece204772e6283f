#pragma once
// When each step of the work is done: one or two pairs of hands, one machine, sittings that end, and what
// dries meanwhile. Minutes.
//
// Steps are set one after the other at the earliest moment at which what they wait for is done and dry and a
// pair of hands is free (the serial schedule-generation scheme: R. Kolisch, "Serial and parallel
// resource-constrained project scheduling methods revisited", European Journal of Operational Research 90,
// 1996), those with the longest way to the end first; then their order is changed as long as the end comes no
// later. Of up to nine steps every order is tried.

#include "core/stop.h"

#include <cstddef>
#include <limits>
#include <vector>

namespace zesty {

/// A step as far as time is concerned.
struct TimedStep {
    double hands = 0;               ///< minutes that a pair of hands is busy
    double dries = 0;               ///< minutes afterwards, or that a machine goes on alone
    std::vector<std::size_t> after; ///< steps before it in the list that must be done and dry
    bool machine = false; ///< the one machine is busy from its beginning until it is dry, and not left alone
    bool at_home = false; ///< not at another table
    double not_before = 0;
};

/// Time at the table.
struct SittingSpan {
    double from = 0;
    double to = std::numeric_limits<double>::infinity();
    bool away = false; ///< at another table
};
struct TableTime {
    int pairs = 1;                     ///< of hands
    std::vector<SittingSpan> sittings; ///< one after the other; the last has no end. None: no end at all
};

struct Timetable {
    std::vector<double> start; ///< by step
    std::vector<int> pair;     ///< of hands that does it, from 0
    double finish = 0;         ///< everything done and dry
    double busy = 0;           ///< until the hands have nothing left to do
};

inline constexpr int most_pairs_of_hands = 4;

/// Deterministic for a seed. `after` only names earlier steps. A step is not divided: what no sitting is long
/// enough for comes in the last.
Timetable timetable(const std::vector<TimedStep>& steps, const TableTime& table, unsigned seed = 1,
                    const StopToken& stop = {});
inline Timetable timetable(const std::vector<TimedStep>& steps, int pairs_of_hands, unsigned seed = 1,
                           const StopToken& stop = {}) {
    return timetable(steps, TableTime{pairs_of_hands, {}}, seed, stop);
}

/// No timetable ends sooner: the longest chain, and the work shared by all hands.
double earliest_finish(const std::vector<TimedStep>& steps, int pairs_of_hands);

} // namespace zesty
