#include "io/trace/edges.h"

#include "io/trace/bilinear.h"
#include "io/trace/fitted_line.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double reach = 7;           ///< pixels across an edge, to each side
constexpr double step = 0.25;         ///< pixels between samples across an edge
constexpr double ends_share = 0.08;   ///< of a side, at each end, left out
constexpr double least_contrast = 18; ///< levels
constexpr double told_apart = 3;      ///< crossings within so many pixels are not told by grain alone
constexpr double least_error = 0.03;  ///< pixels
constexpr std::size_t fewest_crossings = 20;

/// Along `out` from inside to outside: how far the edge is from `middle`.
std::optional<double> crossing(const GreyPicture& picture, Point middle, Point out) {
    constexpr int n = static_cast<int>(2 * reach / step) + 1;
    std::array<double, n> profile{};
    for (int k = 0; k < n; ++k)
        profile[static_cast<std::size_t>(k)] = picture.at(middle + out * (k * step - reach));
    const int end = n / 4;
    double inside = 0;
    double outside = 0;
    for (int k = 0; k < end; ++k) {
        inside += profile[static_cast<std::size_t>(k)] / end;
        outside += profile[static_cast<std::size_t>(n - 1 - k)] / end;
    }
    const double contrast = outside - inside;
    if (std::abs(contrast) < least_contrast) return std::nullopt;
    // The area between profile and levels tells the place better than any one sample.
    double sum = 0;
    for (double level : profile) sum += std::clamp((level - inside) / contrast, 0.0, 1.0) * step;
    return reach - sum + step / 2;
}

std::optional<FittedLine> edge_between(const GreyPicture& picture, Point a, Point b, Point inside) {
    const Point way = (b - a) * (1 / distance(a, b));
    Point out{way.y, -way.x};
    if (dot(out, inside - a) > 0) out = out * -1;
    std::vector<Point> found;
    const int n = static_cast<int>(distance(a, b) * (1 - 2 * ends_share));
    for (int k = 0; k <= n; ++k) {
        const Point middle = a + (b - a) * (ends_share + (1 - 2 * ends_share) * k / std::max(1, n));
        if (const auto off = crossing(picture, middle, out); off && std::abs(*off) < told_apart + 2)
            found.push_back(middle + out * *off);
    }
    if (found.size() < fewest_crossings) return std::nullopt;
    const FittedLine line = fitted(found);
    // Dust and shadows throw a few off: they are left out, and the line fitted again.
    const double most = std::max(0.5, 2.5 * line.spread);
    std::erase_if(found, [&](Point p) { return std::abs(cross(p - line.at, line.way)) > most; });
    if (found.size() < fewest_crossings) return std::nullopt;
    return fitted(found);
}

} // namespace

double GreyPicture::at(Point p) const {
    return bilinear(width, height, p, [&](int column, int row) {
        return static_cast<double>(levels[static_cast<std::size_t>(row) * static_cast<std::size_t>(width) +
                                          static_cast<std::size_t>(column)]);
    });
}

std::optional<SharpSquare> sharpened(const GreyPicture& picture, const std::array<Point, 4>& rough) {
    if (picture.width < 2 || picture.height < 2) return std::nullopt;
    const Point middle = (rough[0] + rough[1] + rough[2] + rough[3]) * 0.25;
    std::array<FittedLine, 4> sides;
    for (std::size_t k = 0; k < 4; ++k) {
        const auto line = edge_between(picture, rough[k], rough[(k + 1) % 4], middle);
        if (!line) return std::nullopt;
        sides[k] = *line;
    }
    SharpSquare out;
    double variance = least_error * least_error;
    for (std::size_t k = 0; k < 4; ++k) {
        const FittedLine& a = sides[(k + 3) % 4];
        const FittedLine& b = sides[k];
        out.corners[k] = meeting(a, b);
        // At its end a fitted line is known half as well as in its middle, and neighbouring crossings share
        // pixels.
        variance = std::max(variance, 2 * 4 * 3 * b.spread * b.spread / static_cast<double>(b.count));
    }
    out.error = std::sqrt(variance);
    return out;
}

} // namespace zesty
