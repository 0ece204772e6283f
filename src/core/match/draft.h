#pragma once
// An assignment in the making: which face each section has just now, and what that adds up to by face and by
// paper. "Paper" of a section is a face here as everywhere in match.

#include "core/match/cost.h"

namespace zesty {

class Draft {
public:
    /// `possible`: by section, the papers on which each of its patches fits alone; empty for sections that
    /// are not to be changed. All must outlive the draft.
    Draft(const MatchJob& job, const Cost& cost, const std::vector<std::vector<int>>& possible);

    const std::vector<int>& papers() const { return paper_; }
    int paper(int section) const { return paper_[section]; }
    void assign(int section, int paper); ///< -1 takes the paper away
    void assign_all(const std::vector<int>& papers);

    const std::vector<int>& free() const { return free_; } ///< sections that may change, ascending
    const std::vector<int>& possible(int section) const { return possible_[section]; }
    bool can(int section, int paper) const;
    const Share& share(int face) const { return by_face_[face]; }
    const Share& paper_share(int paper) const { return by_paper_[paper]; }

    /// Whether a neighbour has that paper, or one that must not meet it.
    bool clashes(int section, int paper) const;
    /// Whether a neighbour has a paper that must not meet it.
    bool forbidden(int section, int paper) const;
    /// Neighbours with the same paper, as indices into the job's neighbours.
    std::vector<int> alike() const;
    /// Patches of the sections on any side of that paper (not a face), one section left out and one put in
    /// where not negative, with that side up.
    std::vector<LaidPatch> patches_on(int paper, int without = -1, int with = -1, Side side = Side::A) const;

private:
    void add(int section, int paper, int sign);

    const MatchJob& job_;
    const Cost& cost_;
    const std::vector<std::vector<int>>& possible_;
    std::vector<int> free_;
    std::vector<int> paper_;
    std::vector<Share> by_face_;
    std::vector<Share> by_paper_;
};

} // namespace zesty
