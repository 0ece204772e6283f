#pragma once
// A nesting job made ready to be worked on by laying pieces where they may overlap: claims in place of
// pieces, what a sheet does not offer as obstacles. Does not change while it is worked on; shared by threads.

#include "core/sheets/claim.h"
#include "core/sheets/nest.h"

namespace zesty {

/// Where a piece is; on no sheet when `sheet` is below 0. (x, y) is the place of the claim's reference point.
struct CrowdSpot {
    int sheet = -1;
    int way = -1; ///< into the piece's only ways up; -1 when it may be turned freely
    double rotation_deg = 0;
    float x = 0;
    float y = 0;
};

/// The spot a step of `way` mm farther: along x, y or a diagonal (axes 0 to 3), or turned so that a point at
/// `lever` from the reference point moves as far (axis 4).
CrowdSpot stepped(CrowdSpot from, unsigned axis, float way, float lever);

struct CrowdJob {
    /// Pieces of `start` that are held where they are become a part of what the sheets do not offer; nothing
    /// moves them.
    CrowdJob(const NestJob& job, const NestResult& start);

    struct Sheet {
        FloatBox box;
        std::vector<TurnedClaim> obstacles; ///< what of the box is not paper, in its coordinates
        double area = 0;
    };
    std::vector<Claim> claims;
    std::vector<double> value;                  ///< by piece: its area times its worth, mm2
    std::vector<std::vector<TurnedClaim>> ways; ///< by piece: its only ways up; empty when any will do
    std::vector<std::vector<int>> allowed;      ///< by piece: sheets it may go on
    /// By piece: the directions of its long straight sides in degrees, all running the same way round.
    std::vector<std::vector<double>> sides_deg;
    std::vector<double> axis_deg; ///< by piece: the way it is longest
    std::vector<Sheet> sheets;
    std::vector<int> sheet_order; ///< as they are to be filled
    float grown = 0;              ///< by how much claims are larger than pieces

    CrowdSpot spot_of(const NestPlacement& p) const;
    NestPlacement placement_of(int piece, const CrowdSpot& spot) const;
    double turn_deg(int piece, const CrowdSpot& spot) const {
        return spot.way < 0 ? spot.rotation_deg : ways[piece][spot.way].rotation_deg;
    }
    bool may_go(int piece, int sheet) const;
    /// Of the pieces that lie on a sheet, together.
    double value_of(const std::vector<CrowdSpot>& spots) const;
};

} // namespace zesty
