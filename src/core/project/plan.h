#pragma once
// Everything computed from a Project. Never saved as truth, always derivable.

#include "core/cutfile/cut_file.h"
#include "core/finding.h"
#include "core/match/match.h"
#include "core/sections/patches.h"
#include "core/setout/compose.h"
#include "core/setout/frame.h"

namespace zesty {

/// Where a patch is cut: turned by rotation_deg about the page's origin, then moved by `shift`.
struct PlacedPatch {
    int sheet = -1; ///< into Plan::sheets; -1 when it has no place
    double rotation_deg = 0;
    Point shift;

    Transform to_sheet() const {
        return Transform::moved(shift.x, shift.y) * Transform::turned_deg(rotation_deg);
    }
};

struct UsedSheet {
    int sheet = 0; ///< into Plan::sheets
    std::vector<int> patches;
    Region leftovers; ///< what is worth keeping, largest first
    double used_area = 0;
};

/// A patch that gets no paper, and why.
struct ShortPatch {
    int section = 0;
    int patch = 0;
    std::string reason;
};

/// What the page takes of one paper.
struct PaperUse {
    double stock_area = 0;
    double used_area = 0;
    int sections = 0;
    int short_patches = 0;
};

struct Plan {
    std::shared_ptr<const CutFile> cut; ///< of all cuts; null for an empty page
    SetOut set_out;                     ///< of all cuts
    FramePlan frame;
    std::vector<SetOut> each_cut;    ///< by Project::cuts
    std::vector<Spot> spots;         ///< by opening: its name in decisions
    std::vector<int> cut_of_opening; ///< by opening: index into Project::cuts
    std::vector<Section> sections;
    std::vector<int> section_of_opening;
    std::vector<Neighbours> neighbours;
    std::vector<Patch> patches;
    std::vector<Sheet> sheets;         ///< the whole stash, what the frame takes already taken
    std::vector<int> paper_of_section; ///< into the stash; -1 for none
    std::vector<PlacedPatch> placed;   ///< by patch
    std::vector<UsedSheet> used_sheets;
    std::vector<ShortPatch> short_patches;
    std::vector<int> alike; ///< neighbours with the same paper
    std::vector<PaperUse> papers;
    std::vector<Finding> findings; ///< most serious first
    bool sheets_done = false;      ///< false while the patches have not been laid on sheets yet

    /// Index of the patch of an opening, or -1.
    int patch_of(int opening) const;
    double patch_area() const;
    /// Names of openings in decisions.
    std::vector<Spot> spots_of(const std::vector<int>& openings) const;
};

} // namespace zesty
