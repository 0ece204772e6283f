#include "io/trace/fitted_line.h"

#include <algorithm>
#include <cmath>

namespace zesty {

FittedLine fitted(const std::vector<Point>& points) {
    const auto n = static_cast<double>(points.size());
    Point mean;
    for (Point p : points) mean = mean + p * (1 / n);
    double xx = 0;
    double xy = 0;
    double yy = 0;
    for (Point p : points) {
        const Point d = p - mean;
        xx += d.x * d.x;
        xy += d.x * d.y;
        yy += d.y * d.y;
    }
    const double a = 0.5 * std::atan2(2 * xy, xx - yy);
    FittedLine line{mean, {std::cos(a), std::sin(a)}, 0, 0, points.size()};
    for (Point p : points) {
        const double off = std::abs(cross(p - mean, line.way));
        line.off = std::max(line.off, off);
        line.spread += off * off / n;
    }
    line.spread = std::sqrt(line.spread);
    return line;
}

Point meeting(const FittedLine& a, const FittedLine& b) {
    return a.at + a.way * (cross(b.at - a.at, b.way) / cross(a.way, b.way));
}

} // namespace zesty
