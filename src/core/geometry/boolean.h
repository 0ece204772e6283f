#pragma once
// Areas combined, grown, thinned and compared; GEOS does the work.
//
// Input regions should be valid (fill() makes them so); an invalid one is repaired first. Results are valid
// regions, empty where nothing is left. An operation that fails in floating point is tried again on a grid of
// 1e-7 of the size of its input; when that fails too the result is an error of kind Geometry.

#include "core/geometry/shapes.h"
#include "core/result.h"

#include <memory>
#include <optional>

namespace zesty {

Result<Region> unite(const Region& parts);
Result<Region> intersect(const Region& a, const Region& b);
Result<Region> subtract(const Region& a, const Region& b);
/// What of the polygon lies in the box; untouched when that is all of it.
Result<Region> clipped(const Polygon& polygon, const Box& box);

enum class Corner { Round, Sharp };
/// Grown by `by` all round, shrunk when negative. Round corners have `facets` straight pieces per quarter.
Result<Region> grow(const Region& region, double by, Corner corner = Corner::Round, int facets = 8);

bool is_valid(const Region& region);

/// The least distance by which a point of a valid polygon would have to be moved to make it invalid; infinity
/// where there is none.
double clearance_of(const Polygon& polygon);

/// Fewer points, none moved by more than `tolerance`, never made invalid.
Polygon simplified(const Polygon& polygon, double tolerance);

/// The largest circle inside, found to within `tolerance`; nothing for an empty polygon.
struct Circle {
    Point centre;
    double radius = 0;
};
std::optional<Circle> largest_circle(const Polygon& polygon, double tolerance);

/// The smallest circle around all points; nothing for an empty ring.
std::optional<Circle> smallest_circle_around(const Ring& ring);
/// The smallest rectangle around all points, turned as it must be; empty for a ring without area.
Ring smallest_rectangle_around(const Ring& ring);

/// Nearest distance between the lines of two rings, and where.
struct Gap {
    double distance = 0;
    Point from;
    Point to;
};
Gap gap(const Ring& a, const Ring& b);

/// A ring made ready for many distance questions.
class MeasuredRing {
public:
    explicit MeasuredRing(const Ring& ring);
    ~MeasuredRing();
    MeasuredRing(MeasuredRing&&) noexcept;
    MeasuredRing& operator=(MeasuredRing&&) noexcept;
    Gap gap_to(const MeasuredRing& other) const;

private:
    struct Inner;
    std::unique_ptr<Inner> inner_;
};

/// A polygon made ready for many questions whether another meets it.
class AskedArea {
public:
    explicit AskedArea(const Polygon& polygon);
    ~AskedArea();
    AskedArea(AskedArea&&) noexcept;
    AskedArea& operator=(AskedArea&&) noexcept;
    /// Also where they only touch.
    bool meets(const AskedArea& other) const;

private:
    struct Inner;
    std::unique_ptr<Inner> inner_;
};

/// Which boxes meet a given box: an index for many of them.
class BoxIndex {
public:
    explicit BoxIndex(const std::vector<Box>& boxes);
    ~BoxIndex();
    BoxIndex(BoxIndex&&) noexcept;
    BoxIndex& operator=(BoxIndex&&) noexcept;
    /// Indices into the boxes given, ascending.
    std::vector<int> meeting(const Box& box) const;

private:
    struct Inner;
    std::unique_ptr<Inner> inner_;
};

} // namespace zesty
