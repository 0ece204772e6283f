#pragma once
// The patches of a page that are drop-outs of enlarged copies.

#include "core/sections/patches.h"
#include "core/sections/spots.h"

#include <map>

namespace zesty {

/// Gives the patches whose backing method that is the shape and place of their drop-outs, and says of the
/// others why not; returns the factors of the copies. `room`: by whole opening, as far as any patch may
/// reach.
std::vector<double> make_enlarged(std::vector<Patch>& patches, const Spots& spots,
                                  const std::map<int, Patch>& room, const Transform& to_page);

} // namespace zesty
