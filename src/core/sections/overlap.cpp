#include "core/sections/overlap.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/on_two_threads.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double hardly_wide = 0.12; ///< mm that a third layer may be wide

double distance_to(const Ring& ring, Point p) {
    double nearest = std::numeric_limits<double>::infinity();
    for (std::size_t i = 0; i < ring.size(); ++i)
        nearest = std::min(nearest, distance_to_segment(p, ring[i], ring[i + 1 == ring.size() ? 0 : i + 1]));
    return nearest;
}

bool deep_in(const Ring& ring, Point p) {
    return contains(ring, p) && distance_to(ring, p) > hardly_wide;
}

/// Corners of what two contours have in common.
std::vector<Point> corners_in_both(const Ring& a, const Ring& b, const Box& where) {
    std::vector<Point> out;
    for (const auto& [one, other] : {std::pair(&a, &b), std::pair(&b, &a)})
        for (const Point p : *one)
            if (where.contains(p) && contains(*other, p)) out.push_back(p);
    for (std::size_t i = 0; i < a.size(); ++i) {
        const Point p = a[i];
        const Point d = a[i + 1 == a.size() ? 0 : i + 1] - p;
        Box edge;
        edge.add(p);
        edge.add(p + d);
        if (!edge.meets(where)) continue;
        for (std::size_t k = 0; k < b.size(); ++k) {
            const Point q = b[k];
            const Point e = b[k + 1 == b.size() ? 0 : k + 1] - q;
            const double sine = cross(d, e);
            if (std::abs(sine) < 1e-12) continue;
            const double t = cross(q - p, e) / sine;
            const double u = cross(q - p, d) / sine;
            if (t >= 0 && t <= 1 && u >= 0 && u <= 1) out.push_back(p + d * t);
        }
    }
    return out;
}

/// Whether three lie on each other: a corner of what two have in common lies in the third, and not at its
/// rim.
bool three_layers(const Ring& a, const Ring& b, const Ring& c, const Box& where) {
    const std::vector<Point> corners = corners_in_both(a, b, where);
    if (std::any_of(corners.begin(), corners.end(), [&](Point p) { return deep_in(c, p); })) return true;
    return std::any_of(c.begin(), c.end(),
                       [&](Point p) { return where.contains(p) && deep_in(a, p) && deep_in(b, p); });
}

} // namespace

std::vector<std::array<std::size_t, 3>> third_layers(const std::vector<Patch>& patches,
                                                     const GluedBefore& before) {
    std::vector<Box> boxes;
    for (const Patch& p : patches) boxes.push_back(bounds(p.outline));
    const BoxIndex index(boxes);
    std::vector<std::vector<std::array<std::size_t, 3>>> found(patches.size());
    on_two_threads(patches.size(), [&](std::size_t i) {
        std::vector<std::size_t> near;
        for (const int k : index.meeting(boxes[i]))
            if (static_cast<std::size_t>(k) > i) near.push_back(static_cast<std::size_t>(k));
        for (std::size_t x = 0; x < near.size(); ++x)
            for (std::size_t y = x + 1; y < near.size(); ++y) {
                const Box where = common(common(boxes[i], boxes[near[x]]), boxes[near[y]]);
                if (where.width() < hardly_wide || where.height() < hardly_wide) continue;
                if (!three_layers(patches[i].outline.outer, patches[near[x]].outline.outer,
                                  patches[near[y]].outline.outer, where))
                    continue;
                std::array<std::size_t, 3> three{i, near[x], near[y]};
                std::sort(three.begin(), three.end(), [&](std::size_t a, std::size_t b) {
                    return before(patches[a].opening, patches[b].opening);
                });
                found[i].push_back(three);
            }
    });
    std::vector<std::array<std::size_t, 3>> out;
    for (const auto& some : found) out.insert(out.end(), some.begin(), some.end());
    return out;
}

} // namespace zesty
