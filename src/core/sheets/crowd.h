#pragma once
// Pieces that may overlap for a while, and how they are moved until they do not.
//
// Every pair that overlaps has a weight, which grows while the overlap stays: what is in nobody's way is left
// alone, and what has been in the way for long is moved at last (guided local search; for nesting J. Egeblad,
// B. K. Nielsen and A. Odgaard, "Fast neighborhood search for two- and three-dimensional nesting problems",
// EJOR 183, 2007). A piece is moved by sampling places and turns on the sheet that is worked on, and going
// downhill from the best of them.

#include "core/sheets/claim.h"
#include "core/sheets/nest.h"

#include <optional>
#include <random>

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

/// What does not change while a job is worked on; shared by threads.
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

class Crowd {
public:
    explicit Crowd(const CrowdJob& job);

    /// Takes over places that do not overlap.
    void load(const std::vector<CrowdSpot>& spots);
    const std::vector<CrowdSpot>& spots() const { return spots_; }

    /// From now on pieces are put on this sheet; they must be allowed there.
    void keep_to(int sheet) { sheet_ = sheet; }
    /// Puts a piece where it overlaps least, wherever it was; half of the places looked at are about `freed`,
    /// where the piece `before` has been taken off (sheet -1 for nowhere).
    void put(int piece, std::mt19937& random, int samples, const CrowdSpot& freed, int before = -1);
    const TurnedClaim& lying(int piece) const { return turned_[piece]; }
    void put_at(int piece, const CrowdSpot& spot);
    bool free_at(int piece, CrowdSpot spot) const { return cost_of(piece, spot, 1e-6F) <= 0; }
    /// Moves a spot a little, until the piece would overlap nothing there; false when that does not help.
    bool settle(int piece, CrowdSpot& spot, std::mt19937& random) const;
    void take_off(int piece);
    /// How much these pieces overlap others.
    float overlap_at(const std::vector<int>& pieces) const;

    /// Moves pieces until none overlap; pieces of together less than `spare` mm2 may be taken off for that.
    /// False when it does not get better any more for `patience` rounds.
    bool separate(std::mt19937& random, int patience, double spare, const StopToken& stop);

private:
    struct Trial {
        CrowdSpot spot;
        float cost = 0;
    };
    const TurnedClaim& turned_to(int piece, const CrowdSpot& spot) const;
    /// Moves the spot onto its sheet and says what it would cost there, as far as it is below `enough`;
    /// infinity when the piece is larger than the sheet.
    float cost_of(int piece, CrowdSpot& spot, float enough) const;
    CrowdSpot anywhere(int piece, std::mt19937& random) const;
    /// A turn that lays a long side of the piece along the sheet's edge or along another piece.
    double along_something(int piece, int sheet, std::mt19937& random) const;
    /// Lying as the piece did whose place is free, or the other way round.
    CrowdSpot in_place_of(int piece, const CrowdSpot& freed, int before, std::mt19937& random) const;
    CrowdSpot nearby(int piece, const CrowdSpot& about, std::mt19937& random) const;
    Trial downhill(int piece, Trial from, std::mt19937& random, float step, float least) const;
    /// The least costly of some places sampled, better than `now`; or `now`.
    Trial search(int piece, std::mt19937& random, int far, int near, const CrowdSpot& about, Trial now,
                 int before = -1) const;
    void measure(int piece);
    float overlap_of(int piece) const;
    float weighted(int piece) const;
    void raise_weights();
    bool take_off_the_crowded(double spare);

    std::size_t pair(int a, int b) const { return static_cast<std::size_t>(a) * count_ + b; }

    const CrowdJob& job_;
    int count_;
    int sheet_ = 0; ///< the one that is worked on
    std::vector<CrowdSpot> spots_;
    std::vector<TurnedClaim> turned_; ///< by piece, as it lies
    std::vector<FloatBox> box_;       ///< of its claim on its sheet
    std::vector<std::vector<int>> on_;
    std::vector<float> overlap_; ///< by pair, as they lie
    std::vector<float> weight_;
    std::vector<float> outside_; ///< by piece: overlap with what its sheet does not offer
    std::vector<float> outside_weight_;
    mutable std::vector<TurnedClaim> trial_; ///< by piece, for pieces that may be turned freely
};

} // namespace zesty
