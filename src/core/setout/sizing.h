#pragma once
// Sizes from what matters: a bar that must hold, a length that must match, a mat that must hold the cuts.
// Millimetres.

#include "core/setout/set_out.h"
#include "core/sheets/nest.h"

namespace zesty {

/// What cuts or holds a bar, with the narrowest bar it wants. Rules of thumb; the maker's word comes first.
struct Holding {
    const char* key;  ///< "blade", "glue", "foam", "tape"
    const char* name; ///< "the blade", "fine-tip glue"
    double bar;
};
/// Narrowest first.
const std::vector<Holding>& holdings();

inline constexpr double least_cut = 5;
inline constexpr double greatest_cut = 2900;

/// The same placement with the cut `factor` times as large as `now`, by the rule it has. Within the limits
/// above.
CutPlacement resized(const CutPlacement& place, const SetOut& now, const Page& page, double factor);

/// By how much the cut must grow for its thinnest bar to be `wanted`; nothing for a cut without bars.
std::optional<double> growth_for_bar(const SetOut& now, double wanted);

/// The line between the two places of the page, moved to the nearest contour points within `reach`.
std::pair<Point, Point> snapped(const CutFile& cut, const Transform& to_page, Point from, Point to,
                                double reach);

struct MatCount {
    double size = 0; ///< longer side of one cut
    int count = 0;   ///< whole cuts that fit together
};
/// How many of the cut at each size fit on one mat, nested with `gap` between pieces; loose pieces are laid
/// for themselves, inserts stay where they are. `most` ends the counting.
std::vector<MatCount> fit_on_mat(const CutFile& cut, const std::vector<double>& sizes, double mat_width,
                                 double mat_height, double gap, int most, const StopToken& stop);
/// Whether one cut of each of these sizes fits on one mat.
bool fit_together(const CutFile& cut, const std::vector<double>& sizes, double mat_width, double mat_height,
                  double gap, const StopToken& stop);

} // namespace zesty
