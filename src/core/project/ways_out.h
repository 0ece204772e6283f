#pragma once
// What to do about patches that do not fit: every way out is tried on the sheets before it is offered.

#include "core/match/match.h"
#include "core/project/plan.h"
#include "core/project/project.h"
#include "core/setout/fixes.h"

#include <functional>

namespace zesty {

/// A changed project planned as far as its patches.
using Shapes = std::function<Result<Plan>(const Project&)>;

class WaysOut {
public:
    /// `capacity` must be in use for the plan. All must outlive this.
    WaysOut(const Project& project, const Plan& plan, Capacity& capacity, const StopToken& stop)
        : project_(project), plan_(plan), capacity_(capacity), stop_(stop) {}

    struct Answer {
        int paper = -1;
        Side side = Side::A;
        bool clashes = false; ///< taking it would make neighbours alike
        int without_room = 0; ///< papers that would part the neighbours but are full
        int beside = 0;       ///< papers that a neighbour already has
        bool searched = true; ///< false when there was no time to look
    };
    /// The questions of each finding are counted anew, up to what all of them may take.
    void begin_finding() { tried_ = 0; }
    bool fits_alone(int patch, int paper) const { return capacity_.fits_alone(patch, paper); }
    /// Another side or paper for a section that fits on its sheets with everything already on them.
    Answer another_paper(int section, bool may_clash);

    /// What else would make everything on the section's paper fit, the cheapest first: gutting the frame, a
    /// narrower lip, pieces in place of one sheet, a smaller cut. Asked once for each paper.
    const std::vector<Fix>& other_ways(int section, const Shapes& shapes);
    /// Whether everything on the section's paper fits after that; false where there was no time to look.
    bool works(const Fix& fix, int section, const Shapes& shapes) {
        Project changed = project_;
        fix.apply(changed);
        return fits_when(changed, plan_.papers.of_section[section], shapes);
    }

private:
    bool clashes(int section, const Face& face) const;
    bool fits(int section, const Face& face);
    bool fits_when(const Project& changed, int paper, const Shapes& shapes);
    std::vector<Spot> sections_on(int paper) const;

    const Project& project_;
    const Plan& plan_;
    Capacity& capacity_;
    const StopToken& stop_;
    int tried_ = 0; ///< for the finding at hand
    int tried_in_all_ = 0;
    int planned_ = 0; ///< changed projects, for all findings
    std::map<int, std::vector<Fix>> known_;
};

/// Every cut of the project that much larger or smaller than the plan has it.
ResizeCuts resized_cuts(const Project& project, const Plan& plan, double by);

} // namespace zesty
