#pragma once
// Copies of the cut, a touch larger, whose drop-outs back its openings. Page millimetres.
//
// A copy that is f times as large and moved by d has every edge of the opening moved out by (f - 1) h + n d,
// with n its direction outwards and h how far out it lies. Lip and room bound that for every edge, so that
// the places for a factor are a convex polygon, and the factors that have any are an interval.

#include "core/geometry/shapes.h"

#include <optional>
#include <vector>

namespace zesty {

/// Why an opening has no copy of its own; NoCopy where it would be the only one, or almost.
enum class NotEnlarged { No, NarrowBars, TooLong, Part, OffThePage, NoCopy };

struct FactorRange {
    double least = 1;
    double most = 1;
    bool holds(double factor) const { return least <= factor && factor <= most; }
};

/// What a copy must not be seen in or beside.
struct AroundOpening {
    const Ring* edge = nullptr;      ///< of the cut; null for none
    std::vector<const Ring*> others; ///< openings near by
};

/// How a copy of one opening can be enlarged and laid.
class Enlargeable {
public:
    /// `room`: as far as edges may reach; corners may reach farther where nothing of them is seen. Keeps
    /// references.
    Enlargeable(const Polygon& opening, const Polygon& room, const AroundOpening& around = {});

    /// The factors for which there is a place; nothing where there is none, and why.
    bool possible() const { return why_ == NotEnlarged::No; }
    NotEnlarged why() const { return why_; }
    const FactorRange& range() const { return range_; }
    /// The copy in the middle of its places; nothing where it has none or does not hold when looked at
    /// exactly.
    std::optional<Polygon> copy(double factor) const;

private:
    struct Edge {
        Point out;       ///< of length 1
        double far = 0;  ///< from the middle
        double room = 0; ///< that it may be moved out by
    };
    void find_edges();
    void find_factors();
    Ring places(double factor) const; ///< empty for none

    const Polygon& opening_;
    const Polygon& room_;
    AroundOpening around_;
    Point middle_;
    std::vector<Edge> edges_;
    FactorRange range_;
    NotEnlarged why_ = NotEnlarged::No;
};

/// Few factors that suit as many as may be, the one that suits most first.
std::vector<double> enlargements(std::vector<FactorRange> ranges);
/// More copies than that are no quick backing any more.
inline constexpr std::size_t most_copies = 4;

} // namespace zesty
