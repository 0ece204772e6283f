#include "core/sheets/crowd_job.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/on_two_threads.h"
#include "core/sheets/laid.h"

#include <algorithm>
#include <optional>

namespace zesty {

namespace {

constexpr double long_side = 0.15; ///< of the diagonal of the box
constexpr std::size_t most_sides = 6;

/// An obstacle in the sheet's coordinates.
TurnedClaim obstacle(const Ring& outer) {
    const Claim claim = Claim::obstacle({outer, {}});
    TurnedClaim turned = claim.turned(0);
    const Point at = claim.reference();
    const auto move = [&](FloatRing& r) {
        for (float& x : r.x) x += static_cast<float>(at.x);
        for (float& y : r.y) y += static_cast<float>(at.y);
        r.box = {r.box.x0 + static_cast<float>(at.x), r.box.y0 + static_cast<float>(at.y),
                 r.box.x1 + static_cast<float>(at.x), r.box.y1 + static_cast<float>(at.y)};
    };
    move(turned.claim);
    move(turned.body);
    for (int k = 0; k < turned.poles.count; ++k) {
        turned.poles.x[k] += static_cast<float>(at.x);
        turned.poles.y[k] += static_cast<float>(at.y);
    }
    return turned;
}

/// What of the sheet's box is not paper, in pieces without holes.
std::vector<TurnedClaim> obstacles_of(const Polygon& sheet, const Box& box) {
    std::vector<TurnedClaim> out;
    const Point c = box.centre();
    const Box wide = box.grown(1); // obstacles at the edge have some depth
    for (const Box& quarter : {Box{wide.x0, wide.y0, c.x, c.y}, Box{c.x, wide.y0, wide.x1, c.y},
                               Box{wide.x0, c.y, c.x, wide.y1}, Box{c.x, c.y, wide.x1, wide.y1}}) {
        const auto rest = subtract({{ring_of(quarter), {}}}, {sheet});
        if (!rest) continue;
        for (const Polygon& p : *rest)
            if (area(p) >= 1e-3) out.push_back(obstacle(p.outer));
    }
    return out;
}

/// Directions of the sides that are long enough to lie along something.
std::vector<double> long_sides(Ring ring) {
    if (signed_area(ring) < 0) std::reverse(ring.begin(), ring.end());
    const Box box = bounds(ring);
    std::vector<std::pair<double, double>> sides;
    for (std::size_t i = 0; i < ring.size(); ++i) {
        const Point d = ring[(i + 1) % ring.size()] - ring[i];
        if (length(d) > long_side * box.diagonal())
            sides.emplace_back(-length(d), std::atan2(d.y, d.x) * 180 / M_PI);
    }
    std::sort(sides.begin(), sides.end());
    std::vector<double> out;
    for (const auto& s : sides)
        if (out.size() < most_sides) out.push_back(s.second);
    return out;
}

/// The direction in which the area reaches farthest, in degrees: the principal axis of its second moments.
double axis_of(const Ring& ring) {
    double area = 0, mx = 0, my = 0, xx = 0, xy = 0, yy = 0;
    for (std::size_t i = 0; i < ring.size(); ++i) {
        const Point a = ring[i];
        const Point b = ring[(i + 1) % ring.size()];
        const double c = cross(a, b);
        area += c / 2;
        mx += (a.x + b.x) * c / 6;
        my += (a.y + b.y) * c / 6;
        xx += (a.x * a.x + a.x * b.x + b.x * b.x) * c / 12;
        yy += (a.y * a.y + a.y * b.y + b.y * b.y) * c / 12;
        xy += (a.x * b.y + 2 * a.x * a.y + 2 * b.x * b.y + b.x * a.y) * c / 24;
    }
    if (area == 0) return 0;
    xx = xx / area - mx * mx / (area * area);
    yy = yy / area - my * my / (area * area);
    xy = xy / area - mx * my / (area * area);
    return std::atan2(2 * xy, xx - yy) * 90 / M_PI;
}

bool is_box(const Polygon& sheet, const Box& box) {
    return sheet.holes.empty() && area(sheet) > (1 - 1e-9) * box.area();
}

} // namespace

CrowdJob::CrowdJob(const NestJob& job, const NestResult& start)
    : sheet_order(sheets_by_rank(job)), grown(static_cast<float>(job.gap / 2 + Claim::slack)) {
    std::vector<std::optional<Claim>> made(job.pieces.size());
    on_two_threads(made.size(), [&](std::size_t i) {
        made[i].emplace(job.pieces[i].outline, std::max(job.gap / 2, 1e-3));
    });
    for (const NestPiece& p : job.pieces) {
        claims.push_back(std::move(*made[claims.size()]));
        value.push_back(claims.back().area() * p.worth);
        axis_deg.push_back(axis_of(p.outline.outer));
        sides_deg.push_back(p.any_rotation ? long_sides(p.outline.outer) : std::vector<double>{});
        std::vector<TurnedClaim> only;
        if (!p.any_rotation)
            for (double deg : p.rotations_deg) only.push_back(claims.back().turned(deg));
        ways.push_back(std::move(only));
        std::vector<int> where = p.sheets;
        if (p.held())
            where.clear();
        else if (where.empty())
            for (std::size_t s = 0; s < job.sheets.size(); ++s) where.push_back(static_cast<int>(s));
        allowed.push_back(std::move(where));
    }
    for (const NestSheet& s : job.sheets) {
        const Box box = bounds(s.outline);
        Sheet sheet;
        sheet.box = {static_cast<float>(box.x0), static_cast<float>(box.y0), static_cast<float>(box.x1),
                     static_cast<float>(box.y1)};
        sheet.area = area(s.outline);
        if (!is_box(s.outline, box)) sheet.obstacles = obstacles_of(s.outline, box);
        sheets.push_back(std::move(sheet));
    }
    for (const NestPlacement& at : start.placements) {
        const NestPiece& p = job.pieces[at.piece];
        if (!p.held()) continue;
        const Region there = transformed(outlines_of(p), at.transform());
        // Pieces are measured against obstacles by their bodies, so these keep the whole gap.
        const auto wide = grow(there, job.gap + Claim::slack);
        for (const Polygon& w : wide ? *wide : there) sheets[at.sheet].obstacles.push_back(obstacle(w.outer));
    }
}

CrowdSpot stepped(CrowdSpot from, unsigned axis, float way, float lever) {
    if (axis == 0 || axis == 2) from.x += way;
    if (axis == 1 || axis == 2) from.y += way;
    if (axis == 3) {
        from.x += way;
        from.y -= way;
    }
    if (axis == 4) from.rotation_deg += static_cast<double>(way / lever) * 180 / M_PI;
    return from;
}

CrowdSpot CrowdJob::spot_of(const NestPlacement& p) const {
    const Point at = p.transform()(claims[p.piece].reference());
    CrowdSpot out{p.sheet, -1, p.rotation_deg, static_cast<float>(at.x), static_cast<float>(at.y)};
    const auto& only = ways[p.piece];
    for (std::size_t w = 0; w < only.size(); ++w) {
        const double off = std::fmod(std::abs(only[w].rotation_deg - p.rotation_deg), 360.0);
        if (std::min(off, 360 - off) < 1e-6) out.way = static_cast<int>(w);
    }
    return out;
}

NestPlacement CrowdJob::placement_of(int piece, const CrowdSpot& spot) const {
    const double deg = turn_deg(piece, spot);
    const Point at = Transform::turned_deg(deg)(claims[piece].reference());
    return {piece, spot.sheet, deg, Point{spot.x, spot.y} - at};
}

bool CrowdJob::may_go(int piece, int sheet) const {
    return std::find(allowed[piece].begin(), allowed[piece].end(), sheet) != allowed[piece].end();
}

double CrowdJob::value_of(const std::vector<CrowdSpot>& spots) const {
    double sum = 0;
    for (std::size_t i = 0; i < spots.size(); ++i)
        if (spots[i].sheet >= 0) sum += value[i];
    return sum;
}

} // namespace zesty
