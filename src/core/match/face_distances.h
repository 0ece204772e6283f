#pragma once
// How unlike every two sides of a stash are, worked out once: proposals ask for it many times.

#include "core/match/face.h"

#include <memory>

namespace zesty {

struct FaceDistances {
    std::size_t count = 0;
    std::vector<double> colours; ///< by face and face: palette_distance()
    std::vector<double> looks;   ///< unlikeness()

    double colour(std::size_t face, std::size_t other) const { return colours[face * count + other]; }
    double look(std::size_t face, std::size_t other) const { return looks[face * count + other]; }
};

/// What the sides look like, face by face.
std::vector<PaperFace> looks_of(const Stash& stash);

std::shared_ptr<const FaceDistances> distances_of(const std::vector<PaperFace>& sides);

} // namespace zesty
