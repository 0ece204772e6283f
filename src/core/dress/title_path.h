#pragma once
// The way a title's letters stand on. Page millimetres.

#include "core/dress/dress.h"

#include <optional>

namespace zesty {

/// A way walked from its beginning; what stands on it stands to its left.
class Way {
public:
    explicit Way(std::vector<Point> points);
    double length() const { return at_.back(); }
    struct Place {
        Point at;
        double turn_deg = 0; ///< of the way there
    };
    /// Beyond its ends it goes straight on. `width`: of what stands there; the turn is that of the chord
    /// below it.
    Place place(double along, double width = 0) const;

private:
    Point point(double along) const;
    std::vector<Point> points_; ///< at least two, no two the same
    std::vector<double> at_;    ///< how far along each is
};

/// Curves are followed to within 0.02 mm. Nothing where the opening or cut is not there.
std::optional<Way> way_of(const DressNow& now, const TitlePath& path);

} // namespace zesty
