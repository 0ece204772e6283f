#pragma once
// Outlines with curves, before they are flattened.

#include "core/cutfile/drawing.h"
#include "io/svg/numbers.h"

namespace zesty::svg {

/// Subpaths of straight lines and cubic curves. Elliptical arcs are cubics of at most 45 degrees, off by less
/// than five millionths of their radius.
struct Path {
    struct Step {
        bool curve = false;
        Point c1, c2, to; ///< c1 and c2 only for curves
    };
    struct Subpath {
        Point start;
        std::vector<Step> steps;
        bool closed = false;
    };
    std::vector<Subpath> subpaths;

    void move_to(Point p) { subpaths.push_back({p, {}, false}); }
    void line_to(Point p);
    void curve_to(Point c1, Point c2, Point p);
    /// The arc of SVG 1.1, appendix F.6.
    void arc_to(double rx, double ry, double turn_deg, bool large, bool sweep, Point p);
    void close();
    Point current() const;

    void transform(const Transform& t);
    /// Of all points and control points.
    Box bounds() const;
    std::size_t size() const;
    /// Straight pieces no farther than `tolerance` from the curve.
    std::vector<Contour> flattened(double tolerance) const;
};

/// The `d` attribute. As SVG asks, a mistake ends the path there and is told in `complaint`; words such as
/// NaN in place of numbers are an error.
Result<Path> parse_path(std::string_view d, std::string& complaint);

Path rectangle(double x, double y, double w, double h, double rx, double ry);
Path ellipse(Point centre, double rx, double ry);
Result<Path> polyline(std::string_view points, bool closed);

} // namespace zesty::svg
