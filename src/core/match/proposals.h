#pragma once
// Several assignments that are clearly different, for somebody to choose from.

#include "core/match/moods.h"

namespace zesty {

struct Proposal {
    Mood mood = Mood::AsAsked;
    MatchStyle style; ///< it was made with
    Assignment assignment;
};

/// What somebody asks for: one mood, or more like a proposal, by its papers.
struct ProposalWish {
    std::optional<Mood> mood = {};
    std::set<int> papers = {};
};

/// Up to `count`. The first three come best first: fewest sections short, those of the style that was asked
/// for before its opposite, then fewest neighbours alike, then the cost as asked; others follow as they were
/// found, so that a number means the same proposal however many are asked for. Where the drawer allows, any
/// two share at most half of their papers; where it holds too few for that, they differ in at least a quarter
/// of the sections that are free to choose. Fewer are given rather than near-duplicates. A job with a start
/// is improved on as one of them. Told to stop, it gives those it has, the first of which may not be
/// complete.
std::vector<Proposal> proposals(const MatchJob& job, Capacity& capacity, int count,
                                const ProposalWish& wish = {}, const StopToken& stop = {},
                                const Progress& progress = {});

/// The share of papers that two assignments have in common, of the smaller number.
double common_papers(const std::vector<Face>& faces, const std::vector<int>& a, const std::vector<int>& b);

/// The share of free sections in which two assignments differ.
double unlikeness(const MatchJob& job, const std::vector<int>& a, const std::vector<int>& b);

} // namespace zesty
