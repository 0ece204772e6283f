#include "core/cutfile/twins.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <array>

namespace zesty {

namespace {

constexpr int samples = 96;

/// A ring as evenly spaced points around its centroid: the same for twins up to where one starts, which way
/// it runs and how it is turned.
struct Signature {
    double area;
    double edge;
    double size;
    std::array<Point, samples> at;
};

Signature signature(const Ring& ring) {
    Signature s{std::abs(signed_area(ring)), perimeter(ring), bounds(ring).diagonal(), {}};
    const Point c = centroid(ring);
    const bool forward = signed_area(ring) > 0;
    const std::size_t n = ring.size();
    std::size_t i = 0;
    double walked = 0;
    for (int k = 0; k < samples; ++k) {
        const double want = s.edge * k / samples;
        const auto at = [&](std::size_t j) { return forward ? ring[j % n] : ring[(n - j % n) % n]; };
        while (i < n && walked + distance(at(i), at(i + 1)) < want) {
            walked += distance(at(i), at(i + 1));
            ++i;
        }
        const double d = distance(at(i), at(i + 1));
        s.at[k] = at(i) + (at(i + 1) - at(i)) * (d > 0 ? (want - walked) / d : 0) - c;
    }
    return s;
}

/// Lays b on a, starting b at `shift`, and tells the largest distance left after the best turn.
double misfit(const Signature& a, const Signature& b, int shift, bool mirrored) {
    const auto of_b = [&](int k) {
        const Point p = b.at[((mirrored ? shift - k : shift + k) % samples + samples) % samples];
        return mirrored ? Point{-p.x, p.y} : p;
    };
    double sin_sum = 0;
    double cos_sum = 0;
    for (int k = 0; k < samples; ++k) {
        cos_sum += dot(of_b(k), a.at[k]);
        sin_sum += cross(of_b(k), a.at[k]);
    }
    const double turn = std::atan2(sin_sum, cos_sum);
    const double c = std::cos(turn);
    const double s = std::sin(turn);
    double worst = 0;
    for (int k = 0; k < samples; ++k) {
        const Point p = of_b(k);
        worst = std::max(worst, distance({p.x * c - p.y * s, p.x * s + p.y * c}, a.at[k]));
    }
    return worst;
}

bool twins(const Signature& a, const Signature& b, double tolerance) {
    const double size = std::max(a.size, b.size);
    if (std::abs(a.area - b.area) > 2 * tolerance * std::max(a.area, b.area) + 1e-12) return false;
    if (std::abs(a.edge - b.edge) > 2 * tolerance * std::max(a.edge, b.edge)) return false;
    // Samples fall up to half a step apart on the two rings, so the bar is a little higher than asked.
    const double allowed = tolerance * size + a.edge / samples * 0.5;
    for (const bool mirrored : {false, true})
        for (int shift = 0; shift < samples; ++shift) {
            // Cheap look first: distance from the centroid does not depend on the turn.
            bool plausible = true;
            for (int k = 0; k < samples && plausible; k += 8) {
                const int j = ((mirrored ? shift - k : shift + k) % samples + samples) % samples;
                plausible = std::abs(length(a.at[k]) - length(b.at[j])) <= allowed;
            }
            if (plausible && misfit(a, b, shift, mirrored) <= allowed) return true;
        }
    return false;
}

} // namespace

std::vector<std::vector<int>> congruent_groups(const std::vector<Ring>& rings, double tolerance) {
    std::vector<Signature> signatures;
    signatures.reserve(rings.size());
    for (const Ring& r : rings) signatures.push_back(signature(r));
    std::vector<int> order(rings.size());
    for (std::size_t i = 0; i < order.size(); ++i) order[i] = static_cast<int>(i);
    std::stable_sort(order.begin(), order.end(),
                     [&](int a, int b) { return signatures[a].area < signatures[b].area; });
    std::vector<int> leader(rings.size(), -1);
    std::vector<std::vector<int>> groups;
    for (std::size_t i = 0; i < order.size(); ++i) {
        if (leader[order[i]] >= 0) continue;
        std::vector<int> group{order[i]};
        for (std::size_t j = i + 1; j < order.size(); ++j) {
            const Signature& a = signatures[order[i]];
            const Signature& b = signatures[order[j]];
            if (b.area > a.area * (1 + 4 * tolerance) + 1e-12) break;
            if (leader[order[j]] < 0 && twins(a, b, tolerance)) {
                leader[order[j]] = order[i];
                group.push_back(order[j]);
            }
        }
        if (group.size() > 1) {
            std::sort(group.begin(), group.end());
            groups.push_back(std::move(group));
        }
    }
    std::sort(groups.begin(), groups.end());
    return groups;
}

} // namespace zesty
