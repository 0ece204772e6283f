#pragma once
// A picture as it is judged: in greys, or as with half-closed eyes.

#include "core/names.h"

#include <QImage>

namespace zesty {

enum class Seen { Colour, Grey, Squint, Height, Glue };
template <> inline constexpr std::array words_of<Seen>{"colour", "grey", "squint", "height", "glue"};

/// By height and by glue the picture stays as it is. The same size and pixel ratio.
QImage as_seen(const QImage& picture, Seen seen);

} // namespace zesty
