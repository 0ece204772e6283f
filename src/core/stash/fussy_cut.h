#pragma once
// Motifs that are cut out of a printed paper by hand: found in its picture, kept clear of on every sheet that
// shows them, and pieces of their own.

#include "core/limits.h"
#include "core/result.h"
#include "core/stash/stash.h"

namespace zesty {

inline constexpr double fussy_cut_margin = 25.4 / 16; ///< mm kept free all round
inline constexpr double usual_tolerance = 14;         ///< delta E 2000 from the ground

inline constexpr double usual_brush = 25.4 / 8; ///< mm across, that outlines are corrected with
inline constexpr Limits brush_limits{0.4, 50};

/// The motif at a place of the picture, in millimetres from its upper left corner: what differs from the
/// ground of the paper by more than the tolerance and hangs together, holes filled. The ground is the
/// colour of the largest stretch that hangs together, the one clicked on aside. An error of kind NothingToDo
/// on the ground itself, and for what covers half the picture. `pixels` with their real size; outlines are
/// good to about a pixel.
Result<Polygon> motif_at(const Pixels& pixels, Point at, double tolerance = usual_tolerance);

/// The outline with what a brush of that radius in mm passes over added or taken away: `stroke` is the way of
/// its middle, one point or more. What is parted off is let go of and holes are filled. An error of kind
/// NothingToDo where nothing changes, nothing is left, or what is added does not touch the motif.
Result<Polygon> corrected(const Polygon& outline, const Ring& stroke, double brush, bool add);

/// Whether a sheet of that outline shows the motif whole, with its margin.
bool shows(const Polygon& sheet, const Polygon& motif);
/// How many times a paper still has the motif: once for each sheet that shows it.
int motifs_left(const Paper& paper, const FussyCut& motif);
/// Cuts it out of one sheet that shows it, an offcut if there is one: the sheet has a hole of the motif's
/// shape after that, and one more of it is used. An error of kind NothingToDo where no sheet shows it.
Result<Paper> with_motif_taken(Paper paper, std::size_t motif);
/// The stash when somebody has cut it out: the sheet has its hole, and there is one more of it among the
/// embellishments, with that one of the stash's pictures where it is named. Errors as above, and where there
/// are as many embellishments as there may be.
Result<Stash> with_motif_cut_out(Stash stash, std::size_t paper, std::size_t motif,
                                 const std::string& picture = {});

/// What of a sheet patches may take: without the motifs it shows and their margins.
Region clear_of_motifs(const Paper& paper, const Polygon& sheet);

} // namespace zesty
