#pragma once
// What follows from Set out. Page millimetres.

#include "core/setout/frame.h"
#include "core/setout/photo_colours.h"
#include "core/setout/photos.h"
#include "core/setout/set_out.h"

namespace zesty {

struct SetOutFacts {
    SetOut whole;             ///< of all cuts
    std::vector<SetOut> each; ///< by SetOutDecisions::cuts
    FramePlan frame;
    std::vector<PhotoCount> photo_sizes; ///< to order
    std::vector<Box> free_cells;         ///< of a grid of photos
    std::vector<Finding> photo_findings;
    std::vector<PhotoColours> photo_colours; ///< by photo
};

} // namespace zesty
