#pragma once
// Fixes that findings of Dress offer.

#include "core/dress/decisions.h"

namespace zesty {

struct SetLineHeight {
    int writing = 0;
    double height = 0;
    void operator()(DressDecisions& decided) const {
        if (writing >= 0 && writing < static_cast<int>(decided.writings.size()))
            decided.writings[static_cast<std::size_t>(writing)].line_height = height;
    }
    bool operator==(const SetLineHeight&) const = default;
};

} // namespace zesty
