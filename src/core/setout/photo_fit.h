#pragma once
// Photos and openings: the largest print that lies inside, the smallest that covers from behind, and how
// large the cut must be for a print that is given; position and tilt are solved, not asked for. Millimetres.
//
// Inside is found by branch and bound over position and tilt (A. H. Land, A. G. Doig, "An automatic method of
// solving discrete programming problems", Econometrica 28, 1960), with the largest factor a rectangle of
// fixed proportions can have at one place computed exactly: a polar distance in the norm whose unit ball is
// that rectangle. Concave openings and holes are fine. The answer is within `photo_fit_tolerance` of the
// best.

#include "core/geometry/shapes.h"

#include <optional>

namespace zesty {

inline constexpr double photo_fit_tolerance = 0.008;

struct PhotoFit {
    double factor = 0; ///< the print is this many times the size asked about
    Point centre;
    double turn_deg = 0; ///< from -90 to 90
};

/// The largest print of the proportions width : height inside the opening. Inserts count as obstacles.
/// Nothing for an opening without area or a print without size.
std::optional<PhotoFit> largest_inside(const Polygon& opening, double width, double height);

/// As above with the edges of the print tucked behind the bars by `tuck` on every side.
std::optional<PhotoFit> largest_tucked(const Polygon& opening, double width, double height, double tuck);

/// The smallest print of those proportions that covers the opening and `overlap` more on every side.
std::optional<PhotoFit> smallest_covering(const Polygon& opening, double width, double height,
                                          double overlap);

/// By how much the cut must grow (or may shrink, below 1) for the print to lie inside with its edges tucked
/// by `tuck`. `centre` is on the opening as it is now.
std::optional<PhotoFit> cut_growth_for_inside(const Polygon& opening, double width, double height,
                                              double tuck);

/// By how much the cut may grow (or must shrink, below 1) so that the print just covers the opening and
/// `overlap` more. Nothing when the print is not larger than twice the overlap.
std::optional<PhotoFit> cut_growth_for_covering(const Polygon& opening, double width, double height,
                                                double overlap);

} // namespace zesty
