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
#include "core/setout/photo.h"

#include <optional>
#include <vector>

namespace zesty {

inline constexpr double photo_fit_tolerance = 0.008;
/// A photo looks upright up to this tilt, degrees; more is asked for.
inline constexpr double usual_tilt_deg = 5;
inline constexpr double any_tilt_deg = 90;

struct PhotoFit {
    double factor = 0; ///< the print is this many times the size asked about
    Point centre;
    double turn_deg = 0; ///< from -90 to 90
};

/// The photo with the size, place and tilt of a fit; protected parts grow with it.
Photo fitted(Photo photo, const PhotoFit& fit);

/// The largest print of the proportions width : height inside the opening, tilted by `most_tilt_deg` at most
/// to either side. Inserts count as obstacles. Nothing for an opening without area or a print without size.
std::optional<PhotoFit> largest_inside(const Polygon& opening, double width, double height,
                                       double most_tilt_deg = any_tilt_deg);

/// As above with the edges of the print tucked behind the bars by `tuck` on every side.
std::optional<PhotoFit> largest_tucked(const Polygon& opening, double width, double height, double tuck,
                                       double most_tilt_deg = any_tilt_deg);

/// The smallest print of those proportions that covers the opening and `overlap` more on every side.
std::optional<PhotoFit> smallest_covering(const Polygon& opening, double width, double height, double overlap,
                                          double most_tilt_deg = any_tilt_deg);

/// The largest round print inside, tucked all round: `factor` times that diameter; of `diameters`, ascending,
/// the largest that fits, where there are any.
std::optional<PhotoFit> largest_round_inside(const Polygon& opening, double diameter, double tuck,
                                             const std::vector<double>& diameters = {});

/// By how much the cut must grow (or may shrink, below 1) for the print to lie inside with its edges tucked
/// by `tuck`. `centre` is on the opening as it is now.
std::optional<PhotoFit> cut_growth_for_inside(const Polygon& opening, double width, double height,
                                              double tuck);

/// By how much the cut may grow (or must shrink, below 1) so that the print just covers the opening and
/// `overlap` more. Nothing when the print is not larger than twice the overlap.
std::optional<PhotoFit> cut_growth_for_covering(const Polygon& opening, double width, double height,
                                                double overlap);

} // namespace zesty
