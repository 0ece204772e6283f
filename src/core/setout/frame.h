#pragma once
// Base and frame in numbers to cut: what is trimmed off the base, which window is cut out of the frame paper,
// and what sheet the window yields. Millimetres; words speak in 1/16 in or whole millimetres, as a trimmer is
// set.

#include "core/finding.h"
#include "core/setout/decisions.h"

namespace zesty {

struct FrameStrip {
    double width = 0;
    double length = 0;
    int count = 0;
    bool operator==(const FrameStrip&) const = default;
};

struct FramePlan {
    std::vector<Box> bases;    ///< on the page, by leaf
    std::optional<Box> window; ///< of one whole frame sheet, from its top left; the sheet gutted out of it
    std::vector<FrameStrip> strips;  ///< of a frame in strips, for one leaf; widths include the glue lip
    std::vector<std::string> to_cut; ///< sentences, in the order of the work; empty without a frame
    std::vector<Finding> findings;
};

FramePlan frame_of(const Page& page, Units units);

/// Whether the frame of one page can be cut from the sheet.
bool large_enough(const Page& page, const Polygon& sheet);

/// What of a sheet is left when the frame has been taken from it, as an outline on the sheet: the gutted
/// window in the middle of it, or what remains beside the strips. Nothing when it is too little to keep. The
/// sheet must be large enough.
std::optional<Polygon> left_of_frame_sheet(const Page& page, const Polygon& sheet);

} // namespace zesty
