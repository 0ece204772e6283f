#pragma once
// Photos that are unlike the others.

#include "core/finding.h"
#include "core/setout/photo.h"

namespace zesty {

/// One finding for each photo whose light, colour or size stands out where the others are of a kind; from
/// three photos on.
std::vector<Finding> unlike_photos(const std::vector<Photo>& photos);

} // namespace zesty
