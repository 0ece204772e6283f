#pragma once
// A sketch or photo of a page, faint under the page, for tracing positions. Never a part of what is made.

#include "core/geometry/shapes.h"
#include "core/limits.h"
#include "core/names.h"
#include "core/setout/brought_picture.h"
#include "core/shared.h"

#include <vector>

namespace zesty {

enum class SketchRole { Photo, Title, Journaling };
template <> inline constexpr std::array words_of<SketchRole>{"photo", "title", "journaling"};

/// Where the sketch has something, on the page.
struct SketchBox {
    SketchRole role = SketchRole::Photo;
    Box box;
    bool operator==(const SketchBox&) const = default;
};

struct Sketch {
    Shared<BroughtPicture> picture; ///< null for none
    Point at;                       ///< its upper left corner on the page
    double width = 0;               ///< on the page; its height follows
    double turn_deg = 0;            ///< in quarter turns
    double strength = 0.35;         ///< 0 for unseen, 1 for full
    std::vector<SketchBox> boxes = {};
    bool operator==(const Sketch&) const = default;
};
struct SetOutDecisions;
/// What the boxes of the sketch say becomes of the page: a photo in every photo box that has none yet, and
/// room for title and journaling.
void take_over_sketch(SetOutDecisions& page);

inline constexpr std::size_t most_sketch_boxes = 60;
inline constexpr Limits sketch_width_limits{0, 6000};
inline constexpr Limits strength_limits{0, 1};

} // namespace zesty
