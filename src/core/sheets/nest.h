#pragma once
// Irregular pieces laid on irregular sheets. Millimetres; sheets as seen from side A.
//
// A placed piece is its outline turned by rotation_deg about the origin and then moved by `shift`. Every
// placement in a result is sound: inside its sheet, at least `gap` from every other piece, turned only as
// allowed. verify() says so independently of how it was found, so that another engine can take the place of
// this one behind the same functions.

#include "core/geometry/shapes.h"
#include "core/result.h"
#include "core/stop.h"

#include <optional>
#include <string>
#include <vector>

namespace zesty {

/// A place decided beforehand.
struct NestPin {
    int sheet = 0;
    double rotation_deg = 0;
    Point shift;
};

/// A stripe of a sheet: the point `of_piece` must come to lie where its dot product with `along`, a unit
/// vector on the sheet, is from `from` to `to`.
struct NestBand {
    Point of_piece;
    Point along;
    double from = 0;
    double to = 0;
};

struct NestPiece {
    Polygon outline;
    bool any_rotation = true;
    std::vector<double> rotations_deg =
        {}; ///< the only ones allowed when any_rotation is false; not empty then
    /// Sheets it may go on, as indices; empty for all.
    std::vector<int> sheets = {};
    std::vector<Polygon> together = {}; ///< more outlines, which keep their place beside the first
    /// The only places for it, the best first; nothing for any, an empty list for nowhere.
    std::optional<std::vector<NestPin>> pins = std::nullopt;
    std::optional<NestBand> band = std::nullopt;
    double worth = 1; ///< of its area, when it is weighed what finds no place

    /// Stays where it was put first.
    bool held() const { return pins.has_value() || band.has_value() || !together.empty(); }
};

struct NestSheet {
    Polygon outline;
    int rank = 0; ///< sheets of a lower rank are filled first
};

struct NestJob {
    std::vector<NestPiece> pieces;
    std::vector<NestSheet> sheets;
    double gap = 0.5; ///< between pieces
    unsigned seed = 1;
    int attempts = 12; ///< orders tried; the first is a complete answer
    /// Rounds in which pieces that found no place are made room for: see refine.h.
    int refinements = 0;
    double cell = 0; ///< of the raster, mm; 0 chooses by the size of the job
    /// What others are going to cut from these sheets: room is kept for it where that costs the pieces no
    /// place and opens no sheet for them. Neither pinned nor with a band.
    std::vector<NestPiece> later = {};
};

struct NestPlacement {
    int piece = 0;
    int sheet = 0;
    double rotation_deg = 0;
    Point shift;

    Transform transform() const {
        return Transform::moved(shift.x, shift.y) * Transform::turned_deg(rotation_deg);
    }
};

struct NestResult {
    std::vector<NestPlacement> placements; ///< by piece
    std::vector<int> unplaced;             ///< ascending
    /// For pieces of NestJob::later, by piece: where there is room for them, all at once.
    std::vector<NestPlacement> room = {};
};

/// The best of several attempts, made on two threads, and then refined where pieces are left: largest area
/// placed, then fewest sheets of high rank opened, then most room for later pieces, then the largest
/// rectangles left on those that are used. Pinned pieces are laid first, then those that have a band or keep
/// together, and the others around them. With refinements sheets are also
/// closed again where what lies on them goes elsewhere. Deterministic for a seed. Stops early, with the best
/// so far, when told to; before the first attempt is complete that may leave pieces unplaced.
NestResult nest(const NestJob& job, const StopToken& stop = {}, const Progress& progress = {});

/// Nothing when the result is sound, else one sentence about the first thing that is not.
std::string verify(const NestJob& job, const NestResult& result);

} // namespace zesty
