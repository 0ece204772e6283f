#pragma once
// Sizes from what matters: a bar that must hold, a length that must match. Millimetres.

#include "core/setout/set_out.h"

namespace zesty {

/// What cuts or holds a bar, with the narrowest bar it wants. The maker's word comes first.
struct Holding {
    const char* key;  ///< "blade", "glue", "foam", "tape"
    const char* name; ///< "the blade", "fine-tip glue"
    double bar;
};
/// In the order blade, glue, foam, tape.
std::vector<Holding> holdings(const NarrowestBars& bars);

inline constexpr double least_cut = 5;
inline constexpr double greatest_cut = 2900;

/// The same placement with the cut `factor` times as large as `now`, by the rule it has. Within the limits
/// above.
CutPlacement resized(const CutPlacement& place, const SetOut& now, const Page& page, double factor);

/// What the size rule comes to as the cut lies now: what a person typed, or what turning it has made of that.
double ruling_length(const CutPlacement& place, const SetOut& now);

/// By how much the cut must grow for its thinnest bar to be `wanted`; nothing for a cut without bars.
std::optional<double> growth_for_bar(const SetOut& now, double wanted);

/// The line between the two places of the page, moved to the nearest contour points within `reach`.
std::pair<Point, Point> snapped(const CutFile& cut, const Transform& to_page, Point from, Point to,
                                double reach);

} // namespace zesty
