#include "core/sheets/nest.h"

#include "core/geometry/measure.h"
#include "core/on_two_threads.h"
#include "core/sheets/fewer_sheets.h"
#include "core/sheets/first_layout.h"
#include "core/sheets/laid.h"
#include "core/sheets/refine.h"
#include "core/sheets/room.h"

#include <algorithm>
#include <cassert>
#include <numeric>
#include <random>

namespace zesty {

namespace {

constexpr int rounds_to_close = 40; ///< spent on a sheet that might be saved
constexpr int most_refined = 1500;  ///< pieces; pairs of them are kept in memory

/// What did not fit goes first next time; a few others change places.
std::vector<int> next_order(std::vector<int> order, const std::vector<int>& unplaced, std::mt19937& random) {
    if (!unplaced.empty()) {
        std::stable_partition(order.begin(), order.end(),
                              [&](int p) { return std::binary_search(unplaced.begin(), unplaced.end(), p); });
    }
    const std::size_t n = order.size();
    for (std::size_t k = 0; k < 1 + n / 8; ++k) {
        const std::size_t i = random() % n;
        const std::size_t j = std::min(n - 1, i + 1 + random() % 4);
        std::swap(order[i], order[j]);
    }
    return order;
}

NestResult nested(const NestJob& job, const StopToken& stop, const Progress& progress) {
    const int n = static_cast<int>(job.pieces.size());
    NestResult none;
    for (int i = 0; i < n; ++i) none.unplaced.push_back(i);
    assert(std::all_of(job.pieces.begin(), job.pieces.end(), [](const NestPiece& p) {
        return p.any_rotation || !p.rotations_deg.empty() || p.held();
    }));
    if (n == 0 || job.sheets.empty()) return none;

    const FirstLayouts first(job, stop);
    std::vector<int> by_area(n);
    std::iota(by_area.begin(), by_area.end(), 0);
    std::vector<int> by_length = by_area;
    std::stable_sort(by_area.begin(), by_area.end(),
                     [&](int a, int b) { return first.piece_area(a) > first.piece_area(b); });
    std::stable_sort(by_length.begin(), by_length.end(),
                     [&](int a, int b) { return first.piece_length(a) > first.piece_length(b); });

    // Two orders at a time; what the first pair finds does not depend on how long it takes.
    std::vector<int> best_order = by_area;
    std::mt19937 random(job.seed);
    FirstLayout best;
    for (int k = 0; k < job.attempts && (k == 0 || !stopped(stop)); k += 2) {
        if (progress) progress(static_cast<double>(k) / job.attempts, "laying patches on sheets");
        std::vector<std::vector<int>> orders;
        if (k == 0) orders = {by_area, by_length};
        while (orders.size() < 2) orders.push_back(next_order(best_order, best.result.unplaced, random));
        if (k + 1 == job.attempts) orders.pop_back();
        std::vector<FirstLayout> made(orders.size());
        on_two_threads(orders.size(), [&](std::size_t i) { made[i] = first.in_order(orders[i]); });
        for (std::size_t i = 0; i < made.size(); ++i)
            if ((k == 0 && i == 0) || made[i].better_than(best)) {
                best = std::move(made[i]);
                best_order = orders[i];
            }
    }
    if (job.refinements <= 0 || n > most_refined || stopped(stop)) return best.result;
    const int rounds = std::min(job.refinements, rounds_to_close);
    const bool left_out = !best.result.unplaced.empty();
    NestResult result = refined(job, best.result, job.refinements, stop, progress);
    const std::size_t sheets = sheets_in_use(result).size();
    result = with_fewer_sheets(job, std::move(result), rounds, stop);
    const bool dense = left_out || sheets_in_use(result).size() < sheets;
    return with_room(job, std::move(result), rounds, dense, stop);
}

/// Whether a sheet could be large enough at all. What is not needs no raster, which of a very large piece
/// would fill the memory.
std::vector<int> that_may_fit(const std::vector<NestPiece>& pieces, const std::vector<NestSheet>& sheets) {
    double most_area = 0, longest = 0;
    for (const NestSheet& s : sheets) {
        most_area = std::max(most_area, area(s.outline));
        longest = std::max(longest, bounds(s.outline).diagonal());
    }
    std::vector<int> out;
    for (std::size_t i = 0; i < pieces.size(); ++i) {
        const Box box = bounds(pieces[i].outline);
        if (area(pieces[i].outline) <= most_area + 1 && std::max(box.width(), box.height()) <= longest + 1)
            out.push_back(static_cast<int>(i));
    }
    return out;
}

std::vector<NestPiece> only(const std::vector<NestPiece>& pieces, const std::vector<int>& which) {
    std::vector<NestPiece> out;
    for (const int i : which) out.push_back(pieces[static_cast<std::size_t>(i)]);
    return out;
}

} // namespace

NestResult nest(const NestJob& job, const StopToken& stop, const Progress& progress) {
    const std::vector<int> may = that_may_fit(job.pieces, job.sheets);
    const std::vector<int> later = that_may_fit(job.later, job.sheets);
    if (may.size() == job.pieces.size() && later.size() == job.later.size())
        return nested(job, stop, progress);
    NestJob fewer = job;
    fewer.pieces = only(job.pieces, may);
    fewer.later = only(job.later, later);
    NestResult out = nested(fewer, stop, progress);
    std::vector<char> placed(job.pieces.size(), 0);
    for (NestPlacement& p : out.placements) {
        p.piece = may[static_cast<std::size_t>(p.piece)];
        placed[static_cast<std::size_t>(p.piece)] = 1;
    }
    for (NestPlacement& p : out.room) p.piece = later[static_cast<std::size_t>(p.piece)];
    out.unplaced.clear();
    for (std::size_t i = 0; i < placed.size(); ++i)
        if (!placed[i]) out.unplaced.push_back(static_cast<int>(i));
    return out;
}

std::string verify(const NestJob& job, const NestResult& result) {
    const auto name = [](int i) { return "piece " + std::to_string(i + 1); };
    std::vector<std::vector<Laid>> on(job.sheets.size());
    std::vector<int> seen(job.pieces.size(), 0);
    for (int u : result.unplaced) ++seen[u];
    for (const NestPlacement& p : result.placements) {
        ++seen[p.piece];
        const NestPiece& piece = job.pieces[p.piece];
        if (!allowed(piece, p)) return name(p.piece) + " lies where or as it must not";
        Laid laid(piece, p);
        if (!laid.inside(job.sheets[p.sheet].outline)) return name(p.piece) + " leaves its sheet";
        for (const Laid& other : on[p.sheet])
            if (laid.too_close(other, job.gap))
                return name(p.piece) + " comes too close to " + name(other.piece());
        on[p.sheet].push_back(std::move(laid));
    }
    for (const NestPlacement& p : result.room) {
        const NestPiece& piece = job.later[p.piece];
        if (!allowed(piece, p)) return "a later piece lies where or as it must not";
        Laid laid(piece, p);
        if (!laid.inside(job.sheets[p.sheet].outline)) return "a later piece leaves its sheet";
        for (const Laid& other : on[p.sheet])
            if (laid.too_close(other, job.gap)) return "a later piece comes too close to another";
        on[p.sheet].push_back(std::move(laid));
    }
    for (std::size_t i = 0; i < seen.size(); ++i)
        if (seen[i] != 1) return name(static_cast<int>(i)) + " is not accounted for exactly once";
    return {};
}

} // namespace zesty
