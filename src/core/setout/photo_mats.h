#pragma once
// The shapes of photo mats. Page millimetres but where it says otherwise.

#include "core/setout/photo.h"

namespace zesty {

/// What is seen of a mat from the front when nothing lies on it; `mat` counts from the photo outwards. Torn
/// edges are taken as straight.
Polygon outline_of_mat(const Photo& photo, std::size_t mat);

/// What is cut for it, upright about the origin: with the allowance for tearing, and with its middle taken
/// out where it is gutted and enough of it is hidden. `lip`: what stays under the photo to be glued.
Polygon blank_of_mat(const Photo& photo, std::size_t mat, double lip);

/// "Photo mat 1 of Mia": `place` is that of the photo among SetOutDecisions::photos.
std::string name_of_mat(const Photo& photo, std::size_t place, std::size_t mat);

/// How far mats that lie behind the whole photo reach beyond it.
double reach_of_mats(const Photo& photo);

/// Photo and mats together, outermost last.
Polygon matted_outline(const Photo& photo);

} // namespace zesty
