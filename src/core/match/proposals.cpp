#include "core/match/proposals.h"

#include <algorithm>
#include <tuple>

namespace zesty {

namespace {

constexpr double clearly = 0.25;
constexpr double slightly = 0.1;
constexpr double another_spread = 0.6;
constexpr double effort_for_more = 0.3; ///< the first is what was asked for

struct Variant {
    Idea idea;
    MatchStyle style;
    unsigned seed;
};

std::vector<Variant> variants(const MatchJob& job) {
    std::vector<Variant> out{{Idea::AsAsked, job.style, job.seed}};
    if (!job.start.empty()) out.push_back({Idea::FromHere, job.style, job.seed});
    MatchStyle other = job.style;
    const bool drifts = job.style.drift > 0.5;
    other.drift = std::clamp(job.style.drift + (drifts ? -another_spread : another_spread), 0.0, 1.0);
    out.push_back({drifts ? Idea::MoreScatter : Idea::MoreDrift, other, job.seed});
    const auto more = [](double weight, double times) {
        return std::clamp(times * weight, 2.0, weight_limits.most);
    };
    MatchStyle thrifty = job.style;
    thrifty.weights.thrift = more(job.style.weights.thrift, 4);
    out.push_back({Idea::ScrapsFirst, thrifty, job.seed + 1});
    MatchStyle bold = job.style;
    bold.weights.differ = more(job.style.weights.differ, 2);
    bold.weights.behind = more(job.style.weights.behind, 2);
    out.push_back({Idea::BolderContrast, bold, job.seed + 2});
    for (unsigned k = 3; k < 6; ++k) out.push_back({Idea::AnotherTake, job.style, job.seed + k});
    return out;
}

} // namespace

double unlikeness(const MatchJob& job, const std::vector<int>& a, const std::vector<int>& b) {
    int free = 0;
    int other = 0;
    for (std::size_t s = 0; s < job.sections.size(); ++s) {
        if (!job.sections[s].backed || job.sections[s].given >= 0) continue;
        ++free;
        other += a[s] != b[s];
    }
    return free ? static_cast<double>(other) / free : 0;
}

const char* name_of(Idea idea) {
    switch (idea) {
    case Idea::FromHere:
        return "better from here";
    case Idea::AsAsked:
        return "as asked";
    case Idea::AnotherTake:
        return "another take";
    case Idea::MoreScatter:
        return "more scattered";
    case Idea::MoreDrift:
        return "more drift";
    case Idea::ScrapsFirst:
        return "scraps first";
    case Idea::BolderContrast:
        break;
    }
    return "bolder contrast";
}

std::vector<Proposal> proposals(const MatchJob& job, Capacity& capacity, int count, const StopToken& stop,
                                const Progress& progress) {
    std::vector<Proposal> made;
    const std::vector<Variant> all = variants(job);
    std::vector<Proposal> kept;
    const auto unlike_all = [&](const Proposal& p, double least) {
        return std::all_of(kept.begin(), kept.end(), [&](const Proposal& k) {
            return unlikeness(job, p.assignment.paper, k.assignment.paper) >= least;
        });
    };
    for (std::size_t v = 0; v < all.size() && static_cast<int>(kept.size()) < count; ++v) {
        if (v > 0 && stopped(stop)) break;
        MatchJob one = job;
        one.style = all[v].style;
        one.seed = all[v].seed;
        if (all[v].idea != Idea::FromHere) one.start.clear();
        if (v > 0) one.effort = effort_for_more;
        const Progress part = [&](double f, const char* what) {
            if (progress) progress((static_cast<double>(v) + f) / static_cast<double>(all.size()), what);
        };
        Proposal p{all[v].idea, all[v].style, match(one, capacity, stop, part)};
        // Half of an answer is worth having only when there is no other.
        if (v > 0 && !p.assignment.complete) break;
        if (unlike_all(p, clearly))
            kept.push_back(std::move(p));
        else
            made.push_back(std::move(p));
    }
    for (Proposal& p : made)
        if (static_cast<int>(kept.size()) < count && unlike_all(p, slightly)) kept.push_back(std::move(p));
    const auto rank = [&](const Proposal& p) {
        int missing = 0;
        for (std::size_t s = 0; s < job.sections.size(); ++s)
            missing += job.sections[s].backed && p.assignment.paper[s] < 0;
        return std::tuple(missing, p.assignment.alike.size(), cost_of(job, p.assignment.paper));
    };
    std::stable_sort(kept.begin(), kept.end(),
                     [&](const Proposal& a, const Proposal& b) { return rank(a) < rank(b); });
    return kept;
}

} // namespace zesty
