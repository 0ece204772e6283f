#pragma once
// Each sheet of the stock as it lies on the cutting mat: everything that the machine cuts from it, in the
// sheet's own coordinates, once. Millimetres.

#include "core/build/cutting_job.h"
#include "core/project/plan.h"
#include "core/project/project.h"

#include <string>
#include <vector>

namespace zesty {

/// A sheet, or a part of one that is cut out by hand before: the middle of a frame or of a mat.
struct LoadedSheet {
    std::string id;           ///< as the plan has it, of the whole: "barley#1"
    std::vector<int> numbers; ///< into PaperFacts::sheets: itself and its parts
    Polygon outline;          ///< without its branding strip
    SheetKind kind = SheetKind::Full;
    std::vector<std::size_t> cuts = {};         ///< into SetOutDecisions::cuts
    std::vector<int> patches = {};              ///< that the machine cuts, into SectionFacts::patches
    std::vector<const DressPiece*> pieces = {}; ///< the same, of DressFacts
};

/// Those that the machine cuts anything from, in the order of the plan. They point into the plan.
std::vector<LoadedSheet> loaded_sheets(const Project& project, const Plan& plan);

/// What is cut of the page itself under this name, such as "base 1"; null where it is not from the stash.
const OwnUse* own_use(const Plan& plan, const std::string& what);
/// From the page to the sheet that a cut is cut from; null where that is not from the stash.
const OwnUse* sheet_of_cut(const Project& project, const Plan& plan, std::size_t cut);

/// From the drawing to that sheet, of a cut that has one.
Transform drawing_to_sheet(const Project& project, const Plan& plan, std::size_t cut);

/// Every contour that is cut from it, on the sheet, none twice.
std::vector<Ring> contours_on(const LoadedSheet& sheet, const Project& project, const Plan& plan);

/// Whether the machine cuts patches of this kind; others are traced, punched or cut by hand.
bool cut_by_machine(const Patch& patch);
/// Whether the machine cuts this piece of Dress: a photo mat or layer, as the habit goes.
bool cut_by_machine(const DressPiece& piece, const Habits& habits);

/// Hollows and outlines as one list, as the jobs have them.
void add_contours(const Polygon& outline, std::vector<Ring>& contours);

} // namespace zesty
