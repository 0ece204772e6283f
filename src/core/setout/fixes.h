#pragma once
// Decisions of Set out that settle findings.

#include "core/setout/decisions.h"

#include <map>

namespace zesty {

struct SetMargin {
    double margin;
    int cut = 0; ///< its id
    void operator()(SetOutDecisions& page) const;
    bool operator==(const SetMargin&) const = default;
};
struct SetReveal {
    Sides reveal;
    void operator()(SetOutDecisions& page) const { page.page.reveal = reveal; }
    bool operator==(const SetReveal&) const = default;
};
struct SetGlueLip {
    double lip;
    /// A window that was typed goes by the lip again.
    void operator()(SetOutDecisions& page) const {
        page.page.glue_lip = lip;
        page.page.window_width = page.page.window_height = 0;
    }
    bool operator==(const SetGlueLip&) const = default;
};
struct MovePhoto {
    int photo; ///< into SetOutDecisions::photos
    Point centre;
    void operator()(SetOutDecisions& page) const;
    bool operator==(const MovePhoto&) const = default;
};
struct GutFrame {
    void operator()(SetOutDecisions& page) const { page.page.gut = true; }
    bool operator==(const GutFrame&) const = default;
};
/// Cuts placed or sized otherwise, by id.
struct ResizeCuts {
    std::map<int, CutPlacement> places;
    void operator()(SetOutDecisions& page) const;
    bool operator==(const ResizeCuts&) const = default;
};

} // namespace zesty
