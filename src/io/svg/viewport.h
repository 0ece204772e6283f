#pragma once
// How large a drawing is, and how a viewBox lies in what it is shown in.

#include "core/geometry/shapes.h"
#include "core/result.h"
#include "io/svg/xml_tree.h"

#include <cmath>

namespace zesty::svg {

struct Viewport {
    double width = 0;
    double height = 0;
    double diagonal() const { return std::sqrt((width * width + height * height) / 2); }
};

/// Of the outermost element, in px: by its width and height, one of them and the viewBox, or the viewBox
/// alone. `said` tells whether a width or a height says how large it really is.
Result<Viewport> size_of_root(const Node& root, bool& said);

/// From the viewBox of a node to w x h px, as its preserveAspectRatio says; `inner` is what lies in there.
Result<Transform> fit_view_box(const Node& node, double w, double h, Viewport& inner);

} // namespace zesty::svg
