#include "core/match/alternatives.h"

#include "core/match/draft.h"
#include "core/match/joined.h"

#include <algorithm>
#include <cassert>

namespace zesty {

Choices choices_for(const MatchJob& asked, Capacity& capacity, const std::vector<int>& papers, int section,
                    const StopToken& stop) {
    const Joined units = joined(asked);
    assert(section >= 0 && static_cast<std::size_t>(section) < asked.sections.size());
    const MatchJob& job = units.job;
    const int unit = units.of[section];
    const Cost cost(job);
    const std::vector<std::vector<int>> none(job.sections.size());
    Draft draft(job, cost, none);
    draft.assign_all(units.shrunk(papers));
    const std::vector<int> now = draft.papers();
    Choices out;
    if (now[unit] >= 0) out.terms = cost.terms(unit, now[unit], now);
    const double whole = cost.total(now);
    const MatchSection& s = job.sections[unit];
    for (std::size_t f = 0; f < cost.faces().size() && !stopped(stop); ++f) {
        const int face = static_cast<int>(f);
        if (face == now[unit]) continue;
        const int paper = cost.faces()[f].paper;
        const Side side = cost.faces()[f].side;
        Alternative a;
        a.face = face;
        std::vector<int> then = now;
        then[unit] = face;
        a.worse = cost.total(then) - whole;
        a.terms = cost.terms(unit, face, then);
        a.never =
            std::find(s.never.begin(), s.never.end(), paper) != s.never.end() || draft.forbidden(unit, face);
        a.room = std::all_of(s.patches.begin(), s.patches.end(),
                             [&](int p) { return capacity.fits_alone(p, paper, side); }) &&
                 capacity.lay(paper, draft.patches_on(paper, -1, unit, side), 4, stop).complete();
        out.others.push_back(std::move(a));
    }
    std::stable_sort(out.others.begin(), out.others.end(), [](const Alternative& a, const Alternative& b) {
        const int tier_a = a.never ? 2 : a.room ? 0 : 1;
        const int tier_b = b.never ? 2 : b.room ? 0 : 1;
        return tier_a != tier_b ? tier_a < tier_b : a.worse < b.worse;
    });
    return out;
}

} // namespace zesty
