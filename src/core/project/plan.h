#pragma once
// Everything computed from a Project. Never saved as truth, always derivable.

#include "core/cutfile/cut_file.h"
#include "core/cutfile/insert_labels.h"
#include "core/finding.h"
#include "core/match/match.h"
#include "core/project/ladder.h"
#include "core/sections/advice.h"
#include "core/sections/extras.h"
#include "core/sections/hidden.h"
#include "core/setout/compose.h"
#include "core/setout/frame.h"
#include "core/setout/photos.h"

namespace zesty {

/// Where a patch is cut: turned by rotation_deg about the page's origin, then moved by `shift`.
struct PlacedPatch {
    int sheet = -1; ///< into Plan::sheets; -1 when it has no place
    double rotation_deg = 0;
    Point shift;
    bool mirrored =
        false; ///< left to right before it is turned: cut with side B up, sheets being seen from A

    Transform to_sheet() const {
        const Transform placed = Transform::moved(shift.x, shift.y) * Transform::turned_deg(rotation_deg);
        return mirrored ? placed * Transform::mirrored_x() : placed;
    }
};

/// Where there is room for a wanted piece.
struct KeptRoom {
    int wanted = 0; ///< into Project::wanted
    int sheet = 0;  ///< into Plan::sheets
    Polygon on_sheet;
    std::string page; ///< that wants it; empty for a size to keep whole
};

struct UsedSheet {
    int sheet = 0; ///< into Plan::sheets
    std::vector<int> patches;
    Region leftovers; ///< what is worth keeping, largest first
    Box largest_left; ///< the largest upright rectangle in them; empty without any
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

/// Openings that something covers for good, and what leaving them saves.
struct HiddenWork {
    std::vector<int> openings;
    double paper_area = 0; ///< about, mm2
    double minutes = 0;    ///< about
};

struct Plan {
    std::shared_ptr<const CutFile> cut; ///< of all cuts; null for an empty page
    SetOut set_out;                     ///< of all cuts
    FramePlan frame;
    std::vector<PrintCount> prints; ///< to order
    std::vector<Box> free_cells;    ///< of a grid of photos
    std::vector<Finding> photo_findings;
    std::vector<SetOut> each_cut;    ///< by Project::cuts
    std::vector<Spot> spots;         ///< by opening: its name in decisions
    std::vector<int> cut_of_opening; ///< by opening: index into Project::cuts
    std::vector<Section> sections;
    std::vector<int> section_of_opening;
    std::vector<Neighbours> neighbours;
    std::vector<Patch> patches;
    std::vector<double> covered;    ///< by opening: the share that photos and cuts above hide
    double enlargement = 0;         ///< of the enlarged copy; 0 without one
    std::vector<int> without_patch; ///< openings too narrow for the inlay they were to get
    std::vector<Shaker> shakers;
    std::vector<SectionPrint> section_prints;
    std::vector<WritingRoom> writing;
    HiddenWork hidden; ///< what need not be backed
    std::vector<InsertLabel> inserts;
    std::vector<Sheet> sheets;         ///< the whole stash, what the frame takes already taken
    std::vector<int> paper_of_section; ///< into the stash; -1 for none
    std::vector<Side> side_of_section;
    std::vector<PlacedPatch> placed; ///< by patch
    std::vector<UsedSheet> used_sheets;
    std::vector<KeptRoom> room;    ///< for wanted pieces of papers that this page uses
    std::vector<int> without_room; ///< into Project::wanted: those of such papers that find none
    std::vector<ShortPatch> short_patches;
    std::vector<int> alike; ///< neighbours with the same side of the same paper
    std::vector<PaperUse> papers;
    std::vector<Finding> findings; ///< most serious first
    bool sheets_done = false;      ///< false while the patches have not been laid on sheets yet

    /// Index of the patch of an opening, or -1.
    int patch_of(int opening) const;
    double patch_area() const; ///< of paper that is taken
    double backing_minutes() const;
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
