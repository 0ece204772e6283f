#pragma once
// A photo on the page, as decided. Its print has a real size; millimetres on the page.

#include "core/geometry/shapes.h"
#include "core/limits.h"
#include "core/setout/brought_picture.h"
#include "core/setout/mounting.h"
#include "core/setout/photo_mat.h"
#include "core/shared.h"

#include <string>
#include <vector>

namespace zesty {

struct Photo {
    std::string name;
    double width = 0;
    double height = 0;
    bool round = false; ///< a circle of the width
    Point centre;
    double turn_deg = 0;
    bool on_top = true; ///< above every cut; otherwise it slides behind those that lie above photos
    /// Parts that must stay free, such as a face: in the photo, millimetres from its upright middle.
    std::vector<Box> protected_parts;
    /// Parts that had better be covered, the same way.
    std::vector<Box> hidden_parts = {};
    Shared<BroughtPicture> picture = {}; ///< what it shows, where somebody brought it
    /// The part of the picture that is printed, in shares of its width and height. It fills the photo: what
    /// does not fit its proportions is cropped evenly.
    Box part{0, 0, 1, 1};
    bool whole = false; ///< all of that part is printed, with a white rim where proportions differ
    std::vector<PhotoMat> mats = {}; ///< from the photo outwards
    Mounting held = {};              ///< with its mats
    int id = 0;                      ///< what journaling that belongs to it names it by; 0 until some does
    bool operator==(const Photo&) const = default;
};

inline constexpr Limits photo_id_limits{0, 1'000'000};
inline constexpr Limits photo_side_limits{1, 3000};
inline constexpr Limits photo_part_limits{-3000, 3000}; ///< of corners of protected parts
inline constexpr Limits picture_part_limits{0, 1};

} // namespace zesty
