#pragma once
// What makes an assignment good, as numbers that change with one section at a time.

#include "core/match/match.h"

namespace zesty {

class Cost {
public:
    explicit Cost(const MatchJob& job);

    /// What the paper costs in that section by itself and against its neighbours' papers.
    double local(int section, int paper, const std::vector<int>& assigned) const;
    /// What the counts and areas of a paper cost, whatever sections they are.
    double share(double area, int uses) const;
    double unassigned(int section) const;

    /// (other section, index into the job's neighbours)
    const std::vector<std::pair<int, int>>& next(int section) const { return next_[section]; }
    double total(const std::vector<int>& assigned) const;

private:
    void find_near();
    void find_tones();

    const MatchJob& job_;
    /// By section: others close by and how much the same paper there costs; empty when colours drift.
    std::vector<std::vector<std::pair<int, double>>> near_;
    std::vector<double> tone_; ///< by paper: 0 for the lightest, 1 for the darkest
    std::vector<std::vector<std::pair<int, int>>> next_;
    std::vector<std::vector<double>> clash_; ///< between two papers, 1 for the same
    double total_area_ = 1;
    double fair_share_ = 1;
};

} // namespace zesty
