#pragma once
// Layers of a drawing: what has one colour, or, where all is one colour, what stands in one group.

#include "core/cutfile/drawing.h"

#include <string>
#include <vector>

namespace zesty {

/// Steady names, "colour #aa3300" or "group sail", in the order in which they are painted; empty when the
/// drawing is all of a piece.
std::vector<std::string> layers_of(const Drawing& drawing);

/// What of the drawing is on these layers; all of it when `keys` is empty.
Drawing on_layers(const Drawing& drawing, const std::vector<std::string>& keys);

} // namespace zesty
