#pragma once
// Decisions of Sheets that settle findings.

#include "core/sheets/decisions.h"

namespace zesty {

struct Unpin {
    Spot opening;
    void operator()(SheetDecisions& decided) const { decided.pins.erase(opening); }
    bool operator==(const Unpin&) const = default;
};
/// Nothing is reserved any more for what the page wants of the paper.
struct StopReserving {
    std::string page; ///< empty for a size to keep whole
    std::string paper;
    void operator()(SheetDecisions& decided) const {
        std::erase_if(decided.reserved,
                      [&](const ReservedPiece& w) { return w.page == page && w.paper == paper; });
    }
    bool operator==(const StopReserving&) const = default;
};

} // namespace zesty
