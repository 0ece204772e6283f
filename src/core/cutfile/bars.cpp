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
        const int rings = lines_.openings + static_cast<int>(pieces_.size());
        for (int r = 0; r < rings; ++r) walk(r);
        for (const auto& pair : beside_) measure(pair);
        add_diagonals();
        std::vector<Bar> out;
        for (auto& [key, bar] : bars_) out.push_back(bar);
        std::stable_sort(out.begin(), out.end(),
                         [](const Bar& x, const Bar& y) { return x.width < y.width; });
        return out;
    }

private:
    const Ring& ring(int number) const {
        return number < lines_.openings ? openings_[number].outline.outer
                                        : pieces_[number - lines_.openings].outline.outer;
    }
    int piece_of(int number) const {
        return number < lines_.openings ? openings_[number].piece : number - lines_.openings;
    }

    /// Walks along a contour and looks across the bar for the nearest other line of the piece, which is by
    /// nature not hidden behind a third. Where that is far away the next look may be farther on.
    void walk(int number) {
        const int piece = piece_of(number);
        if (pieces_[piece].openings.empty()) return;
        const Ring& r = ring(number);
        const double least = lines_.grid.box().diagonal() * 1e-4;
        double until = 0; // the next look, in walked length
        double walked = 0;
        for (std::size_t i = 0; i < r.size(); ++i) {
            const Point a = r[i];
            const Point b = r[(i + 1) % r.size()];
            const double l = distance(a, b);
            for (; until <= walked + l && l > 0; until += least) {
                const Point p = a + (b - a) * ((until - walked) / l);
                const auto hit =
                    lines_.grid.nearest(p, std::numeric_limits<double>::infinity(), [&](const Segment& t) {
                        return t.group == piece && t.ring != number;
                    });
                if (!hit) return;
                const int other = lines_.grid.segments()[hit->segment].ring;
                beside_.insert(std::minmax(number, other));
                until += hit->distance / 3;
            }
            walked += l;
        }
    }

    void measure(std::pair<int, int> pair) {
        const Gap g = measured(pair.second).gap_to(measured(pair.first));
        const int b = lines_.node(pair.second);
        bars_.emplace(std::pair(pair.first, b), Bar{pair.first, b, g.distance, g.to, g.from});
    }

    const MeasuredRing& measured(int number) {
        return measured_.try_emplace(number, ring(number)).first->second;
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
        std::set<std::pair<int, int>> tried;
        for (std::size_t i = 0; i < next.size(); ++i) {
            for (int j : next[i])
                for (int k : next[j]) {
                    const std::pair<int, int> pair{static_cast<int>(i), k};
                    if (k <= static_cast<int>(i) || bars_.contains(pair) || !tried.insert(pair).second)
                        continue;
                    const Gap g = measured(pair.first).gap_to(measured(k));
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
    std::set<std::pair<int, int>> beside_; ///< ring numbers; the first is always an opening
    std::map<int, MeasuredRing> measured_;
    std::map<std::pair<int, int>, Bar> bars_; ///< by openings, or opening and edge
};

} // namespace

std::vector<Bar> find_bars(const std::vector<Piece>& pieces, const std::vector<Opening>& openings) {
    if (openings.empty()) return {};
    return BarFinder(pieces, openings).all();
}

} // namespace zesty
