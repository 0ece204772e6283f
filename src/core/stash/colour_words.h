#pragma once
// Colours in the words people use: "muted teal", "dark green", "cream".

#include "core/stash/colour.h"

namespace zesty {

/// By lightness, chroma and hue angle of CIELAB. At most an adjective and a name of one or two words.
std::string colour_words(Rgb colour);

/// A colour that is called that: "#2f7f86", "muted teal", "dark red", "Navy blue". Nothing where the words
/// name no colour we know.
std::optional<Rgb> colour_called(std::string_view words);

} // namespace zesty
