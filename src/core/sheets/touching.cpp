#include "core/sheets/touching.h"

#include "core/chance.h"
#include "core/sheets/wide.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace zesty {

namespace {

constexpr int turns_tried = 24;
constexpr int block = 8; ///< of points, looked up at once
constexpr int fine_points = 64, rough_points = 24;
constexpr float least_apart = 1.5F;                    ///< of points on an outline, mm
constexpr float net = 14;                              ///< places tried along a piece
constexpr float close_by = 3;                          ///< what is nearer counts as touched, mm
constexpr float steep = 5;                             ///< what overlapping by a millimetre costs a point
constexpr float too_deep = 0.4F;                       ///< to be moved apart, mm
constexpr float far_too_deep = 0.8F;                   ///< for a place found roughly
constexpr float fine_step = 0.3F, finest_step = 0.02F; ///< of moving uphill, mm
constexpr float hopeless = -0.3F;                      ///< as a score of the coarse net
constexpr std::size_t more_than_enough = 64;           ///< nodes for each that is tried
constexpr float lowest = -std::numeric_limits<float>::infinity();

int rounded(float v) {
    return static_cast<int>(std::floor(v + 0.5F));
}

/// Points at equal distances along a closed ring: about as many as wanted, in whole blocks.
OutlinePoints::Points points_along(const FloatRing& ring, int most) {
    const std::size_t n = ring.x.size() - 1;
    float around = 0;
    for (std::size_t i = 0; i < n; ++i)
        around += std::hypot(ring.x[i + 1] - ring.x[i], ring.y[i + 1] - ring.y[i]);
    const int wanted = std::clamp(rounded(around / least_apart / block) * block, block, most);
    const float apart = around / static_cast<float>(wanted);
    std::vector<std::pair<float, float>> all;
    float next = apart / 2;
    for (std::size_t i = 0; i < n; ++i) {
        const float dx = ring.x[i + 1] - ring.x[i], dy = ring.y[i + 1] - ring.y[i];
        const float length = std::hypot(dx, dy);
        for (; next < length; next += apart)
            all.emplace_back(ring.x[i] + dx * next / length, ring.y[i] + dy * next / length);
        next -= length;
    }
    all.resize(wanted, {ring.x[0], ring.y[0]}); // rounding may leave one out or bring one more
    std::sort(all.begin(), all.end(), [](const auto& a, const auto& b) {
        return a.first * a.first + a.second * a.second > b.first * b.first + b.second * b.second;
    });
    OutlinePoints::Points out;
    for (const auto& [x, y] : all) {
        out.x.push_back(x);
        out.y.push_back(y);
    }
    return out;
}

/// `sum` and what the points, in whole blocks, add to it, which is nothing where they touch; lowest once it
/// is below `least`.
ZESTY_WIDE float touch_of(const float* at, const int* step, int n, float per_range, float fall, float sum,
                          float least) {
    for (int from = 0; from < n; from += block) {
        float part[block];
        for (int i = 0; i < block; ++i) {
            const float far = at[step[from + i]];
            part[i] = fall * lesser(far, 0) - lesser(1, greater(far, 0) * per_range);
        }
        for (int half = block / 2; half > 0; half /= 2)
            for (int i = 0; i < half; ++i) part[i] += part[i + half];
        sum += part[0];
        if (sum < least) return lowest;
    }
    return sum;
}

float step_for(float diameter) {
    return std::clamp(diameter / net, 1.F, 4.F);
}

} // namespace

OutlinePoints::OutlinePoints(const CrowdJob& job) {
    for (const Claim& c : job.claims) {
        const TurnedClaim upright = c.turned(0);
        fine.push_back(points_along(upright.claim, fine_points));
        rough.push_back(points_along(upright.claim, rough_points));
        poles.push_back(upright.poles);
    }
}

/// The best of the net, not twice about one place.
class Touching::Best {
public:
    Best(float step, std::size_t most) : step_(step), most_(most) {}

    float step() const { return step_; }
    float enough() const { return all_.size() < most_ ? hopeless : all_.back().score; }
    std::vector<Touch> take() { return std::move(all_); }

    void keep(const CrowdSpot& spot, float score) {
        const auto same = std::find_if(all_.begin(), all_.end(), [&](const Touch& t) {
            return t.spot.way == spot.way &&
                   std::abs(t.spot.x - spot.x) + std::abs(t.spot.y - spot.y) <= 2.5F * step_ &&
                   (spot.way >= 0 || std::abs(t.spot.rotation_deg - spot.rotation_deg) <= 30);
        });
        if (same != all_.end()) {
            if (same->score >= score) return;
            all_.erase(same);
        }
        all_.insert(std::find_if(all_.begin(), all_.end(), [&](const Touch& t) { return t.score < score; }),
                    {spot, score});
        if (all_.size() > most_) all_.pop_back();
    }

private:
    float step_;
    std::size_t most_;
    std::vector<Touch> all_;
};

const OutlinePoints::Points& Touching::turned(int piece, double deg) {
    if (piece_ == piece && deg_ == deg) return turned_;
    piece_ = piece;
    deg_ = deg;
    const auto c = static_cast<float>(std::cos(deg * M_PI / 180));
    const auto s = static_cast<float>(std::sin(deg * M_PI / 180));
    const OutlinePoints::Points& from = points_.fine[piece];
    turned_.x.resize(from.x.size());
    turned_.y.resize(from.x.size());
    for (std::size_t i = 0; i < from.x.size(); ++i) {
        turned_.x[i] = from.x[i] * c - from.y[i] * s;
        turned_.y[i] = from.x[i] * s + from.y[i] * c;
    }
    poles_ = points_.poles[piece].turned(c, s);
    return turned_;
}

const Touching::Stencil& Touching::stencil(int piece, double deg, const Clearance& clear) {
    const auto c = static_cast<float>(std::cos(deg * M_PI / 180)) / clear.cell();
    const auto s = static_cast<float>(std::sin(deg * M_PI / 180)) / clear.cell();
    Stencil& out = stencil_;
    out.left = out.right = out.up = out.down = 0;
    out.points.clear();
    const auto place = [&](float px, float py) {
        const int x = rounded(px * c - py * s), y = rounded(px * s + py * c);
        out.left = std::min(out.left, x);
        out.right = std::max(out.right, x);
        out.up = std::min(out.up, y);
        out.down = std::max(out.down, y);
        return y * clear.columns() + x;
    };
    const OutlinePoints::Points& from = points_.rough[piece];
    for (std::size_t i = 0; i < from.x.size(); ++i) out.points.push_back(place(from.x[i], from.y[i]));
    const Poles& poles = points_.poles[piece];
    out.pole_count = poles.count;
    for (int i = 0; i < poles.count; ++i) {
        out.poles[i] = place(poles.x[i], poles.y[i]);
        out.radius[i] = std::min(poles.r[i], clear.reach());
    }
    return out;
}

void Touching::try_nodes(const Clearance& clear, const Stencil& s, const std::vector<Node>& nodes,
                         CrowdSpot spot, Best& best) {
    const int n = static_cast<int>(s.points.size());
    const auto all = static_cast<float>(n);
    const float per_range = 1 / (close_by + best.step()), fall = 1.5F / best.step();
    for (const Node& node : nodes) {
        if (node.column + s.left < 0 || node.column + s.right >= clear.columns() || node.row + s.up < 0 ||
            node.row + s.down >= clear.rows())
            continue;
        const float* at = clear.node(node.column, node.row);
        const float least = all * best.enough();
        float sum = all;
        for (int i = 0; i < s.pole_count; ++i) sum += 2 * fall * std::min(0.F, at[s.poles[i]] - s.radius[i]);
        if (sum < least) continue;
        sum = touch_of(at, s.points.data(), n, per_range, fall, sum, least);
        if (sum == lowest) continue;
        spot.x = clear.x_of(node.column);
        spot.y = clear.y_of(node.row);
        best.keep(spot, sum / all);
    }
}

/// Every stride-th node of a part of the sheet that has more room than that, block by block.
std::vector<Touching::Node> Touching::free_nodes(const Clearance& clear, const FloatBox& where, float room,
                                                 int stride, int right, int down) {
    constexpr int block = Clearance::block;
    const int column0 = clear.column_at(where.x0) + right, column1 = clear.column_at(where.x1);
    const int row0 = clear.row_at(where.y0) + down, row1 = clear.row_at(where.y1);
    // The first at or after a node that is a whole number of strides from where it begins.
    const auto from = [&](int node, int begin) {
        return node <= begin ? begin : begin + (node - begin + stride - 1) / stride * stride;
    };
    std::vector<Node> out;
    for (int down_block = row0 / block; down_block <= row1 / block; ++down_block)
        for (int right_block = column0 / block; right_block <= column1 / block; ++right_block) {
            if (clear.most_in(right_block, down_block) <= room) continue;
            const int last_row = std::min(row1, (down_block + 1) * block - 1);
            const int last_column = std::min(column1, (right_block + 1) * block - 1);
            const int first_column = from(right_block * block, column0);
            for (int row = from(down_block * block, row0); row <= last_row; row += stride)
                for (int column = first_column; column <= last_column; column += stride)
                    if (*clear.node(column, row) > room) out.push_back({column, row});
        }
    return out;
}

std::vector<Touch> Touching::coarse(int piece, int sheet, const Clearance& clear, const FloatBox& where,
                                    const Effort& effort, std::mt19937& random) {
    const float wanted = step_for(static_cast<float>(job_.claims[piece].diameter()));
    const int stride = std::max(1, rounded(wanted / clear.cell()));
    const float step = static_cast<float>(stride) * clear.cell();
    const float room = std::min(points_.poles[piece].r[0], clear.reach()) - 0.6F * step;
    // Where there is so much room that few of the nodes are tried, fewer are looked at.
    const std::size_t all = clear.nodes_with(room) / (static_cast<std::size_t>(stride) * stride);
    const int apart = all > more_than_enough * effort.nodes ? 2 * stride : stride;
    std::vector<Node> nodes = free_nodes(clear, where, room, apart, static_cast<int>(random() % apart),
                                         static_cast<int>(random() % apart));
    if (nodes.size() > effort.nodes) {
        const std::size_t offset = random() % nodes.size();
        for (std::size_t k = 0; k < effort.nodes; ++k)
            nodes[k] = nodes[(k * nodes.size() + offset) / effort.nodes];
        nodes.resize(effort.nodes);
    }
    Best best(step, effort.places);
    if (nodes.empty()) return {};
    const auto& ways = job_.ways[piece];
    const int turns = ways.empty() ? turns_tried : static_cast<int>(ways.size());
    const double phase = chance(random);
    for (int k = 0; k < turns; ++k) {
        CrowdSpot spot{sheet, -1, 0, 0, 0};
        if (ways.empty())
            spot.rotation_deg = 360.0 / turns_tried * (k + phase);
        else
            spot.way = k;
        try_nodes(clear, stencil(piece, job_.turn_deg(piece, spot), clear), nodes, spot, best);
    }
    return best.take();
}

/// Share of the outline that touches, less what reaches into something; lowest below `enough`.
float Touching::score(int piece, const Clearance& clear, const CrowdSpot& spot, float fall, float enough) {
    const OutlinePoints::Points& p = turned(piece, job_.turn_deg(piece, spot));
    const auto all = static_cast<float>(p.x.size());
    const float least = enough * all;
    float sum = all;
    for (int i = 0; i < poles_.count; ++i) {
        const float room = clear.at(spot.x + poles_.x[i], spot.y + poles_.y[i]);
        sum += 2 * fall * std::min(0.F, room - std::min(poles_.r[i], clear.reach()));
    }
    static_assert(block == Clearance::wide);
    for (std::size_t from = 0; from < p.x.size() && sum >= least; from += block) {
        float far[block];
        clear.at_all(spot.x, spot.y, &p.x[from], &p.y[from], far);
        for (const float f : far) sum += f >= 0 ? -std::min(1.F, f / close_by) : fall * f;
    }
    return sum < least ? lowest : sum / all;
}

float Touching::touch(int piece, const Clearance& clear, const CrowdSpot& spot) {
    return score(piece, clear, spot, 0, lowest);
}

/// How far the piece reaches into something at worst: 0 or less.
float Touching::deepest(int piece, const Clearance& clear, const CrowdSpot& spot) {
    const OutlinePoints::Points& p = turned(piece, job_.turn_deg(piece, spot));
    float least = 0;
    for (int i = 0; i < poles_.count; ++i)
        least = std::min(least, clear.at(spot.x + poles_.x[i], spot.y + poles_.y[i]) -
                                    std::min(poles_.r[i], clear.reach()));
    for (std::size_t i = 0; i < p.x.size(); ++i)
        least = std::min(least, clear.at(spot.x + p.x[i], spot.y + p.y[i]));
    return least;
}

Touch Touching::uphill(int piece, const Clearance& clear, Touch from, float step, float last,
                       std::mt19937& random) {
    const auto size = static_cast<float>(job_.claims[piece].diameter());
    from.score = score(piece, clear, from.spot, steep, lowest);
    while (step > last) {
        const unsigned axis = static_cast<std::uint32_t>(random()) % (job_.ways[piece].empty() ? 5U : 4U);
        Touch better = from;
        for (const float way : {step, -step}) {
            const CrowdSpot to = stepped(from.spot, axis, way, 0.5F * size);
            const float s = score(piece, clear, to, steep, better.score);
            if (s > better.score) better = {to, s};
        }
        const bool higher = better.score > from.score;
        from = better;
        step *= higher ? 1.1F : 0.6F;
    }
    return from;
}

std::vector<Touch> Touching::places(int piece, int sheet, const Clearance& clear, const FloatBox& where,
                                    const Effort& effort, std::mt19937& random) {
    std::vector<Touch> out;
    const float step = step_for(static_cast<float>(job_.claims[piece].diameter()));
    for (const Touch& t : coarse(piece, sheet, clear, where, effort, random)) {
        const Touch up = uphill(piece, clear, t, step / 2, fine_step, random);
        if (deepest(piece, clear, up.spot) >= -far_too_deep) out.push_back(up);
    }
    std::stable_sort(out.begin(), out.end(),
                     [](const Touch& a, const Touch& b) { return a.score > b.score; });
    return out;
}

std::optional<Touch> Touching::closer(int piece, const Clearance& clear, const Touch& from,
                                      std::mt19937& random) {
    const Touch up = uphill(piece, clear, from, fine_step, finest_step, random);
    if (deepest(piece, clear, up.spot) < -too_deep) return {};
    return up;
}

} // namespace zesty
