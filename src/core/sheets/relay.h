#pragma once
// A few neighbours are lifted and laid again, together with pieces that found no place, each where it touches
// most; what holds less than before is put back (ruin and recreate: G. Schrimpf, J. Schneider,
// H. Stamm-Wilbrandt and G. Dueck, "Record breaking optimization results using the ruin and recreate
// principle", J. Comput. Phys. 159, 2000). Lifting everything is a layout of its own.

#include "core/sheets/touching.h"

namespace zesty {

/// The distances of each sheet of a job with nothing on it.
std::vector<Clearance> empty_clearances(const CrowdJob& job);

/// One thread's layout. The job and its points must live as long.
class Relayer {
public:
    Relayer(const CrowdJob& job, const OutlinePoints& points, const std::vector<Clearance>& empty,
            const std::vector<CrowdSpot>& spots);

    double placed() const { return placed_; } ///< see CrowdJob::value_of
    const std::vector<CrowdSpot>& spots() const { return crowd_.spots(); }
    void adopt(const std::vector<CrowdSpot>& spots);

    /// Everything anew. Stays as it was when that holds less, or when told to stop before it is done.
    void afresh(const Effort& effort, std::mt19937& random, const StopToken& stop);
    /// Lifts some neighbours on some sheet and lays them again.
    void relay(std::mt19937& random, const StopToken& stop);

private:
    struct Lifted {
        CrowdSpot spot;
        Clearance::Patch patch;
    };
    struct Found {
        int piece;
        Touch at;
    };

    Lifted lift(int piece);
    void put(int piece, const CrowdSpot& spot);
    void put_back(int piece, Lifted lifted);
    std::optional<Touch> find(int piece, int sheet, const FloatBox& where, const Effort& effort,
                              std::mt19937& random);
    void fill(int sheet, const std::vector<int>& pool, const FloatBox& where, const Effort& effort,
              std::mt19937& random, const StopToken& stop);
    void look_again(std::vector<Found>& looked, int laid, int sheet, const FloatBox& where,
                    const Effort& effort, std::mt19937& random);
    std::vector<int> waiting_for(int sheet) const;
    std::vector<int> neighbours(int sheet, std::mt19937& random) const;
    void draw();

    const CrowdJob& job_;
    Crowd crowd_;
    std::vector<Clearance> clear_; ///< by sheet
    Touching touching_;
    double placed_ = 0;
    bool drawn_ = false; ///< whether the distances show what lies on the sheets
};

} // namespace zesty
