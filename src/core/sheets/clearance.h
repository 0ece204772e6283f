#pragma once
// How far every point of a sheet lies from what is taken, as a grid of signed distances: above 0 where it is
// free, below 0 inside a claim or beyond the sheet. A pose is judged by a few dozen look-ups instead of a few
// dozen outlines. Millimetres. Values are cut off at `reach` and good to about a quarter of a cell, so that
// what is found by them still has to be checked exactly.

#include "core/sheets/claim.h"

#include <algorithm>
#include <cstddef>
#include <vector>

namespace zesty {

class Clearance {
public:
    /// Distances to one claim, on the nodes from (column, row).
    struct Patch {
        int piece = -1;
        int column = 0, row = 0, columns = 0, rows = 0;
        std::vector<float> far;
    };

    /// `grown` is what claims are larger than bodies: for claims, the sheet ends that much farther out.
    Clearance(const FloatBox& sheet, const std::vector<TurnedClaim>& obstacles, float grown, float cell,
              float reach);

    void add(int piece, const TurnedClaim& claim, float x, float y);
    void add(Patch patch);
    /// What had been added for the piece, to be added again perhaps; nothing when nothing had.
    Patch remove(int piece);
    void clear();

    /// Between the nodes of the grid, linearly; beyond it `-reach`.
    float at(float x, float y) const {
        const float gx = (x - x0_) * per_cell_, gy = (y - y0_) * per_cell_;
        if (!(gx >= 0 && gy >= 0 && gx < static_cast<float>(columns_ - 1) &&
              gy < static_cast<float>(rows_ - 1)))
            return -reach_;
        const int i = static_cast<int>(gx), k = static_cast<int>(gy);
        const float u = gx - static_cast<float>(i), v = gy - static_cast<float>(k);
        const float* p = node(i, k);
        const float* q = p + columns_;
        const float above = p[0] + u * (p[1] - p[0]);
        return above + v * (q[0] + u * (q[1] - q[0]) - above);
    }
    static constexpr int wide = 8;
    /// The same at so many places (x + xs[i], y + ys[i]) at once.
    void at_all(float x, float y, const float* xs, const float* ys, float* out) const;
    float reach() const { return reach_; }
    float cell() const { return cell_; }

    int columns() const { return columns_; }
    int rows() const { return rows_; }
    const float* node(int column, int row) const {
        return &field_[static_cast<std::size_t>(row) * columns_ + column];
    }
    static constexpr int block = 8; ///< nodes across
    /// No node of the block has more; to be passed over where that is too little.
    float most_in(int right, int down) const {
        return most_[static_cast<std::size_t>(down) * blocks_across_ + right];
    }
    /// About how many nodes have more room than that: those of all blocks that have one.
    std::size_t nodes_with(float room) const {
        return static_cast<std::size_t>(
            block * block * std::count_if(most_.begin(), most_.end(), [&](float m) { return m > room; }));
    }
    /// The node at or before a coordinate, within the grid.
    int column_at(float x) const;
    int row_at(float y) const;
    float x_of(int column) const { return x0_ + static_cast<float>(column) * cell_; }
    float y_of(int row) const { return y0_ + static_cast<float>(row) * cell_; }

private:
    /// What is to be known of some nodes in a row about one ring.
    struct RowOfPatch {
        std::vector<float> squared; ///< distances, in whole groups
        std::vector<char>
            crossed; ///< by node: 1 where the ring is crossed once between it and the one before
    };
    void note_most(int column, int row, int columns, int rows);
    Patch patch_of(const FloatRing& ring, float x, float y, float nearer) const;
    void see_row(const FloatRing& ring, float first, float py, float noted, int n, RowOfPatch& seen) const;
    void lower(std::vector<float>& field, const Patch& patch, const Patch& within) const;

    float x0_, y0_, cell_, per_cell_, reach_;
    int columns_, rows_;
    std::vector<float> empty_; ///< of the sheet with nothing on it
    std::vector<float> field_;
    int blocks_across_;
    std::vector<float> most_; ///< by block of nodes
    std::vector<Patch> patches_;
};

} // namespace zesty
