#pragma once
// Pieces that found no place are put where they overlap least, others taken off for them, and the crowd is
// separated; what does not come apart is put back as it was.

#include "core/sheets/crowd.h"

namespace zesty {

/// One thread's layout, and how much it dares. The job must live as long.
class Squeezer {
public:
    Squeezer(const CrowdJob& job, std::vector<CrowdSpot> spots);

    double placed() const { return job_.value_of(best_); }
    const std::vector<CrowdSpot>& spots() const { return best_; }
    void adopt(const std::vector<CrowdSpot>& spots);
    void squeeze(std::mt19937& random, const StopToken& stop);

private:
    struct Idea;
    std::optional<Idea> best_idea(std::mt19937& random, int sheet);
    std::optional<Idea> think(std::mt19937& random, int sheet) const;
    Idea guess(std::mt19937& random, const std::vector<int>& in, const std::vector<int>& out) const;
    int beside(int piece, const std::vector<int>& in, std::mt19937& random) const;

    const CrowdJob& job_;
    Crowd crowd_;
    std::vector<CrowdSpot> best_;
    std::vector<double> reach_; ///< by sheet: about how much a try is to gain, mm2
};

} // namespace zesty
