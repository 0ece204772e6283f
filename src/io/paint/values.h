#pragma once
// A picture as it is judged: in greys, or as with half-closed eyes.

#include "core/names.h"

#include <QImage>

namespace zesty {

enum class Seen { Colour, Grey, Squint };
template <> inline constexpr std::array words_of<Seen>{"colour", "grey", "squint"};

/// The same size and pixel ratio.
QImage as_seen(const QImage& picture, Seen seen);

} // namespace zesty
