#pragma once
// The sides of papers that match chooses from.

#include "core/stash/stash.h"

namespace zesty {

struct Face {
    int paper = 0; ///< into Stash::papers
    Side side = Side::A;
    bool operator==(const Face&) const = default;
};

/// Side A of every paper in order, so that a face has its paper's number; then side B of those that have one.
std::vector<Face> faces_of(const Stash& stash);

/// The number of a side, or of side A where the paper has no other; -1 for no paper.
int face_of(const Stash& stash, int paper, Side side);

} // namespace zesty
