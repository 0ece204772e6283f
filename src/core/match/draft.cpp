#include "core/match/draft.h"

#include <algorithm>

namespace zesty {

Draft::Draft(const MatchJob& job, const Cost& cost, const std::vector<std::vector<int>>& possible)
    : job_(job), cost_(cost), possible_(possible), paper_(job.sections.size(), -1),
      area_(job.stash.papers.size(), 0), uses_(job.stash.papers.size(), 0) {
    for (std::size_t s = 0; s < paper_.size(); ++s) {
        if (!possible[s].empty()) free_.push_back(static_cast<int>(s));
        if (job.sections[s].backed && job.sections[s].given >= 0)
            assign(static_cast<int>(s), job.sections[s].given);
    }
}

void Draft::add(int section, int paper, int sign) {
    if (paper < 0) return;
    area_[paper] += sign * job_.sections[section].area;
    uses_[paper] += sign;
}

void Draft::assign(int section, int paper) {
    add(section, paper_[section], -1);
    paper_[section] = paper;
    add(section, paper, 1);
}

void Draft::assign_all(const std::vector<int>& papers) {
    paper_ = papers;
    // Counted afresh, so that rounding never adds up.
    std::fill(area_.begin(), area_.end(), 0);
    std::fill(uses_.begin(), uses_.end(), 0);
    for (std::size_t s = 0; s < paper_.size(); ++s) add(static_cast<int>(s), paper_[s], 1);
}

bool Draft::can(int section, int paper) const {
    return paper < 0 ||
           std::find(possible_[section].begin(), possible_[section].end(), paper) != possible_[section].end();
}

bool Draft::clashes(int section, int paper) const {
    const auto& next = cost_.next(section);
    return std::any_of(next.begin(), next.end(), [&](const auto& n) { return paper_[n.first] == paper; });
}

std::vector<int> Draft::alike() const {
    std::vector<int> out;
    for (std::size_t i = 0; i < job_.neighbours.size(); ++i) {
        const Neighbours& n = job_.neighbours[i];
        if (paper_[n.a] >= 0 && paper_[n.a] == paper_[n.b]) out.push_back(static_cast<int>(i));
    }
    return out;
}

std::vector<int> Draft::patches_on(int paper, int without, int with) const {
    std::vector<int> out;
    for (std::size_t s = 0; s < paper_.size(); ++s) {
        const int i = static_cast<int>(s);
        if ((paper_[s] == paper && i != without) || i == with)
            out.insert(out.end(), job_.sections[s].patches.begin(), job_.sections[s].patches.end());
    }
    return out;
}

} // namespace zesty
