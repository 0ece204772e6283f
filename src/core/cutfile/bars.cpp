#include "core/cutfile/bars.h"

#include "core/geometry/segment_grid.h"

#include <map>
#include <set>

namespace zesty {

namespace {

/// The lines a bar can lie between. Ring numbers: opening k is k, the outer edge of piece p is openings + p.
/// Group is the piece.
struct Lines {
    SegmentGrid grid;
    int openings;
    int node(int ring) const { return ring < openings ? ring : Bar::edge; }
};

Lines lines_of(const std::vector<Piece>& pieces, const std::vector<Opening>& openings) {
    std::vector<Segment> segments;
    const int n = static_cast<int>(openings.size());
    for (int i = 0; i < n; ++i) append_segments(segments, openings[i].outline.outer, i, openings[i].piece);
    for (std::size_t p = 0; p < pieces.size(); ++p)
        if (!pieces[p].openings.empty())
            append_segments(segments, pieces[p].outline.outer, n + static_cast<int>(p), static_cast<int>(p));
    return {SegmentGrid(std::move(segments)), n};
}

class BarFinder {
public:
    BarFinder(const std::vector<Piece>& pieces, const std::vector<Opening>& openings)
        : pieces_(pieces), openings_(openings), lines_(lines_of(pieces, openings)) {}

    std::vector<Bar> all() {
        for (const Segment& s : lines_.grid.segments()) walk(s);
        add_diagonals();
        std::vector<Bar> out;
        for (auto& [key, bar] : bars_) out.push_back(bar);
        std::stable_sort(out.begin(), out.end(),
                         [](const Bar& x, const Bar& y) { return x.width < y.width; });
        return out;
    }

private:
    /// Looks across the bar from every corner and along every long side. The nearest other line is by nature
    /// not hidden behind a third.
    void walk(const Segment& s) {
        const double long_side = std::max(lines_.grid.box().diagonal() / 100, 1e-9);
        const int steps = 1 + std::min(8, static_cast<int>(distance(s.a, s.b) / long_side));
        for (int k = 0; k < steps; ++k) {
            const Point p = s.a + (s.b - s.a) * (static_cast<double>(k) / steps);
            // The outer edge has no interest in itself, only in openings.
            const auto hit =
                lines_.grid.nearest(p, std::numeric_limits<double>::infinity(),
                                    [&](const Segment& t) { return t.group == s.group && t.ring != s.ring; });
            if (hit) offer(s.ring, lines_.grid.segments()[hit->segment].ring, hit->distance, p, hit->at);
        }
    }

    void offer(int ring, int other, double width, Point from, Point to) {
        int a = lines_.node(ring);
        int b = lines_.node(other);
        if (a == Bar::edge || (b != Bar::edge && b < a)) {
            std::swap(a, b);
            std::swap(from, to);
        }
        const auto [it, fresh] = bars_.try_emplace({a, b}, Bar{a, b, width, from, to});
        if (!fresh && width < it->second.width) it->second = Bar{a, b, width, from, to};
    }

    /// Openings that face each other only across the crossing of other bars, like fields of one colour on a
    /// chessboard: neighbours of neighbours with a clear line between them.
    void add_diagonals() {
        std::vector<std::set<int>> next(openings_.size());
        for (const auto& [key, bar] : bars_)
            if (bar.b != Bar::edge) {
                next[bar.a].insert(bar.b);
                next[bar.b].insert(bar.a);
            }
        std::map<int, MeasuredRing> rings;
        const auto ring = [&](int i) -> const MeasuredRing& {
            return rings.try_emplace(i, openings_[i].outline.outer).first->second;
        };
        std::set<std::pair<int, int>> tried;
        for (std::size_t i = 0; i < next.size(); ++i) {
            for (int j : next[i])
                for (int k : next[j]) {
                    const std::pair<int, int> pair{static_cast<int>(i), k};
                    if (k <= static_cast<int>(i) || bars_.contains(pair) || !tried.insert(pair).second)
                        continue;
                    const Gap g = ring(pair.first).gap_to(ring(k));
                    if (clear(g, pair.first, k))
                        bars_.emplace(pair, Bar{pair.first, k, g.distance, g.from, g.to});
                }
        }
    }

    bool clear(const Gap& g, int a, int b) const {
        return !lines_.grid.meets(g.from, g.to, [&](const Segment& s) {
            return s.group == openings_[a].piece && s.ring != a && s.ring != b;
        });
    }

    const std::vector<Piece>& pieces_;
    const std::vector<Opening>& openings_;
    Lines lines_;
    std::map<std::pair<int, int>, Bar> bars_;
};

} // namespace

std::vector<Bar> find_bars(const std::vector<Piece>& pieces, const std::vector<Opening>& openings) {
    if (openings.empty()) return {};
    return BarFinder(pieces, openings).all();
}

} // namespace zesty
