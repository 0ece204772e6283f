#include "core/sheets/first_layout.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/on_two_threads.h"
#include "core/sheets/laid.h"
#include "core/sheets/leftover.h"

#include <algorithm>
#include <limits>

namespace zesty {

namespace {

constexpr double hardly_over = 1e-4;     ///< mm, which rounding explains
constexpr std::size_t much_to_lay = 120; ///< pieces
constexpr std::size_t very_much_to_lay = 300;

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

} // namespace

FirstLayouts::FirstLayouts(const NestJob& job, const StopToken& stop)
    : job_(job), stop_(stop), sheet_order_(sheets_by_rank(job)) {
    cell_ = job.cell > 0 ? job.cell : cell_for(job);
    const std::size_t own = job.pieces.size();
    pieces_.resize(own + job.later.size());
    const std::size_t bases = bases_for(job);
    on_two_threads(pieces_.size(),
                   [&](std::size_t i) { pieces_[i] = prepare(asked(static_cast<int>(i)), bases); });
    for (std::size_t i = own; i < pieces_.size(); ++i) later_.push_back(static_cast<int>(i));
    std::stable_sort(later_.begin(), later_.end(),
                     [&](int a, int b) { return pieces_[a].area > pieces_[b].area; });
    for (const NestSheet& s : job.sheets) empty_.emplace_back(s.outline, cell_);
    pinned_ = lay_pinned(job);
    for (const NestPlacement& p : pinned_) block_placed(empty_[p.sheet], job.pieces[p.piece], p, job.gap);
}

FirstLayouts::PreparedPiece FirstLayouts::prepare(const NestPiece& piece, std::size_t most_bases) const {
    PreparedPiece out;
    const Region own_outlines = outlines_of(piece);
    out.area = area(own_outlines) * piece.worth;
    const Region around = with_gap(own_outlines, job_.gap);
    for (double rotation : rotations_of(piece, most_bases)) {
        const Transform turn = Transform::turned_deg(rotation);
        const Region turned = transformed(own_outlines, turn);
        const Region wide = transformed(around, turn);
        const Box own = bounds(turned);
        const Box box = bounds(wide);
        Pose pose;
        pose.rotation_deg = rotation;
        pose.size = {own.width(), own.height()};
        pose.cells = rasterize(turned, {own.x0, own.y0}, cell_);
        pose.left = static_cast<int>(std::ceil((own.x0 - box.x0) / cell_));
        pose.up = static_cast<int>(std::ceil((own.y0 - box.y0) / cell_));
        pose.blocked = rasterize(wide, {own.x0 - pose.left * cell_, own.y0 - pose.up * cell_}, cell_);
        out.poses.push_back(std::move(pose));
    }
    return out;
}

FirstLayout FirstLayouts::in_order(const std::vector<int>& order) const {
    FirstLayout out;
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
            const bool placed =
                !job_.pieces[piece].pins && !stopped(stop_) && place(piece, sheets, used, out.result);
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

double FirstLayouts::piece_length(int piece) const {
    const PieceRaster& r = pieces_[piece].poses.front().cells;
    return std::max(r.columns, r.rows) * cell_;
}

const NestPiece& FirstLayouts::asked(int piece) const {
    const std::size_t own = job_.pieces.size();
    const auto at = static_cast<std::size_t>(piece);
    return at < own ? job_.pieces[at] : job_.later[at - own];
}

/// Lays later pieces beside the others.
void FirstLayouts::keep_room(std::vector<SheetRaster>& sheets, FirstLayout& out) const {
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
std::pair<int, int> FirstLayouts::columns_for(int piece, const Pose& pose, const SheetRaster& sheet,
                                              int y) const {
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

bool FirstLayouts::place(int piece, std::vector<SheetRaster>& sheets, std::vector<double>& used,
                         NestResult& result) const {
    for (int s : sheet_order_) {
        const auto& allowed = asked(piece).sheets;
        if (!allowed.empty() && std::find(allowed.begin(), allowed.end(), s) == allowed.end()) continue;
        if (place_on(piece, s, sheets[s], used[s], result) ||
            place_flush(piece, s, sheets[s], used[s], result))
            return true;
    }
    return false;
}

/// As high up as any pose gets, then as far left.
bool FirstLayouts::place_on(int piece, int s, SheetRaster& sheet, double& used, NestResult& result) const {
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

/// A piece as wide or as high as its sheet, which in cells is always a hair too large: from edge to edge,
/// at an end of the sheet or beside what lies there.
bool FirstLayouts::place_flush(int piece, int s, SheetRaster& sheet, double& used, NestResult& result) const {
    if (static_cast<std::size_t>(piece) >= job_.pieces.size() || job_.pieces[piece].held()) return false;
    const Polygon& outline = job_.sheets[s].outline;
    const Box box = bounds(outline);
    const auto spans = [&](double size, double room) {
        return size > room - 2 * cell_ && size < room + hardly_over;
    };
    std::vector<Laid> lying;
    for (const Pose& pose : pieces_[piece].poses) {
        const bool across = spans(pose.size.x, box.width());
        const bool down = spans(pose.size.y, box.height());
        if ((!across && !down) || pose.size.x > box.width() + hardly_over ||
            pose.size.y > box.height() + hardly_over)
            continue;
        if (lying.empty())
            for (const NestPlacement& p : result.placements)
                if (p.sheet == s) lying.emplace_back(job_.pieces[p.piece], p);
        std::vector<Point> corners{
            {box.x0, box.y0}, {across ? box.x0 : box.x1 - pose.size.x, down ? box.y0 : box.y1 - pose.size.y}};
        for (const Laid& other : lying) {
            const Box& b = other.box();
            corners.push_back(across ? Point{box.x0, b.y1 + job_.gap} : Point{b.x1 + job_.gap, box.y0});
            corners.push_back(across ? Point{box.x0, b.y0 - job_.gap - pose.size.y}
                                     : Point{b.x0 - job_.gap - pose.size.x, box.y0});
        }
        for (const Point corner : corners) {
            const NestPlacement at{piece, s, std::fmod(pose.rotation_deg, 360.0), corner - pose.cells.origin};
            const Laid laid(job_.pieces[piece], at);
            if (!laid.inside(outline) || std::any_of(lying.begin(), lying.end(), [&](const Laid& other) {
                    return laid.too_close(other, job_.gap);
                }))
                continue;
            block_placed(sheet, job_.pieces[piece], at, job_.gap);
            result.placements.push_back(at);
            used = std::max(used, corner.y + pose.size.y - box.y0);
            return true;
        }
    }
    return false;
}

} // namespace zesty
