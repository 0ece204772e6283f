#include "core/sheets/room_for.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

bool is_box(const Polygon& p) {
    const Box b = bounds(p);
    return p.holes.empty() && std::abs(area(p) - b.width() * b.height()) < 1e-6 * area(p);
}

bool fits_upright(const Box& area, const Box& piece, const std::vector<double>& turns_deg) {
    const auto allowed = [&](double turn) {
        return turns_deg.empty() || std::any_of(turns_deg.begin(), turns_deg.end(), [&](double t) {
                   return std::abs(std::remainder(t - turn, 180)) < 1e-6;
               });
    };
    constexpr double slack = 1e-6;
    const auto within = [&](double w, double h) {
        return w <= area.width() + slack && h <= area.height() + slack;
    };
    return (allowed(0) && within(piece.width(), piece.height())) ||
           (allowed(90) && within(piece.height(), piece.width()));
}

} // namespace

bool has_room(const Region& areas, const Polygon& piece, const std::vector<double>& turns_deg) {
    const double needed = area(piece);
    const bool box = is_box(piece);
    NestJob job;
    job.attempts = 1;
    for (const Polygon& a : areas) {
        if (area(a) < needed - 1e-6) continue;
        if (box && is_box(a) && fits_upright(bounds(a), bounds(piece), turns_deg)) return true;
        // The same sheet many times is asked once.
        if (std::none_of(job.sheets.begin(), job.sheets.end(),
                         [&](const NestSheet& s) { return s.outline == a; }))
            job.sheets.push_back({a, 0});
    }
    if (job.sheets.empty()) return false;
    NestPiece one{piece};
    one.any_rotation = turns_deg.empty();
    one.rotations_deg = turns_deg;
    job.pieces.push_back(std::move(one));
    return nest(job).unplaced.empty();
}

} // namespace zesty
