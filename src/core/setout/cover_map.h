#pragma once
// How much of an area a rectangle or a circle covers, asked very often. Page millimetres.

#include "core/geometry/shapes.h"

namespace zesty {

/// Sums of an area over a grid of cells, so that a rectangle is four look-ups (F. C. Crow, "Summed-area
/// tables for texture mapping", SIGGRAPH 1984). Edges along the grid are exact; others to a fraction of a
/// cell.
class CoverMap {
public:
    CoverMap() = default;
    explicit CoverMap(const Region& area);

    double whole() const { return whole_; } ///< mm2
    const Box& box() const { return box_; }
    double of(const Box& box) const; ///< mm2 of the area in it
    double of_circle(Point centre, double radius) const;

private:
    void add(const Polygon& polygon);
    double up_to(double x, double y) const;

    Box box_;
    double whole_ = 0;
    std::size_t columns_ = 0, rows_ = 0;
    std::vector<double> sums_; ///< mm2 left of and above each crossing, row by row
};

} // namespace zesty
