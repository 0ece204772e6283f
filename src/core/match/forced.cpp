#include "core/match/forced.h"

#include <algorithm>

namespace zesty {

namespace {

class ForcedPairs {
public:
    ForcedPairs(const MatchJob& job, const Cost& cost, const std::vector<std::vector<int>>& possible)
        : job_(job), cost_(cost), possible_(possible) {}

    std::size_t count() const {
        std::vector<char> counted(job_.neighbours.size(), 0);
        std::size_t least = 0;
        for (std::size_t size = 2; size <= 4; ++size)
            for (std::size_t i = 0; i < job_.neighbours.size(); ++i) {
                std::vector<int> group{job_.neighbours[i].a, job_.neighbours[i].b};
                std::vector<int> pairs{static_cast<int>(i)};
                if (!counted[i] && must_repeat(group, pairs, size, counted)) {
                    ++least;
                    for (int pair : pairs) counted[pair] = 1;
                }
            }
        return least;
    }

private:
    /// Papers that any of the sections can have.
    std::size_t choices(const std::vector<int>& sections) const {
        std::vector<int> papers;
        for (int s : sections) {
            if (job_.sections[s].given >= 0) papers.push_back(job_.sections[s].given);
            papers.insert(papers.end(), possible_[s].begin(), possible_[s].end());
        }
        std::sort(papers.begin(), papers.end());
        return static_cast<std::size_t>(
            std::distance(papers.begin(), std::unique(papers.begin(), papers.end())));
    }

    bool is_paper_section(int s) const { return job_.sections[s].given >= 0 || !possible_[s].empty(); }

    /// Completes `group` to `size` sections that touch each other and lack papers, if there are such.
    bool must_repeat(std::vector<int>& group, std::vector<int>& pairs, std::size_t size,
                     const std::vector<char>& counted) const {
        if (!is_paper_section(group.back())) return false;
        if (group.size() == size) return is_paper_section(group.front()) && choices(group) < size;
        for (const auto& [next, index] : cost_.next(group.back())) {
            if (std::find(group.begin(), group.end(), next) != group.end()) continue;
            std::vector<int> added;
            for (int member : group)
                for (const auto& [other, pair] : cost_.next(member))
                    if (other == next && !counted[pair]) {
                        added.push_back(pair);
                        break;
                    }
            if (added.size() != group.size()) continue;
            group.push_back(next);
            pairs.insert(pairs.end(), added.begin(), added.end());
            if (must_repeat(group, pairs, size, counted)) return true;
            group.pop_back();
            pairs.resize(pairs.size() - added.size());
        }
        return false;
    }

    const MatchJob& job_;
    const Cost& cost_;
    const std::vector<std::vector<int>>& possible_;
};

} // namespace

std::size_t least_alike(const MatchJob& job, const Cost& cost,
                        const std::vector<std::vector<int>>& possible) {
    return ForcedPairs(job, cost, possible).count();
}

} // namespace zesty
