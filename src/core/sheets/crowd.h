#pragma once
// Pieces that may overlap for a while, and how they are moved until they do not.
//
// Every pair that overlaps has a weight, which grows while the overlap stays: what is in nobody's way is left
// alone, and what has been in the way for long is moved at last (guided local search; for nesting J. Egeblad,
// B. K. Nielsen and A. Odgaard, "Fast neighborhood search for two- and three-dimensional nesting problems",
// EJOR 183, 2007). A piece is moved by sampling places and turns on the sheet that is worked on, and going
// downhill from the best of them.

#include "core/sheets/crowd_job.h"

#include <optional>
#include <random>

namespace zesty {

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
