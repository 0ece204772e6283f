#pragma once
// Which paper where.
//
// Hard: papers that are given stay; nothing is assigned that does not fit on the sheets there are, as the
// nesting itself says. Soft, in this order of weight: every section has paper; neighbours differ, in paper
// and in colour; several papers share the page; large prints are kept for large openings; papers come back at
// least three times. Simulated annealing (S. Kirkpatrick et al., "Optimization by Simulated Annealing",
// Science 220, 1983) on areas, then corrected by nesting, then repaired section by section with nesting as
// the judge. While a section is short or neighbours are alike this is tried again from other starts, and the
// best is kept: fewest short, then fewest alike, then least cost. Deterministic for a seed.

#include "core/match/capacity.h"
#include "core/match/style.h"

namespace zesty {

struct MatchSection {
    std::vector<int> patches;
    double area = 0;    ///< of its patches
    double radius = 0;  ///< of the largest circle inside its smallest opening
    int given = -1;     ///< a paper that must stay, or -1
    bool backed = true; ///< false: gets no paper
    Point at = {};      ///< its middle on the page
    double tone = 0.5;  ///< what the page wants there when colours drift: 0 for light, 1 for dark
};

struct MatchJob {
    const Stash& stash;
    std::vector<MatchSection> sections;
    std::vector<Neighbours> neighbours; ///< by index into `sections`
    unsigned seed = 1;
    MatchStyle style = {};
};

struct Assignment {
    std::vector<int> paper; ///< by section; -1 for none
    /// Neighbours left with the same paper, as indices into MatchJob::neighbours: neither a change of paper
    /// nor an exchange between two sections that fits on the sheets was found to part them.
    std::vector<int> alike;
    double cost = 0;
    bool complete = true; ///< false when stopped early
};

/// `capacity` must be in use for the same stash and patches.
Assignment match(const MatchJob& job, Capacity& capacity, const StopToken& stop = {},
                 const Progress& progress = {});

/// What a whole assignment costs; lower is better. Papers are not checked against the stock.
double cost_of(const MatchJob& job, const std::vector<int>& paper);

} // namespace zesty
