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
    std::string paper = {}; ///< id; empty when it is not from the stash
    bool operator==(const FrameStrip&) const = default;
};

struct FramePlan {
    std::vector<Box> bases;    ///< on the page, by leaf
    std::optional<Box> window; ///< of one whole frame sheet, from its top left; the sheet gutted out of it
    std::vector<FrameStrip> strips;  ///< of a frame in strips, of all leaves; widths include the glue lip
    std::vector<std::string> to_cut; ///< sentences, in the order of the work; empty without a frame
    std::vector<Finding> findings;
};

/// "12 x 12 in page", "spread of 12 x 12 in pages", "12 x 12 in page beside one of 6 x 12 in".
std::string page_in_words(const Page& page, Units units);

FramePlan frame_of(const Page& page, Units units);

/// Whether the frame of one leaf can be cut from the sheet as a whole.
bool large_enough(const Box& leaf, const Polygon& sheet);

/// The window gutted out of a sheet for the frame of a leaf, as an outline on the sheet. Nothing when it is
/// too little to keep. The sheet must be large enough.
std::optional<Polygon> gutted_out_of(const Page& page, const Box& leaf, const Polygon& sheet);

} // namespace zesty
