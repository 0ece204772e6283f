#include "core/setout/cover_map.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double raster_cell = 25.4 / 16;
constexpr int lines_of_cell = 4; ///< along which it is cut

/// Where a line across meets the edges of a polygon, from left to right: inside between each two.
std::vector<double> crossings(const Polygon& polygon, double y) {
    std::vector<double> out;
    const auto add = [&](const Ring& ring) {
        for (std::size_t i = 0; i < ring.size(); ++i) {
            const Point a = ring[i];
            const Point b = ring[(i + 1) % ring.size()];
            if ((a.y <= y) != (b.y <= y)) out.push_back(a.x + (b.x - a.x) * (y - a.y) / (b.y - a.y));
        }
    };
    add(polygon.outer);
    for (const Ring& hole : polygon.holes) add(hole);
    std::sort(out.begin(), out.end());
    return out;
}

} // namespace

CoverMap::CoverMap(const Region& area) : box_(bounds(area)) {
    if (box_.empty()) return;
    // On the grid that starts at the corner of the page, where edges of pages and places lie.
    box_ = {std::floor(box_.x0 / raster_cell) * raster_cell, std::floor(box_.y0 / raster_cell) * raster_cell,
            box_.x1, box_.y1};
    columns_ = static_cast<std::size_t>(std::ceil(box_.width() / raster_cell - 1e-9)) + 1;
    rows_ = static_cast<std::size_t>(std::ceil(box_.height() / raster_cell - 1e-9)) + 1;
    sums_.assign(columns_ * rows_, 0);
    for (const Polygon& p : area) add(p);
    for (std::size_t r = 1; r < rows_; ++r)
        for (std::size_t c = 1; c < columns_; ++c)
            sums_[r * columns_ + c] += sums_[(r - 1) * columns_ + c] + sums_[r * columns_ + c - 1] -
                                       sums_[(r - 1) * columns_ + c - 1];
    whole_ = sums_.back();
}

void CoverMap::add(const Polygon& polygon) {
    const Box b = bounds(polygon);
    const double line = raster_cell / lines_of_cell;
    const auto from = static_cast<std::size_t>(std::max(0.0, (b.y0 - box_.y0) / line));
    const std::size_t to = std::min((rows_ - 1) * lines_of_cell,
                                    static_cast<std::size_t>(std::ceil((b.y1 - box_.y0) / line)) + 1);
    for (std::size_t i = from; i < to; ++i) {
        const double y = box_.y0 + (static_cast<double>(i) + 0.5) * line;
        const std::vector<double> at = crossings(polygon, y);
        double* row = &sums_[(i / lines_of_cell + 1) * columns_];
        for (std::size_t k = 0; k + 1 < at.size(); k += 2) {
            const double x0 = (at[k] - box_.x0) / raster_cell;
            const double x1 = (at[k + 1] - box_.x0) / raster_cell;
            for (auto c = static_cast<std::size_t>(std::max(0.0, x0)); c + 1 < columns_; ++c) {
                const double left = static_cast<double>(c);
                const double part = std::min(x1, left + 1) - std::max(x0, left);
                if (left >= x1) break;
                row[c + 1] += part * raster_cell * line;
            }
        }
    }
}

double CoverMap::up_to(double x, double y) const {
    const double u = std::clamp((x - box_.x0) / raster_cell, 0.0, static_cast<double>(columns_ - 1));
    const double v = std::clamp((y - box_.y0) / raster_cell, 0.0, static_cast<double>(rows_ - 1));
    const auto c = std::min(static_cast<std::size_t>(u), columns_ - 2);
    const auto r = std::min(static_cast<std::size_t>(v), rows_ - 2);
    const double fu = u - static_cast<double>(c);
    const double fv = v - static_cast<double>(r);
    const double* at = &sums_[r * columns_ + c];
    return (at[0] * (1 - fu) + at[1] * fu) * (1 - fv) +
           (at[columns_] * (1 - fu) + at[columns_ + 1] * fu) * fv;
}

double CoverMap::of(const Box& b) const {
    if (sums_.empty() || b.empty() || !b.meets(box_)) return 0;
    return std::max(0.0, up_to(b.x1, b.y1) - up_to(b.x0, b.y1) - up_to(b.x1, b.y0) + up_to(b.x0, b.y0));
}

double CoverMap::of_circle(Point centre, double radius) const {
    double sum = 0;
    const int strips = std::max(8, static_cast<int>(std::ceil(2 * radius / raster_cell)));
    const double high = 2 * radius / strips;
    for (int i = 0; i < strips; ++i) {
        const double y = -radius + (i + 0.5) * high;
        const double half = std::sqrt(std::max(0.0, radius * radius - y * y));
        sum += of({centre.x - half, centre.y + y - high / 2, centre.x + half, centre.y + y + high / 2});
    }
    return sum;
}

} // namespace zesty
