#include "core/match/draft.h"

#include <algorithm>
#include <cassert>

namespace zesty {

Draft::Draft(const MatchJob& job, const Cost& cost, const std::vector<std::vector<int>>& possible)
    : job_(job), cost_(cost), possible_(possible), paper_(job.sections.size(), -1),
      by_face_(cost.faces().size()), by_paper_(job.stash.papers.size()) {
    for (std::size_t s = 0; s < paper_.size(); ++s) {
        if (!possible[s].empty()) free_.push_back(static_cast<int>(s));
        if (job.sections[s].backed && job.sections[s].given >= 0)
            assign(static_cast<int>(s), job.sections[s].given);
    }
}

void Draft::add(int section, int paper, int sign) {
    if (paper < 0) return;
    by_face_[paper].add(job_.sections[section].area, cost_.pull(section), sign);
    by_paper_[cost_.paper_of(paper)].add(job_.sections[section].area, cost_.pull(section), sign);
}

void Draft::assign(int section, int paper) {
    assert(section >= 0 && static_cast<std::size_t>(section) < paper_.size());
    assert(paper < static_cast<int>(by_face_.size()));
    add(section, paper_[section], -1);
    paper_[section] = paper;
    add(section, paper, 1);
}

void Draft::assign_all(const std::vector<int>& papers) {
    assert(papers.size() == paper_.size());
    paper_ = papers;
    // Counted afresh, so that rounding never adds up.
    std::fill(by_face_.begin(), by_face_.end(), Share{});
    std::fill(by_paper_.begin(), by_paper_.end(), Share{});
    for (std::size_t s = 0; s < paper_.size(); ++s) add(static_cast<int>(s), paper_[s], 1);
}

bool Draft::can(int section, int paper) const {
    return paper < 0 ||
           std::find(possible_[section].begin(), possible_[section].end(), paper) != possible_[section].end();
}

bool Draft::clashes(int section, int paper) const {
    const auto& next = cost_.next(section);
    return std::any_of(next.begin(), next.end(), [&](const auto& n) {
        return (paper >= 0 && paper_[n.first] == paper && cost_.same_look(section, n.first, paper)) ||
               cost_.must_not_meet(paper, paper_[n.first]);
    });
}

bool Draft::forbidden(int section, int paper) const {
    const auto& next = cost_.next(section);
    return std::any_of(next.begin(), next.end(),
                       [&](const auto& n) { return cost_.must_not_meet(paper, paper_[n.first]); });
}

std::vector<int> Draft::alike() const {
    std::vector<int> out;
    for (std::size_t i = 0; i < job_.neighbours.size(); ++i) {
        const Neighbours& n = job_.neighbours[i];
        if (paper_[n.a] >= 0 && paper_[n.a] == paper_[n.b] && cost_.same_look(n.a, n.b, paper_[n.a]))
            out.push_back(static_cast<int>(i));
    }
    return out;
}

std::vector<LaidPatch> Draft::patches_on(int paper, int without, int with, Side side) const {
    std::vector<LaidPatch> out;
    for (std::size_t s = 0; s < paper_.size(); ++s) {
        const int i = static_cast<int>(s);
        const bool on = paper_[s] >= 0 && cost_.paper_of(paper_[s]) == paper && i != without;
        if (!on && i != with) continue;
        for (int p : job_.sections[s].patches)
            out.emplace_back(p, i == with ? side : cost_.faces()[paper_[s]].side);
    }
    return out;
}

} // namespace zesty
