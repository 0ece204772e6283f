#include "core/sheets/fewer_sheets.h"

#include "core/geometry/measure.h"
#include "core/sheets/refine.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double fullest = 0.9; ///< of the sheets that stay: beyond that it is not worth trying

struct Use {
    int sheet;
    double used = 0;
    bool may_close = true;
};

std::vector<Use> uses_of(const NestJob& job, const NestResult& result) {
    std::vector<Use> uses;
    for (std::size_t s = 0; s < job.sheets.size(); ++s) uses.push_back({static_cast<int>(s)});
    for (const NestPlacement& p : result.placements) {
        uses[p.sheet].used += area(job.pieces[p.piece].outline);
        if (job.pieces[p.piece].held()) uses[p.sheet].may_close = false;
    }
    std::erase_if(uses, [](const Use& u) { return u.used <= 0; });
    std::sort(uses.begin(), uses.end(), [&](const Use& a, const Use& b) {
        const int ra = job.sheets[a.sheet].rank;
        const int rb = job.sheets[b.sheet].rank;
        return ra != rb ? ra > rb : a.used < b.used;
    });
    return uses;
}

/// The same job on the sheets in use but one, and what stays where it is.
struct Less {
    NestJob job;
    NestResult start;
    std::vector<int> sheets; ///< by sheet of this job: the sheet it is
};

Less without(const NestJob& job, const NestResult& result, int closed, const std::vector<Use>& uses) {
    Less less{job, {}, {}};
    less.job.sheets.clear();
    std::vector<int> now(job.sheets.size(), -1);
    for (const Use& u : uses) {
        if (u.sheet == closed) continue;
        now[u.sheet] = static_cast<int>(less.sheets.size());
        less.sheets.push_back(u.sheet);
        less.job.sheets.push_back(job.sheets[u.sheet]);
    }
    for (NestPiece& p : less.job.pieces) {
        std::vector<int> still;
        for (int s : p.sheets)
            if (now[s] >= 0) still.push_back(now[s]);
        // An empty list means anywhere: a piece that may go nowhere else makes the sheet stay open.
        if (!p.sheets.empty() && still.empty()) return {};
        p.sheets = std::move(still);
        if (!p.pins) continue;
        for (NestPin& pin : *p.pins) pin.sheet = now[pin.sheet];
        std::erase_if(*p.pins, [](const NestPin& pin) { return pin.sheet < 0; });
    }
    for (NestPlacement p : result.placements) {
        if (p.sheet == closed) {
            less.start.unplaced.push_back(p.piece);
            continue;
        }
        p.sheet = now[p.sheet];
        less.start.placements.push_back(p);
    }
    return less;
}

} // namespace

NestResult with_fewer_sheets(const NestJob& job, NestResult result, int rounds, const StopToken& stop) {
    if (!result.unplaced.empty()) return result;
    for (bool closed = true; closed && !stopped(stop);) {
        closed = false;
        const std::vector<Use> uses = uses_of(job, result);
        double room = 0;
        double wanted = 0;
        for (const Use& u : uses) {
            room += area(job.sheets[u.sheet].outline);
            wanted += u.used;
        }
        for (const Use& u : uses) {
            const double left = room - area(job.sheets[u.sheet].outline);
            if (uses.size() < 2 || !u.may_close || wanted > fullest * left) continue;
            const Less less = without(job, result, u.sheet, uses);
            if (less.sheets.empty()) continue;
            NestResult found = refined(less.job, less.start, rounds, stop, {});
            if (!found.unplaced.empty()) continue;
            for (NestPlacement& p : found.placements) p.sheet = less.sheets[p.sheet];
            if (!verify(job, found).empty()) continue;
            result = std::move(found);
            closed = true;
            break;
        }
    }
    return result;
}

} // namespace zesty
