#pragma once
// Along the bars of a cut, where glue or foam can go. In the coordinates of the cut.

#include "core/cutfile/cut_file.h"

namespace zesty {

/// A place in the middle of a bar; of paper wider than twice `edge_reach` that far from its edge.
struct BarPlace {
    Point at;
    Point along;       ///< the direction of the bar, of length 1
    double width = 0;  ///< from edge to edge, at most `widest_measured`
    double length = 0; ///< of bar that it stands for
    int piece = 0;
    bool operator==(const BarPlace&) const = default;
};

inline constexpr double edge_reach = 3;       ///< mm on the page
inline constexpr double widest_measured = 13; ///< mm on the page

/// Both edges of every bar are walked, a place every 2 mm of the page; each stands for half of that where the
/// two walks see the same middle. `scale`: mm of the page for one of the cut.
std::vector<BarPlace> bar_places(const CutFile& cut, double scale);

} // namespace zesty
