#include "core/project/hand_edits.h"

#include "core/geometry/measure.h"
#include "core/match/pattern_turn.h"

#include <cmath>

namespace zesty {

std::optional<PatternWish> moved_pattern(const Project& project, const Plan& plan, int opening, Point from,
                                         Point to) {
    const int patch = plan.patch_of(opening);
    if (patch < 0) return std::nullopt;
    const PatternWish& now =
        project.match.choice(plan.sections.all[plan.sections.patches[patch].section].id).pattern;
    if (plan.sheets.placed[patch].sheet < 0) {
        // What was wanted before found no place; it can still be wanted elsewhere.
        if (!now.motif) return std::nullopt;
        PatternWish elsewhere = now;
        elsewhere.motif->off_middle = elsewhere.motif->off_middle + (to - from);
        return elsewhere;
    }
    const PlacedPatch& at = plan.sheets.placed[patch];
    const int section = plan.sections.patches[patch].section;
    const Paper& paper = project.stash->papers[plan.papers.of_section[section]];
    const PaperFace face = paper.face(plan.papers.side_of_section[section]);
    PatternWish out = now;
    Point feature = at.to_sheet()(from);
    if (at.mirrored) feature.x = picture_box(paper).width() - feature.x;
    out.motif = MotifAnchor{feature, to - plan.middle_of(opening)};
    const double slant = slant_of_turn(face, at.mirrored ? Side::B : Side::A, at.rotation_deg);
    out.slant_deg = std::remainder(slant, 360.0);
    return out;
}

std::optional<SheetPin> pinned(const Plan& plan, int patch, int sheet, Point by, double turn_deg) {
    const PlacedPatch& at = plan.sheets.placed[patch];
    if (at.sheet < 0 || plan.papers.sheets[at.sheet].paper != plan.papers.sheets[sheet].paper)
        return std::nullopt;
    SheetPin out{plan.papers.sheets[sheet].id, at.rotation_deg, at.shift + by};
    if (turn_deg == 0) return out;
    // About the middle of the patch, not of the page.
    const Point middle = bounds(transformed(plan.sections.patches[patch].on_sheet(), at.to_sheet())).centre();
    const Point off = at.shift - middle;
    out.rotation_deg = std::remainder(at.rotation_deg + turn_deg, 360.0);
    out.shift = middle + Transform::turned_deg(turn_deg)(off) + by;
    return out;
}

} // namespace zesty
