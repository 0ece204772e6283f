#pragma once
// The plane as the program knows it. Coordinates are millimetres unless a name says "drawing units";
// x to the right, y down. A ring is closed without repeating its first point. Orientation carries no meaning
// outside geometry/: a polygon is an outer ring and the rings of its holes, whichever way they run.

#include <cmath>
#include <limits>
#include <vector>

namespace zesty {

struct Point {
    double x = 0;
    double y = 0;
    bool operator==(const Point&) const = default;
};

inline Point operator+(Point a, Point b) {
    return {a.x + b.x, a.y + b.y};
}
inline Point operator-(Point a, Point b) {
    return {a.x - b.x, a.y - b.y};
}
inline Point operator*(Point a, double s) {
    return {a.x * s, a.y * s};
}
inline double dot(Point a, Point b) {
    return a.x * b.x + a.y * b.y;
}
inline double cross(Point a, Point b) {
    return a.x * b.y - a.y * b.x;
}
inline double length(Point a) {
    // Not hypot: nothing here is near the limits of a double, and distances are most of what is computed.
    return std::sqrt(a.x * a.x + a.y * a.y);
}
inline double distance(Point a, Point b) {
    return length(a - b);
}

using Ring = std::vector<Point>;

struct Polygon {
    Ring outer;
    std::vector<Ring> holes;
    bool operator==(const Polygon&) const = default;
};

/// Polygons whose interiors do not meet.
using Region = std::vector<Polygon>;

struct Box {
    double x0 = std::numeric_limits<double>::infinity();
    double y0 = std::numeric_limits<double>::infinity();
    double x1 = -std::numeric_limits<double>::infinity();
    double y1 = -std::numeric_limits<double>::infinity();

    bool empty() const { return x1 < x0 || y1 < y0; }
    double width() const { return empty() ? 0 : x1 - x0; }
    double height() const { return empty() ? 0 : y1 - y0; }
    double area() const { return width() * height(); }
    double diagonal() const { return std::hypot(width(), height()); }
    Point centre() const { return {(x0 + x1) / 2, (y0 + y1) / 2}; }
    void add(Point p) {
        x0 = std::min(x0, p.x);
        y0 = std::min(y0, p.y);
        x1 = std::max(x1, p.x);
        y1 = std::max(y1, p.y);
    }
    void add(const Box& b) {
        if (b.empty()) return;
        add(Point{b.x0, b.y0});
        add(Point{b.x1, b.y1});
    }
    Box grown(double by) const { return {x0 - by, y0 - by, x1 + by, y1 + by}; }
    bool meets(const Box& b) const { return x0 <= b.x1 && b.x0 <= x1 && y0 <= b.y1 && b.y0 <= y1; }
    bool holds(const Box& b) const { return b.x0 >= x0 && b.y0 >= y0 && b.x1 <= x1 && b.y1 <= y1; }
    bool contains(Point p) const { return x0 <= p.x && p.x <= x1 && y0 <= p.y && p.y <= y1; }
    bool operator==(const Box&) const = default;
};

/// x' = a x + c y + e, y' = b x + d y + f (the order SVG uses).
struct Transform {
    double a = 1, b = 0, c = 0, d = 1, e = 0, f = 0;

    Point operator()(Point p) const { return {a * p.x + c * p.y + e, b * p.x + d * p.y + f}; }
    double determinant() const { return a * d - b * c; }
    /// By how much lengths grow, for a transform that keeps angles.
    double scale() const { return std::sqrt(std::abs(determinant())); }
    bool operator==(const Transform&) const = default;

    static Transform moved(double dx, double dy) { return {1, 0, 0, 1, dx, dy}; }
    static Transform scaled(double s) { return {s, 0, 0, s, 0, 0}; }
    static Transform mirrored_x() { return {-1, 0, 0, 1, 0, 0}; }
    /// Exact at multiples of 90 degrees.
    static Transform turned_deg(double deg);
};

/// First `first`, then `then`.
Transform operator*(const Transform& then, const Transform& first);
/// The transform must have a determinant other than 0.
Transform inverse(const Transform& t);

/// The corners of a box, from the top left to the right.
Ring ring_of(const Box& box);
/// A circle of that many corners, the first to the right.
Ring circle(Point centre, double radius, int corners);

Ring transformed(const Ring& ring, const Transform& t);
Polygon transformed(const Polygon& polygon, const Transform& t);
Region transformed(const Region& region, const Transform& t);

} // namespace zesty
