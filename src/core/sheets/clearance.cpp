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
};

constexpr int wide = Clearance::wide; ///< nodes at once

/// Squared distances of the nodes from one up to another, in whole groups, to one more edge; node 0 is at
/// `first`, each next one `cell` farther.
ZESTY_WIDE void nearer_of_edge(const EdgeFromRow e, float first, float cell, int from, int to,
                               float* squared) {
    const float across = e.below * e.dy;
    for (int node = from / wide * wide; node < to; node += wide) {
        float px[wide], t[wide];
        for (int i = 0; i < wide; ++i) px[i] = first + static_cast<float>(node + i) * cell - e.ax;
        for (int i = 0; i < wide; ++i) t[i] = greater(0, (px[i] * e.dx + across) * e.per_length);
        for (int i = 0; i < wide; ++i) t[i] = lesser(1, t[i]);
        for (int i = 0; i < wide; ++i) {
            const float ex = px[i] - t[i] * e.dx, ey = e.below - t[i] * e.dy;
            squared[node + i] = lesser(squared[node + i], ex * ex + ey * ey);
        }
    }
}

/// Columns and rows of nodes, and what is beyond them.
struct Grid {
    const float* field;
    int columns, rows;
    float beyond;
};

/// Between the nodes, linearly; gx and gy count nodes.
ZESTY_WIDE void between_nodes(const Grid grid, const float* gx, const float* gy, float* out) {
    const auto right = static_cast<float>(grid.columns - 1), bottom = static_cast<float>(grid.rows - 1);
    int node[wide], within[wide];
    float u[wide], v[wide];
    for (int i = 0; i < wide; ++i) {
        within[i] = (gx[i] >= 0) & (gy[i] >= 0) & (gx[i] < right) & (gy[i] < bottom);
        const float x = lesser(greater(0, gx[i]), right - 1), y = lesser(greater(0, gy[i]), bottom - 1);
        const int column = static_cast<int>(x), row = static_cast<int>(y);
        u[i] = x - static_cast<float>(column);
        v[i] = y - static_cast<float>(row);
        node[i] = row * grid.columns + column;
    }
    float above[wide], above_right[wide], below[wide], below_right[wide];
    for (int i = 0; i < wide; ++i) {
        const float* p = grid.field + node[i];
        above[i] = p[0];
        above_right[i] = p[1];
        below[i] = p[grid.columns];
        below_right[i] = p[grid.columns + 1];
    }
    for (int i = 0; i < wide; ++i) {
        const float up = above[i] + u[i] * (above_right[i] - above[i]);
        const float at = up + v[i] * (below[i] + u[i] * (below_right[i] - below[i]) - up);
        out[i] = within[i] != 0 ? at : grid.beyond;
    }
}

/// The most of a block of nodes, or `least` where none has more; `next_row` is how far apart its rows are.
ZESTY_WIDE float most_of_block(const float* nodes, int next_row, int columns, int rows, float least) {
    float most[Clearance::block];
    std::fill_n(most, Clearance::block, least);
    for (int y = 0; y < rows; ++y, nodes += next_row)
        if (columns == Clearance::block)
            for (int x = 0; x < Clearance::block; ++x) most[x] = greater(most[x], nodes[x]);
        else
            for (int x = 0; x < columns; ++x) most[x] = greater(most[x], nodes[x]);
    return *std::max_element(most, most + Clearance::block);
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
            const int down = std::min(block, rows_ - r * block),
                      right = std::min(block, columns_ - c * block);
            most_[static_cast<std::size_t>(r) * blocks_across_ + c] =
                most_of_block(node(c * block, r * block), columns_, right, down, -reach_);
        }
}

void Clearance::at_all(float x, float y, const float* xs, const float* ys, float* out) const {
    float gx[wide], gy[wide];
    for (int i = 0; i < wide; ++i) {
        gx[i] = (x + xs[i] - x0_) * per_cell_;
        gy[i] = (y + ys[i] - y0_) * per_cell_;
    }
    between_nodes({field_.data(), columns_, rows_, -reach_}, gx, gy, out);
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
    RowOfPatch seen;
    for (int k = 0; k < out.rows; ++k) {
        see_row(ring, x_of(out.column) - x, y_of(out.row + k) - y, reach_ + std::abs(nearer), out.columns,
                seen);
        float* far = &out.far[static_cast<std::size_t>(k) * out.columns];
        char inside = 0;
        for (int i = 0; i < out.columns; ++i) {
            inside ^= seen.crossed[i];
            const float d = std::sqrt(seen.squared[i]);
            far[i] = std::clamp((inside != 0 ? -d : d) - nearer, -reach_, reach_);
        }
    }
    return out;
}

/// For so many nodes from (first, py) on, in the ring's coordinates. What is farther from an edge than
/// `noted` is not measured.
void Clearance::see_row(const FloatRing& ring, float first, float py, float noted, int n,
                        RowOfPatch& seen) const {
    seen.squared.assign((n + wide - 1) / wide * wide, 4 * reach_ * reach_);
    seen.crossed.assign(n + 1, 0);
    // The first node that is not before a coordinate.
    const auto node_at = [&](float px) {
        return static_cast<int>(std::clamp((px - first) * per_cell_ + 1, 0.F, static_cast<float>(n)));
    };
    for (std::size_t e = 0; e + 1 < ring.x.size(); ++e) {
        const float ax = ring.x[e], ay = ring.y[e], dx = ring.x[e + 1] - ax, dy = ring.y[e + 1] - ay;
        if (py < std::min(ay, ay + dy) - noted || py > std::max(ay, ay + dy) + noted) continue;
        const float squared_length = dx * dx + dy * dy;
        if ((ay > py) != (ay + dy > py)) seen.crossed[node_at(ax + (py - ay) * dx / dy)] ^= 1;
        nearer_of_edge({ax, dx, dy, py - ay, squared_length > 0 ? 1 / squared_length : 0}, first, cell_,
                       std::max(0, node_at(std::min(ax, ax + dx) - noted) - 1),
                       node_at(std::max(ax, ax + dx) + noted), seen.squared.data());
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
        for (int c = 0; c < c1 - c0; ++c) to[c] = lesser(to[c], from[c]);
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
