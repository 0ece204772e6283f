#include "core/sheets/clearance.h"

#include "core/sheets/wide.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

/// One edge of a ring seen from one row of nodes.
struct EdgeFromRow {
    float ax, dx, dy; ///< where it starts in the row's direction, and where it leads
    float below;      ///< the row's y less the start's
    float per_length; ///< one by its length squared
    float crossing;   ///< where the row crosses it; far to the left when it does not
};

/// Squared distances and sides of one more edge, for nodes from `first` in steps of `cell`.
ZESTY_WIDE void nearer_of_edge(const EdgeFromRow& e, float first, float cell, int n, float* squared,
                               int* inside) {
    const float across = e.below * e.dy;
    for (int i = 0; i < n; ++i) {
        const float px = first + static_cast<float>(i) * cell;
        const float t = std::min(1.F, std::max(0.F, ((px - e.ax) * e.dx + across) * e.per_length));
        const float ex = px - e.ax - t * e.dx, ey = e.below - t * e.dy;
        squared[i] = std::min(squared[i], ex * ex + ey * ey);
        inside[i] ^= px < e.crossing ? 1 : 0;
    }
}

} // namespace

Clearance::Clearance(const FloatBox& sheet, const std::vector<TurnedClaim>& obstacles, float grown,
                     float cell, float reach)
    : x0_(sheet.x0 - 2 * reach), y0_(sheet.y0 - 2 * reach), cell_(cell), per_cell_(1 / cell), reach_(reach),
      columns_(static_cast<int>((sheet.x1 - sheet.x0 + 4 * reach) / cell) + 2),
      rows_(static_cast<int>((sheet.y1 - sheet.y0 + 4 * reach) / cell) + 2) {
    for (int k = 0; k < rows_; ++k)
        for (int i = 0; i < columns_; ++i) {
            const float x = x_of(i), y = y_of(k);
            const float in =
                std::min(std::min(x - sheet.x0, sheet.x1 - x), std::min(y - sheet.y0, sheet.y1 - y));
            empty_.push_back(std::clamp(in + grown, -reach, reach));
        }
    for (const TurnedClaim& o : obstacles) {
        const Patch patch = patch_of(o.claim, 0, 0, -grown);
        if (!patch.far.empty()) lower(empty_, patch, patch);
    }
    field_ = empty_;
    blocks_across_ = columns_ / block + 1;
    most_.resize(static_cast<std::size_t>(blocks_across_) * (rows_ / block + 1));
    note_most(0, 0, columns_, rows_);
}

/// Looks at the blocks again that have nodes there.
void Clearance::note_most(int column, int row, int columns, int rows) {
    for (int r = row / block; r <= (row + rows - 1) / block; ++r)
        for (int c = column / block; c <= (column + columns - 1) / block; ++c) {
            float most = -reach_;
            for (int y = r * block; y < std::min((r + 1) * block, rows_); ++y)
                for (int x = c * block; x < std::min((c + 1) * block, columns_); ++x)
                    most = std::max(most, *node(x, y));
            most_[static_cast<std::size_t>(r) * blocks_across_ + c] = most;
        }
}

int Clearance::column_at(float x) const {
    return std::clamp(static_cast<int>((x - x0_) * per_cell_), 0, columns_ - 1);
}

int Clearance::row_at(float y) const {
    return std::clamp(static_cast<int>((y - y0_) * per_cell_), 0, rows_ - 1);
}

Clearance::Patch Clearance::patch_of(const FloatRing& ring, float x, float y, float nearer) const {
    Patch out;
    out.column = column_at(ring.box.x0 + x - reach_);
    out.row = row_at(ring.box.y0 + y - reach_);
    out.columns = column_at(ring.box.x1 + x + reach_) + 1 - out.column;
    out.rows = row_at(ring.box.y1 + y + reach_) + 1 - out.row;
    out.far.resize(static_cast<std::size_t>(out.columns) * out.rows);
    for (int k = 0; k < out.rows; ++k) row_of_patch(ring, x, y, nearer, out, k);
    return out;
}

void Clearance::row_of_patch(const FloatRing& ring, float x, float y, float nearer, Patch& patch,
                             int row) const {
    const int n = patch.columns;
    std::vector<float> squared(n, 4 * reach_ * reach_);
    std::vector<int> inside(n, 0);
    const float py = y_of(patch.row + row) - y;
    for (std::size_t e = 0; e + 1 < ring.x.size(); ++e) {
        const float ax = ring.x[e], ay = ring.y[e], dx = ring.x[e + 1] - ax, dy = ring.y[e + 1] - ay;
        if (py < std::min(ay, ay + dy) - reach_ || py > std::max(ay, ay + dy) + reach_) continue;
        const float squared_length = dx * dx + dy * dy;
        const bool crosses = (ay > py) != (ay + dy > py);
        nearer_of_edge({ax, dx, dy, py - ay, squared_length > 0 ? 1 / squared_length : 0,
                        crosses ? ax + (py - ay) * dx / dy : -1e12F},
                       x_of(patch.column) - x, cell_, n, squared.data(), inside.data());
    }
    float* far = &patch.far[static_cast<std::size_t>(row) * n];
    for (int i = 0; i < n; ++i) {
        const float d = std::sqrt(squared[i]);
        far[i] = std::clamp((inside[i] ? -d : d) - nearer, -reach_, reach_);
    }
}

/// Takes over what is nearer, where both patches are.
void Clearance::lower(std::vector<float>& field, const Patch& patch, const Patch& within) const {
    const int c0 = std::max(patch.column, within.column);
    const int c1 = std::min(patch.column + patch.columns, within.column + within.columns);
    const int r0 = std::max(patch.row, within.row);
    const int r1 = std::min(patch.row + patch.rows, within.row + within.rows);
    if (c0 >= c1) return;
    for (int r = r0; r < r1; ++r) {
        const float* from =
            &patch.far[static_cast<std::size_t>(r - patch.row) * patch.columns + (c0 - patch.column)];
        float* to = &field[static_cast<std::size_t>(r) * columns_ + c0];
        for (int c = 0; c < c1 - c0; ++c) to[c] = std::min(to[c], from[c]);
    }
}

void Clearance::add(int piece, const TurnedClaim& claim, float x, float y) {
    Patch patch = patch_of(claim.claim, x, y, 0);
    patch.piece = piece;
    add(std::move(patch));
}

void Clearance::add(Patch patch) {
    lower(field_, patch, patch);
    note_most(patch.column, patch.row, patch.columns, patch.rows);
    patches_.push_back(std::move(patch));
}

Clearance::Patch Clearance::remove(int piece) {
    const auto found =
        std::find_if(patches_.begin(), patches_.end(), [&](const Patch& p) { return p.piece == piece; });
    if (found == patches_.end()) return {};
    Patch gone = std::move(*found);
    patches_.erase(found);
    for (int r = gone.row; r < gone.row + gone.rows; ++r) {
        const std::ptrdiff_t from = static_cast<std::ptrdiff_t>(r) * columns_ + gone.column;
        std::copy_n(empty_.begin() + from, gone.columns, field_.begin() + from);
    }
    for (const Patch& p : patches_) lower(field_, p, gone);
    note_most(gone.column, gone.row, gone.columns, gone.rows);
    return gone;
}

void Clearance::clear() {
    patches_.clear();
    field_ = empty_;
    note_most(0, 0, columns_, rows_);
}

} // namespace zesty
