#pragma once
// Everything computed from a Project: the facts of every stage. Never saved as truth, always derivable.

#include "core/dress/facts.h"
#include "core/finding.h"
#include "core/match/facts.h"
#include "core/sections/facts.h"
#include "core/setout/facts.h"
#include "core/sheets/facts.h"

namespace zesty {

struct Project;

struct Plan {
    /// What it is the plan of: whoever asks something of both takes it from here. Null for a plan that nobody
    /// has worked out.
    std::shared_ptr<const Project> of;
    SetOutFacts set_out;
    SectionFacts sections;
    PaperFacts papers;
    SheetFacts sheets;
    DressFacts dress;
    std::vector<Finding> findings;  ///< most serious first
    std::vector<Finding> set_aside; ///< those that are meant so

    /// Index of the patch of an opening, or -1.
    int patch_of(int opening) const;
    double patch_area() const; ///< of paper that is taken
    /// The opening at a place of the page, the innermost where inserts have openings of their own; -1 for
    /// none.
    int opening_at(Point on_page) const;
    /// Where the label of an opening stands, on the page.
    Point middle_of(int opening) const;
    /// Whether a finding is a problem.
    bool has_problems() const;
    /// The bars between these openings, or all of an opening that is alone, as decisions name them.
    std::vector<BarName> bars_among(const std::vector<int>& openings) const;
    /// Names of openings in decisions.
    std::vector<Spot> spots_of(const std::vector<int>& openings) const;
};

} // namespace zesty
