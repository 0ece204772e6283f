#include "core/sheets/refine.h"

#include "core/on_two_threads.h"
#include "core/sheets/laid.h"
#include "core/sheets/relay.h"
#include "core/sheets/squeeze.h"

#include <algorithm>

namespace zesty {

namespace {

/// For all pieces together, so that the first layout is there soon.
constexpr std::size_t nodes_at_first = 120'000;
constexpr std::size_t few = 80, many = 220; ///< pieces
constexpr int relays_in_a_round = 12;
constexpr int squeezes_in_a_round = 2;

/// Less for each piece where there are many; where there are few it pays to compare more of them, each on a
/// coarser net.
Effort quick(std::size_t pieces) {
    const Effort usual;
    const auto each = [&](std::size_t all) {
        return std::clamp<std::size_t>(all / pieces, 150, usual.nodes);
    };
    if (pieces > many) return {each(nodes_at_first), 6, 1};
    if (pieces > few) return {each(2 * nodes_at_first), usual.places, 2};
    return {each(nodes_at_first / 3), usual.places, 3};
}

/// What one thread does in turn with its layout.
class Hand {
public:
    Hand(const CrowdJob& job, const OutlinePoints& points, const std::vector<Clearance>& empty,
         const std::vector<CrowdSpot>& spots)
        : relayer_(job, points, empty, spots), squeezer_(job, spots), first_(quick(job.claims.size())) {}

    double placed() const { return relayer_.placed(); }
    const std::vector<CrowdSpot>& spots() const { return relayer_.spots(); }
    void adopt(const std::vector<CrowdSpot>& spots) { relayer_.adopt(spots); }

    void work(int round, unsigned seed, const StopToken& stop) {
        std::mt19937 random(seed);
        if (round == 0) {
            relayer_.afresh(first_, random, stop);
            return;
        }
        for (int k = 0; k < relays_in_a_round && !stopped(stop); ++k) relayer_.relay(random, stop);
        squeezer_.adopt(relayer_.spots());
        for (int k = 0; k < squeezes_in_a_round && !stopped(stop); ++k) squeezer_.squeeze(random, stop);
        if (squeezer_.placed() > relayer_.placed() + 1e-6) relayer_.adopt(squeezer_.spots());
    }

private:
    Relayer relayer_;
    Squeezer squeezer_;
    Effort first_;
};

NestResult result_of(const CrowdJob& job, const std::vector<CrowdSpot>& spots,
                     const std::vector<NestPlacement>& held) {
    NestResult out;
    out.placements = held;
    for (std::size_t i = 0; i < spots.size(); ++i) {
        const int piece = static_cast<int>(i);
        if (spots[i].sheet >= 0)
            out.placements.push_back(job.placement_of(piece, spots[i]));
        else if (std::none_of(held.begin(), held.end(),
                              [&](const NestPlacement& p) { return p.piece == piece; }))
            out.unplaced.push_back(piece);
    }
    sort_by_piece(out.placements);
    return out;
}

} // namespace

NestResult refined(const NestJob& job, const NestResult& start, int rounds, const StopToken& stop,
                   const Progress& progress) {
    const auto movable = [&](int piece) { return !job.pieces[piece].held(); };
    if (std::none_of(start.unplaced.begin(), start.unplaced.end(), movable)) return start;
    const CrowdJob crowd(job, start);
    std::vector<CrowdSpot> spots(job.pieces.size());
    std::vector<NestPlacement> held;
    for (const NestPlacement& p : start.placements)
        if (movable(p.piece))
            spots[p.piece] = crowd.spot_of(p);
        else
            held.push_back(p);
    const OutlinePoints points(crowd);
    const std::vector<Clearance> empty = empty_clearances(crowd);
    std::vector<Hand> hands;
    for (int h = 0; h < 2; ++h) hands.emplace_back(crowd, points, empty, spots);
    NestResult best = start;
    double placed = hands[0].placed();
    for (int r = 0; r < rounds && !best.unplaced.empty() && !stopped(stop); ++r) {
        if (progress) progress(static_cast<double>(r) / rounds, "laying patches closer");
        const unsigned seed = job.seed * 7919u + static_cast<unsigned>(r) * 2u;
        on_two_threads(hands.size(),
                       [&](std::size_t h) { hands[h].work(r, seed + static_cast<unsigned>(h), stop); });
        const int ahead = hands[1].placed() > hands[0].placed() ? 1 : 0;
        if (hands[ahead].placed() > placed + 1e-6) {
            NestResult found = result_of(crowd, hands[ahead].spots(), held);
            if (verify(job, found).empty()) {
                best = std::move(found);
                placed = hands[ahead].placed();
                spots = hands[ahead].spots();
            }
        }
        for (Hand& h : hands)
            if (std::abs(h.placed() - placed) > 1e-6) h.adopt(spots);
    }
    return best;
}

} // namespace zesty
