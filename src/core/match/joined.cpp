#include "core/match/joined.h"

#include "core/disjoint_sets.h"

#include <algorithm>
#include <cassert>
#include <map>
#include <numeric>

namespace zesty {

namespace {

/// The first section of everything that hangs together by "same as".
std::vector<int> leaders(const MatchJob& job) {
    DisjointSets together(job.sections.size());
    for (std::size_t s = 0; s < job.sections.size(); ++s) {
        const int other = job.sections[s].same_as;
        if (other < 0 || other >= static_cast<int>(job.sections.size()) || !job.sections[s].backed ||
            !job.sections[other].backed)
            continue;
        together.join(static_cast<int>(s), other);
    }
    std::vector<int> leader;
    for (std::size_t s = 0; s < job.sections.size(); ++s)
        leader.push_back(together.root(static_cast<int>(s)));
    return leader;
}

void add(MatchSection& to, const MatchSection& s) {
    const double all = to.area + s.area;
    if (all > 0) {
        to.at = to.at * (to.area / all) + s.at * (s.area / all);
        to.tone = (to.tone * to.area + s.tone * s.area) / all;
        to.place_tone = (to.place_tone * to.area + s.place_tone * s.area) / all;
    }
    to.patches.insert(to.patches.end(), s.patches.begin(), s.patches.end());
    to.area = all;
    to.radius = std::min(to.radius, s.radius);
    if (to.given < 0) to.given = s.given;
    to.beside_photo = std::max(to.beside_photo, s.beside_photo);
    to.behind.insert(to.behind.end(), s.behind.begin(), s.behind.end());
    to.never.insert(to.never.end(), s.never.begin(), s.never.end());
}

} // namespace

Joined joined(const MatchJob& job) {
    Joined out{job, {}};
    if (std::none_of(job.sections.begin(), job.sections.end(),
                     [](const MatchSection& s) { return s.same_as >= 0; })) {
        out.of.resize(job.sections.size());
        std::iota(out.of.begin(), out.of.end(), 0);
        return out;
    }
    const std::vector<int> leader = leaders(job);
    out.job.sections.clear();
    out.of.assign(job.sections.size(), -1);
    for (std::size_t s = 0; s < job.sections.size(); ++s) {
        if (leader[s] == static_cast<int>(s)) {
            out.of[s] = static_cast<int>(out.job.sections.size());
            out.job.sections.push_back(job.sections[s]);
            out.job.sections.back().same_as = -1;
        } else {
            out.of[s] = out.of[leader[s]];
            add(out.job.sections[out.of[s]], job.sections[s]);
        }
    }
    // Of several bars between two of them the narrowest counts.
    std::map<std::pair<int, int>, Neighbours> pairs;
    for (const Neighbours& n : job.neighbours) {
        Neighbours m = n;
        m.a = std::min(out.of[n.a], out.of[n.b]);
        m.b = std::max(out.of[n.a], out.of[n.b]);
        if (m.a == m.b) continue;
        const auto [at, fresh] = pairs.try_emplace({m.a, m.b}, m);
        if (!fresh && m.width < at->second.width) at->second = m;
    }
    if (!job.start.empty()) out.job.start = out.shrunk(job.start);
    out.job.neighbours.clear();
    for (const auto& [pair, n] : pairs) out.job.neighbours.push_back(n);
    return out;
}

std::vector<int> Joined::shrunk(const std::vector<int>& papers) const {
    assert(papers.size() == of.size());
    std::vector<int> out(job.sections.size(), -1);
    for (std::size_t s = 0; s < papers.size(); ++s) out[of[s]] = std::max(out[of[s]], papers[s]);
    return out;
}

std::vector<int> Joined::spread(const std::vector<int>& papers) const {
    assert(papers.size() == job.sections.size());
    std::vector<int> out;
    for (std::size_t s = 0; s < of.size(); ++s) out.push_back(papers[of[s]]);
    return out;
}

} // namespace zesty
