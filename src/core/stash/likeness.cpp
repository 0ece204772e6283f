#include "core/stash/likeness.h"

#include <algorithm>
#include <cassert>
#include <cmath>

namespace zesty {

namespace {

/// Moves shares from one palette to another at the least cost: a transport problem of at most a dozen
/// colours, by paths of least cost one after the other.
class Transport {
public:
    Transport(const std::vector<PaletteColour>& a, const std::vector<PaletteColour>& b)
        : n_(a.size()), m_(b.size()), left_(shares(a)), room_(shares(b)), cost_(n_ * m_), flow_(n_ * m_) {
        std::vector<Lab> there;
        for (const PaletteColour& c : b) there.push_back(to_lab(c.colour));
        for (std::size_t i = 0; i < n_; ++i) {
            const Lab here = to_lab(a[i].colour);
            for (std::size_t j = 0; j < m_; ++j) cost_[i * m_ + j] = difference(here, there[j]);
        }
    }

    double least_cost() {
        // Every path fills a source, a sink or an edge: far fewer paths than this.
        for (std::size_t step = 0; step < 4 * (n_ + m_) * (n_ + m_) && augment(); ++step) {
        }
        double sum = 0;
        for (std::size_t e = 0; e < cost_.size(); ++e) sum += cost_[e] * flow_[e];
        return sum;
    }

private:
    static constexpr double nothing = 1e-9;
    static constexpr double far = 1e18;

    static std::vector<double> shares(const std::vector<PaletteColour>& palette) {
        double sum = 0;
        for (const PaletteColour& c : palette) sum += std::max(c.share, 0.0);
        std::vector<double> out;
        for (const PaletteColour& c : palette)
            out.push_back(sum > 0 ? std::max(c.share, 0.0) / sum : 1.0 / static_cast<double>(palette.size()));
        return out;
    }

    /// One path from a colour with something left to one with room (Bellman and Ford; taking back costs
    /// less).
    bool augment() {
        const std::size_t nodes = n_ + m_;
        std::vector<double> far_from(nodes, far);
        std::vector<std::size_t> from(nodes, nodes);
        for (std::size_t i = 0; i < n_; ++i)
            if (left_[i] > nothing) far_from[i] = 0;
        bool better = true;
        for (std::size_t round = 0; better && round < nodes; ++round) {
            better = false;
            for (std::size_t i = 0; i < n_; ++i)
                for (std::size_t j = 0; j < m_; ++j) {
                    const std::size_t e = i * m_ + j;
                    better |= shorten(far_from, from, i, n_ + j, cost_[e]);
                    if (flow_[e] > nothing) better |= shorten(far_from, from, n_ + j, i, -cost_[e]);
                }
        }
        std::size_t end = nodes;
        for (std::size_t j = 0; j < m_; ++j)
            if (room_[j] > nothing && far_from[n_ + j] < far &&
                (end == nodes || far_from[n_ + j] < far_from[end]))
                end = n_ + j;
        if (end == nodes) return false;
        push(from, end);
        return true;
    }

    static bool shorten(std::vector<double>& far_from, std::vector<std::size_t>& from, std::size_t a,
                        std::size_t b, double cost) {
        if (far_from[a] >= far || far_from[a] + cost >= far_from[b] - nothing) return false;
        far_from[b] = far_from[a] + cost;
        from[b] = a;
        return true;
    }

    void push(const std::vector<std::size_t>& from, std::size_t end) {
        double amount = room_[end - n_];
        std::size_t start = end;
        for (; from[start] < from.size(); start = from[start])
            if (start < n_) amount = std::min(amount, flow_[start * m_ + (from[start] - n_)]);
        amount = std::min(amount, left_[start]);
        for (std::size_t at = end; at != start; at = from[at]) {
            if (at >= n_)
                flow_[from[at] * m_ + (at - n_)] += amount;
            else
                flow_[at * m_ + (from[at] - n_)] -= amount;
        }
        left_[start] -= amount;
        room_[end - n_] -= amount;
    }

    std::size_t n_, m_;
    std::vector<double> left_, room_;
    std::vector<double> cost_, flow_;
};

/// About how large what repeats is, mm: nothing for what has no pattern.
std::optional<double> scale_of(const PaperFace& face) {
    switch (face.pattern) {
    case Pattern::Small:
        return face.repeat > 0 ? face.repeat : 10;
    case Pattern::Large:
        return face.repeat > 0 ? face.repeat : 40;
    case Pattern::Stripe:
        return face.repeat > 0 ? face.repeat : 15;
    case Pattern::Picture:
        return 150;
    case Pattern::Solid:
    case Pattern::Ombre:
        break;
    }
    return {};
}

/// 0 for the same scale, 1 for four times as large, or for a pattern against none.
double scales_apart(const PaperFace& a, const PaperFace& b) {
    const auto x = scale_of(a), y = scale_of(b);
    if (x.has_value() != y.has_value()) return 1;
    return x ? std::min(1.0, std::abs(std::log2(*x / *y)) / 2) : 0;
}

} // namespace

double palette_distance(const std::vector<PaletteColour>& a, const std::vector<PaletteColour>& b) {
    assert(!a.empty() && !b.empty());
    if (a.size() == 1 && b.size() == 1) return difference(to_lab(a[0].colour), to_lab(b[0].colour));
    return Transport(a, b).least_cost();
}

double unlikeness(const PaperFace& a, const PaperFace& b) {
    return unlikeness(a, b, palette_distance(palette_or_colour(a), palette_or_colour(b)));
}

double unlikeness(const PaperFace& a, const PaperFace& b, double palettes) {
    return palettes + scale_tells * scales_apart(a, b);
}

} // namespace zesty
