#pragma once
// What is to be cut from a paper later.

#include "core/stash/stash.h"

namespace zesty {

/// A piece that another page is going to take, or a size to keep whole.
struct ReservedPiece {
    std::string page;  ///< that wants it; empty for a size to keep whole
    std::string paper; ///< its id
    Side side = Side::A;
    Polygon outline; ///< on a sheet seen from side A, the right way up where the paper has one; mm
    bool operator==(const ReservedPiece&) const = default;
};

} // namespace zesty
