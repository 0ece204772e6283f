#include "core/sheets/nest.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/on_two_threads.h"
#include "core/sheets/bit_raster.h"
#include "core/sheets/fewer_sheets.h"
#include "core/sheets/laid.h"
#include "core/sheets/leftover.h"
#include "core/sheets/refine.h"
#include "core/sheets/room.h"

#include <algorithm>
#include <cassert>
#include <numeric>
#include <random>

namespace zesty {

namespace {

constexpr int rounds_to_close = 40;      ///< spent on a sheet that might be saved
constexpr std::size_t much_to_lay = 120; ///< pieces
constexpr std::size_t very_much_to_lay = 300;
constexpr int most_refined = 1500; ///< pieces; pairs of them are kept in memory

/// One way up of a piece.
struct Pose {
    double rotation_deg;
    PieceRaster cells;
    PieceRaster blocked; ///< of the piece grown by the gap: what it takes from others
    int left = 0;        ///< by how many cells `blocked` begins before `cells`
    int up = 0;
};

struct PreparedPiece {
    double area = 0; ///< times its worth
    std::vector<Pose> poses;
};

/// Directions that lay a long side along the edge of a sheet, then the quarter turns.
std::vector<double> rotations_of(const NestPiece& piece, std::size_t most_bases) {
    if (!piece.any_rotation) return piece.rotations_deg;
    struct Side {
        double length;
        double angle;
    };
    std::vector<Side> sides;
    const Ring& r = piece.outline.outer;
    for (std::size_t i = 0; i < r.size(); ++i) {
        const Point d = r[(i + 1) % r.size()] - r[i];
        sides.push_back({length(d), std::atan2(d.y, d.x) * 180 / M_PI});
    }
    std::sort(sides.begin(), sides.end(), [](Side a, Side b) { return a.length > b.length; });
    std::vector<double> bases{0};
    for (const Side& s : sides) {
        if (bases.size() >= most_bases || s.length < sides[0].length / 3) break;
        const double base = std::fmod(-s.angle + 720, 90.0);
        const bool fresh = std::all_of(bases.begin(), bases.end(), [&](double b) {
            const double off = std::fmod(std::abs(base - b), 90.0);
            return std::min(off, 90 - off) > 3;
        });
        if (fresh) bases.push_back(base);
    }
    std::vector<double> out;
    for (double b : bases)
        for (double q : {0.0, 90.0, 180.0, 270.0}) out.push_back(b + q);
    return out;
}

PreparedPiece prepare(const NestPiece& piece, double gap, double cell, std::size_t most_bases) {
    PreparedPiece out;
    const Region own_outlines = outlines_of(piece);
    out.area = area(own_outlines) * piece.worth;
    const Region around = with_gap(own_outlines, gap);
    for (double rotation : rotations_of(piece, most_bases)) {
        const Transform turn = Transform::turned_deg(rotation);
        const Region turned = transformed(own_outlines, turn);
        const Region wide = transformed(around, turn);
        const Box own = bounds(turned);
        const Box box = bounds(wide);
        Pose pose;
        pose.rotation_deg = rotation;
        pose.cells = rasterize(turned, {own.x0, own.y0}, cell);
        pose.left = static_cast<int>(std::ceil((own.x0 - box.x0) / cell));
        pose.up = static_cast<int>(std::ceil((own.y0 - box.y0) / cell));
        pose.blocked = rasterize(wide, {own.x0 - pose.left * cell, own.y0 - pose.up * cell}, cell);
        out.poses.push_back(std::move(pose));
    }
    return out;
}

double cell_for(const NestJob& job) {
    double total = 0;
    for (const NestSheet& s : job.sheets) total += area(s.outline);
    // Where there is much to lay and it is laid closer afterwards anyway, a first answer is to be there soon.
    if (job.refinements > 0 && job.pieces.size() > much_to_lay)
        return std::clamp(std::sqrt(total / 50'000), 0.7, 1.5);
    return std::clamp(std::sqrt(total / 150'000), 0.4, 1.0);
}

/// How many directions pieces are laid along, by quarter turns each.
std::size_t bases_for(const NestJob& job) {
    if (job.refinements <= 0 || job.pieces.size() <= much_to_lay) return 3;
    return job.pieces.size() <= very_much_to_lay ? 2 : 1;
}

class Engine {
public:
    Engine(const NestJob& job, const StopToken& stop)
        : job_(job), stop_(stop), sheet_order_(sheets_by_rank(job)) {
        cell_ = job.cell > 0 ? job.cell : cell_for(job);
        const std::size_t own = job.pieces.size();
        pieces_.resize(own + job.later.size());
        const std::size_t bases = bases_for(job);
        on_two_threads(pieces_.size(), [&](std::size_t i) {
            pieces_[i] = prepare(asked(static_cast<int>(i)), job.gap, cell_, bases);
        });
        for (std::size_t i = own; i < pieces_.size(); ++i) later_.push_back(static_cast<int>(i));
        std::stable_sort(later_.begin(), later_.end(),
                         [&](int a, int b) { return pieces_[a].area > pieces_[b].area; });
        for (const NestSheet& s : job.sheets) empty_.emplace_back(s.outline, cell_);
        pinned_ = lay_pinned(job);
        for (const NestPlacement& p : pinned_) block_placed(empty_[p.sheet], job.pieces[p.piece], p, job.gap);
    }

    struct Attempt {
        NestResult result;
        double placed_area = 0;
        double opened = 0; ///< ranks of the sheets used, weighed
        double room = 0;   ///< for later pieces, mm2 of them
        double whole = 0;  ///< the largest rectangle left on each of them, together, mm2
        double height = 0; ///< of what is used on them
        bool better_than(const Attempt& o) const {
            if (std::abs(placed_area - o.placed_area) > 1e-6) return placed_area > o.placed_area;
            if (opened != o.opened) return opened < o.opened;
            if (std::abs(room - o.room) > 1e-6) return room > o.room;
            if (whole != o.whole) return whole > o.whole;
            return height < o.height - 1e-9;
        }
    };

    Attempt attempt(const std::vector<int>& order) const {
        Attempt out;
        std::vector<SheetRaster> sheets = empty_;
        std::vector<double> used(sheets.size(), 0);
        out.result.placements = pinned_;
        std::vector<char> done(job_.pieces.size(), 0);
        for (const NestPlacement& p : pinned_) {
            done[p.piece] = 1;
            out.placed_area += pieces_[p.piece].area;
            used[p.sheet] = std::max(used[p.sheet], bounds(job_.sheets[p.sheet].outline).height() * 1e-3);
        }
        for (const bool held : {true, false})
            for (int piece : order) {
                if (done[piece] || job_.pieces[piece].held() != held) continue;
                const bool placed = job_.pieces[piece].pins.empty() && !stopped(stop_) &&
                                    place(piece, sheets, used, out.result);
                if (placed)
                    out.placed_area += pieces_[piece].area;
                else
                    out.result.unplaced.push_back(piece);
            }
        for (std::size_t s = 0; s < used.size(); ++s) {
            if (used[s] <= 0) continue;
            out.opened += 1 + 10.0 * job_.sheets[s].rank;
            if (out.result.unplaced.empty()) out.whole += largest_free(sheets[s]).cells() * cell_ * cell_;
            out.height += used[s];
        }
        if (out.result.unplaced.empty()) keep_room(sheets, out);
        std::sort(out.result.unplaced.begin(), out.result.unplaced.end());
        sort_by_piece(out.result.placements);
        return out;
    }

    double piece_area(int piece) const { return pieces_[piece].area; }
    double piece_length(int piece) const {
        const PieceRaster& r = pieces_[piece].poses.front().cells;
        return std::max(r.columns, r.rows) * cell_;
    }

private:
    const NestPiece& asked(int piece) const {
        const std::size_t own = job_.pieces.size();
        const auto at = static_cast<std::size_t>(piece);
        return at < own ? job_.pieces[at] : job_.later[at - own];
    }

    /// Lays later pieces beside the others.
    void keep_room(std::vector<SheetRaster>& sheets, Attempt& out) const {
        std::vector<double> used(sheets.size(), 0);
        NestResult beside;
        for (int piece : later_)
            if (!stopped(stop_) && place(piece, sheets, used, beside)) out.room += pieces_[piece].area;
        const int own = static_cast<int>(job_.pieces.size());
        for (NestPlacement& p : beside.placements) p.piece -= own;
        out.result.room = std::move(beside.placements);
        sort_by_piece(out.result.room);
    }

    /// Columns in which the pose keeps to the piece's band when it lies in row y.
    std::pair<int, int> columns_for(int piece, const Pose& pose, const SheetRaster& sheet, int y) const {
        std::pair<int, int> all{0, std::numeric_limits<int>::max()};
        const auto& band = asked(piece).band;
        if (!band) return all;
        const Point at = Transform::turned_deg(pose.rotation_deg)(band->of_piece);
        const Point first{sheet.origin().x - pose.cells.origin.x + at.x,
                          sheet.origin().y + y * cell_ - pose.cells.origin.y + at.y};
        const double from = band->from - dot(band->along, first);
        const double to = band->to - dot(band->along, first);
        const double step = band->along.x * cell_;
        if (std::abs(step) < 1e-9) return from <= 0 && to >= 0 ? all : std::pair{0, -1};
        const double low = std::ceil(std::min(from / step, to / step) - 1e-9);
        const double high = std::floor(std::max(from / step, to / step) + 1e-9);
        if (high < 0 || high < low) return {0, -1};
        return {static_cast<int>(std::clamp(low, 0.0, 1e6)), static_cast<int>(std::min(high, 1e6))};
    }

    bool place(int piece, std::vector<SheetRaster>& sheets, std::vector<double>& used,
               NestResult& result) const {
        for (int s : sheet_order_) {
            const auto& allowed = asked(piece).sheets;
            if (!allowed.empty() && std::find(allowed.begin(), allowed.end(), s) == allowed.end()) continue;
            if (place_on(piece, s, sheets[s], used[s], result)) return true;
        }
        return false;
    }

    /// As high up as any pose gets, then as far left.
    bool place_on(int piece, int s, SheetRaster& sheet, double& used, NestResult& result) const {
        const Pose* best = nullptr;
        int best_x = 0;
        int best_y = 0;
        int best_bottom = std::numeric_limits<int>::max();
        for (const Pose& pose : pieces_[piece].poses) {
            const int rows = pose.cells.rows;
            for (int y = 0; y + rows <= sheet.rows() && y + rows <= best_bottom; ++y) {
                const auto [least, most] = columns_for(piece, pose, sheet, y);
                const int x = least > most ? -1 : sheet.first_fit(pose.cells, y, least);
                if (x < 0 || x > most) continue;
                if (y + rows < best_bottom || x + pose.cells.columns < best_x + best->cells.columns) {
                    best = &pose;
                    best_x = x;
                    best_y = y;
                    best_bottom = y + rows;
                }
                break;
            }
        }
        if (!best) return false;
        sheet.block(best->blocked, best_x - best->left, best_y - best->up);
        const Point at{sheet.origin().x + best_x * cell_ - best->cells.origin.x,
                       sheet.origin().y + best_y * cell_ - best->cells.origin.y};
        result.placements.push_back({piece, s, std::fmod(best->rotation_deg, 360.0), at});
        used = std::max(used, best_bottom * cell_);
        return true;
    }

    const NestJob& job_;
    const StopToken& stop_;
    double cell_;
    std::vector<PreparedPiece> pieces_; ///< those of the job, then later ones
    std::vector<int> later_;            ///< into pieces_, large ones first
    std::vector<SheetRaster> empty_;    ///< but for the pinned pieces
    std::vector<NestPlacement> pinned_;
    std::vector<int> sheet_order_;
};

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

} // namespace

NestResult nest(const NestJob& job, const StopToken& stop, const Progress& progress) {
    const int n = static_cast<int>(job.pieces.size());
    NestResult none;
    for (int i = 0; i < n; ++i) none.unplaced.push_back(i);
    if (n == 0 || job.sheets.empty()) return none;

    const Engine engine(job, stop);
    std::vector<int> by_area(n);
    std::iota(by_area.begin(), by_area.end(), 0);
    std::vector<int> by_length = by_area;
    std::stable_sort(by_area.begin(), by_area.end(),
                     [&](int a, int b) { return engine.piece_area(a) > engine.piece_area(b); });
    std::stable_sort(by_length.begin(), by_length.end(),
                     [&](int a, int b) { return engine.piece_length(a) > engine.piece_length(b); });

    // Two orders at a time; what the first pair finds does not depend on how long it takes.
    std::vector<int> best_order = by_area;
    std::mt19937 random(job.seed);
    Engine::Attempt best;
    for (int k = 0; k < job.attempts && (k == 0 || !stopped(stop)); k += 2) {
        if (progress) progress(static_cast<double>(k) / job.attempts, "laying patches on sheets");
        std::vector<std::vector<int>> orders;
        if (k == 0) orders = {by_area, by_length};
        while (orders.size() < 2) orders.push_back(next_order(best_order, best.result.unplaced, random));
        if (k + 1 == job.attempts) orders.pop_back();
        std::vector<Engine::Attempt> made(orders.size());
        on_two_threads(orders.size(), [&](std::size_t i) { made[i] = engine.attempt(orders[i]); });
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
