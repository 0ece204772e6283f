#include "io/trace/plane.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "io/trace/fitted_line.h"

#include <algorithm>
#include <optional>

namespace zesty {

namespace {

constexpr double corner_share = 0.12; ///< of a side, at each end, that rounded corners may spoil
constexpr double straight = 0.02;     ///< of a side
constexpr double square_share = 0.75; ///< shortest side to longest of a square seen at a slant

/// Gaussian elimination with pivoting; the matrix must be regular.
std::array<double, 8> solved(std::array<std::array<double, 9>, 8> a) {
    for (std::size_t c = 0; c < 8; ++c) {
        std::size_t pivot = c;
        for (std::size_t r = c + 1; r < 8; ++r)
            if (std::abs(a[r][c]) > std::abs(a[pivot][c])) pivot = r;
        std::swap(a[c], a[pivot]);
        for (std::size_t r = 0; r < 8; ++r) {
            if (r == c) continue;
            const double f = a[r][c] / a[c][c];
            for (std::size_t k = c; k < 9; ++k) a[r][k] -= f * a[c][k];
        }
    }
    std::array<double, 8> out{};
    for (std::size_t i = 0; i < 8; ++i) out[i] = a[i][8] / a[i][i];
    return out;
}

} // namespace

PlaneMap PlaneMap::between(const std::array<Point, 4>& from, const std::array<Point, 4>& to) {
    std::array<std::array<double, 9>, 8> a{};
    for (std::size_t i = 0; i < 4; ++i) {
        const Point p = from[i];
        const Point q = to[i];
        a[2 * i] = {p.x, p.y, 1, 0, 0, 0, -p.x * q.x, -p.y * q.x, q.x};
        a[2 * i + 1] = {0, 0, 0, p.x, p.y, 1, -p.x * q.y, -p.y * q.y, q.y};
    }
    const auto h = solved(a);
    PlaneMap out;
    for (std::size_t i = 0; i < 8; ++i) out.m_[i] = h[i];
    return out;
}

Point PlaneMap::operator()(Point p) const {
    const double w = m_[6] * p.x + m_[7] * p.y + m_[8];
    return {(m_[0] * p.x + m_[1] * p.y + m_[2]) / w, (m_[3] * p.x + m_[4] * p.y + m_[5]) / w};
}

std::optional<std::array<Point, 4>> square_corners(const Ring& contour) {
    return quad_corners(contour, square_share);
}

std::optional<std::array<Point, 4>> quad_corners(const Ring& contour, double least_share) {
    const Ring around = smallest_rectangle_around(contour);
    if (around.size() < 4) return {};
    // The contour's points nearest to the rectangle's corners part it into four sides.
    std::array<std::size_t, 4> corner{};
    for (std::size_t k = 0; k < 4; ++k)
        for (std::size_t i = 0; i < contour.size(); ++i)
            if (distance(contour[i], around[k]) < distance(contour[corner[k]], around[k])) corner[k] = i;
    std::sort(corner.begin(), corner.end());
    std::array<FittedLine, 4> sides;
    std::array<double, 4> lengths{};
    for (std::size_t k = 0; k < 4; ++k) {
        const Point a = contour[corner[k]];
        const Point b = contour[corner[(k + 1) % 4]];
        lengths[k] = distance(a, b);
        std::vector<Point> along;
        const std::size_t n = contour.size();
        for (std::size_t i = corner[k]; i != corner[(k + 1) % 4]; i = (i + 1) % n) {
            // A point every small step of the way, but not near the corners.
            const Point p = contour[i];
            const Point q = contour[(i + 1) % n];
            const int steps = std::max(1, static_cast<int>(distance(p, q)));
            for (int s = 0; s < steps; ++s) {
                const Point at = p + (q - p) * (static_cast<double>(s) / steps);
                if (std::min(distance(at, a), distance(at, b)) > corner_share * lengths[k])
                    along.push_back(at);
            }
        }
        if (along.size() < 4) return {};
        sides[k] = fitted(along);
        if (sides[k].off > straight * lengths[k] + 1) return {};
    }
    const auto [least, most] = std::minmax_element(lengths.begin(), lengths.end());
    if (*least < least_share * *most) return {};
    std::array<Point, 4> out;
    for (std::size_t k = 0; k < 4; ++k) out[k] = meeting(sides[(k + 3) % 4], sides[k]);
    return out;
}

std::array<Point, 4> upright(std::array<Point, 4> corners) {
    std::size_t first = 0;
    for (std::size_t k = 1; k < 4; ++k)
        if (corners[k].x + corners[k].y < corners[first].x + corners[first].y) first = k;
    std::rotate(corners.begin(), corners.begin() + static_cast<long>(first), corners.end());
    if (cross(corners[1] - corners[0], corners[3] - corners[0]) < 0) std::swap(corners[1], corners[3]);
    return corners;
}

} // namespace zesty
