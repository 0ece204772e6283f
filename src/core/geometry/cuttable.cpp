#include "core/geometry/cuttable.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"

#include <algorithm>
#include <array>

namespace zesty {

namespace {

constexpr std::array thin_parts{0.05, 0.1, 0.2}; ///< half the width of what goes, tried in this order

/// Points so close to the one before them that a blade does not know them apart are left out.
Ring without_close_points(const Ring& ring) {
    Ring out;
    for (const Point p : ring)
        if (out.empty() || distance(out.back(), p) >= blade_step) out.push_back(p);
    while (out.size() > 1 && distance(out.front(), out.back()) < blade_step) out.pop_back();
    return out;
}

/// Without necks and spikes (shrunk and grown), then without slits (grown and shrunk).
Polygon smoothed(const Polygon& outline, double by) {
    Region now{outline};
    for (const double step : {-by, by, by, -by}) {
        auto next = grow(now, step, Corner::Sharp);
        if (!next || next->empty()) return {};
        now = {largest(*next)};
    }
    return now.front();
}

} // namespace

bool is_cuttable(const Polygon& outline) {
    Polygon plain{without_close_points(outline.outer), {}};
    if (plain.outer.size() < 3) return false;
    for (const Ring& hole : outline.holes)
        if (Ring r = without_close_points(hole); r.size() >= 3) plain.holes.push_back(std::move(r));
    return is_valid({plain}) && clearance_of(plain) >= blade_step;
}

Polygon made_cuttable(const Polygon& outline) {
    if (outline.outer.empty() || is_cuttable(outline)) return outline;
    for (const double by : thin_parts)
        if (Polygon p = smoothed(outline, by); is_cuttable(p)) return p;
    return {};
}

} // namespace zesty
