#pragma once
// Colours in the words people use: "muted teal", "dark green", "cream".

#include "core/stash/colour.h"

namespace zesty {

/// By lightness, chroma and hue angle of CIELAB. At most an adjective and a name of one or two words.
std::string colour_words(Rgb colour);

} // namespace zesty
