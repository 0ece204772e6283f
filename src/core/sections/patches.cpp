#include "core/sections/patches.h"

#include "core/geometry/segment_grid.h"
#include "core/on_two_threads.h"

#include <algorithm>
#include <optional>

namespace zesty {

namespace {

constexpr double edge_clearance = 0.3;
constexpr double outline_tolerance = 0.03;

/// What a contour means to a patch that comes near it.
enum Meeting : int { Shares = 0, Stops = 1 };

/// Segments of one cut and one meeting. Cuts that overlap know nothing of each other's contours.
int group_of(int layer, Meeting meeting) {
    return 2 * layer + meeting;
}

/// All contours on the page: openings that get paper share the bar, everything else stops the patch.
/// Ring numbers: opening k is k, pieces follow.
SegmentGrid contours(const CutFile& cut, const std::vector<char>& backed, const Transform& to_page) {
    std::vector<Segment> segments;
    const int n = static_cast<int>(cut.openings.size());
    for (int i = 0; i < n; ++i)
        append_segments(segments, transformed(cut.openings[i].outline.outer, to_page), i,
                        group_of(cut.pieces[cut.openings[i].piece].layer, backed[i] ? Shares : Stops));
    for (std::size_t p = 0; p < cut.pieces.size(); ++p)
        append_segments(segments, transformed(cut.pieces[p].outline.outer, to_page), n + static_cast<int>(p),
                        group_of(cut.pieces[p].layer, Stops));
    return SegmentGrid(std::move(segments));
}

/// Follows one contour of an opening and tells how far the patch may reach from each of its points.
class Reach {
public:
    /// What is near `edge`, sorted out once: it is asked about many times. `crossed`: by opening, whether the
    /// bar shared with it may be crossed; empty when none may. `ignored`: rings.
    Reach(const SegmentGrid& grid, int layer, double lip, const std::vector<char>& crossed,
          const std::vector<int>& ignored, const Ring& edge)
        : lip_(lip) {
        std::vector<const Segment*> near;
        // A circle of the lip's size that touches the edge comes no farther than this.
        grid.each_near(bounds(edge).grown(2 * lip + edge_clearance), [&](const Segment& s) {
            if ((s.group == group_of(layer, Stops) || s.group == group_of(layer, Shares)) &&
                std::find(ignored.begin(), ignored.end(), s.ring) == ignored.end())
                near.push_back(&s);
        });
        std::sort(near.begin(), near.end());
        near.erase(std::unique(near.begin(), near.end()), near.end());
        std::vector<Segment> shares;
        std::vector<Segment> stops;
        for (const Segment* s : near) {
            // One across a bar that may be crossed only stops the patch.
            const bool stopping =
                s->group == group_of(layer, Stops) || (!crossed.empty() && crossed[s->ring]);
            (stopping ? stops : shares).push_back(*s);
        }
        if (!shares.empty()) shares_.emplace(std::move(shares));
        if (!stops.empty()) stops_.emplace(std::move(stops));
    }

    double at(Point a, Point normal) const {
        const double shared = ball(shares_, a, normal, lip_);
        // A circle of this size lets the patch come as close to an edge as it may.
        const double enough = (shared + edge_clearance) / 2;
        const double free = ball(stops_, a, normal, enough);
        return free >= enough ? shared : std::max(free, 2 * free - edge_clearance);
    }

private:
    /// The radius, at most `largest`, of the ball touching a from the side of `normal` that is empty of
    /// these contours.
    static double ball(const std::optional<SegmentGrid>& contours, Point a, Point normal, double largest) {
        double r = largest;
        if (!contours) return r;
        for (int step = 0; step < 30; ++step) {
            const Point c = a + normal * r;
            const auto hit = contours->nearest(c, r * (1 - 1e-6), [](const Segment&) { return true; });
            if (!hit) break;
            const Point q = hit->at - a;
            const double ahead = dot(q, normal);
            const double next = ahead > 1e-12 ? dot(q, q) / (2 * ahead) : 0;
            if (next >= r * (1 - 1e-4)) break;
            r = next;
            if (r < 1e-3) return 0;
        }
        return r;
    }

    double lip_;
    std::optional<SegmentGrid> shares_;
    std::optional<SegmentGrid> stops_;
};

/// The contour moved outwards (away from the opening) by what `reach` allows, corners rounded. May cross
/// itself where the contour is hollow; a non-zero fill settles that.
class Grower {
public:
    Grower(const Ring& ring, bool outwards_is_left, const Reach& reach, double lip)
        : ring_(ring), side_(outwards_is_left ? 1 : -1), reach_(reach), lip_(lip) {}

    Ring run() {
        const std::size_t n = ring_.size();
        for (std::size_t i = 0; i < n; ++i) {
            const Point a = ring_[i];
            const Point b = ring_[(i + 1) % n];
            const Point c = ring_[(i + 2) % n];
            const Point m = normal(a, b);
            const double ta = reach_.at(a, m);
            const double tb = reach_.at(b, m);
            out_.push_back(a + m * ta);
            along(a, ta, b, tb, m, 0);
            out_.push_back(b + m * tb);
            corner(b, m, normal(b, c));
        }
        return std::move(out_);
    }

private:
    Point normal(Point a, Point b) const {
        const Point d = b - a;
        const double l = std::max(length(d), 1e-12);
        return Point{-d.y / l, d.x / l} * side_;
    }

    /// Points between a and b, denser where the reach changes or is short.
    void along(Point a, double ta, Point b, double tb, Point m, int depth) {
        const double l = distance(a, b);
        if (depth > 9 || l < 0.25) return;
        const bool full = ta >= lip_ && tb >= lip_;
        const double wanted = full ? std::max(1.5, lip_) : std::clamp(0.5 * std::min(ta, tb), 0.3, 0.8);
        if (l < wanted) return;
        const Point h = (a + b) * 0.5;
        const double th = reach_.at(h, m);
        along(a, ta, h, th, m, depth + 1);
        out_.push_back(h + m * th);
        along(h, th, b, tb, m, depth + 1);
    }

    void corner(Point at, Point from, Point to) {
        const double turn = std::atan2(cross(from, to), dot(from, to));
        // Outwards is left of travel when side_ is 1: then a right turn opens a gap that an arc must fill.
        if (turn * side_ >= -0.05) return;
        const int steps = static_cast<int>(std::ceil(std::abs(turn) / 0.35));
        for (int k = 1; k < steps; ++k) {
            const double w = turn * k / steps;
            const Point m{from.x * std::cos(w) - from.y * std::sin(w),
                          from.x * std::sin(w) + from.y * std::cos(w)};
            out_.push_back(at + m * reach_.at(at, m));
        }
    }

    const Ring& ring_;
    double side_;
    const Reach& reach_;
    double lip_;
    Ring out_;
};

/// Points that a patch cannot notice only cost time.
Ring thinned(const Ring& ring, const Transform& to_page) {
    Ring out;
    for (Point p : ring) {
        const Point q = to_page(p);
        if (out.empty() || distance(out.back(), q) > 0.01) out.push_back(q);
    }
    while (out.size() > 3 && distance(out.front(), out.back()) <= 0.01) out.pop_back();
    return out;
}

class PatchMaker {
public:
    PatchMaker(const CutFile& cut, const std::vector<PatchWish>& wishes, const Transform& to_page,
               const Box& page, const SharedBars& bars)
        : cut_(cut), wishes_(wishes), to_page_(to_page), page_(page), bars_(bars),
          backed_(cut.openings.size(), 0), grid_(SegmentGrid({})) {
        for (std::size_t o = 0; o < backed_.size(); ++o) backed_[o] = wishes[o].backed;
        grid_ = contours(cut, backed_, to_page);
    }

    std::vector<int> wanted() const {
        std::vector<int> out;
        for (std::size_t o = 0; o < backed_.size(); ++o)
            if (backed_[o]) out.push_back(static_cast<int>(o));
        return out;
    }

    Result<Patch> make(int opening) const {
        Patch patch;
        patch.opening = opening;
        patch.lip_wanted = wishes_[opening].lip;
        const Ring edge = thinned(cut_.openings[opening].outline.outer, to_page_);
        std::vector<int> ignored{opening};
        for (int p : cut_.openings[opening].inserts) ignored.push_back(ring_of_piece(p));
        const Reach reach(grid_, layer_of(opening), patch.lip_wanted, crossed_from(opening), ignored, edge);
        const bool outwards_is_left = signed_area(edge) < 0;
        auto region = fill(
            FilledPath{{Grower(edge, outwards_is_left, reach, patch.lip_wanted).run()}, FillRule::NonZero});
        if (!region) return tl::make_unexpected(region.error());
        if (region->empty()) return degenerate(opening);
        patch.outline = simplified(largest(*region), outline_tolerance);
        std::erase_if(patch.outline.holes, [](const Ring& h) { return std::abs(signed_area(h)) < 4; });
        if (auto r = leave_inner_openings(opening, patch); !r) return tl::make_unexpected(r.error());
        patch.lip = gap(edge, patch.outline.outer).distance;
        if (auto r = trim(edge, patch); !r) return tl::make_unexpected(r.error());
        patch.area = area(patch.outline);
        return patch;
    }

private:
    /// What hangs off the page is trimmed after gluing: it needs no paper.
    Result<void> trim(const Ring& edge, Patch& patch) const {
        if (page_.holds(bounds(patch.outline))) return {};
        const auto kept = clipped(patch.outline, page_);
        if (!kept) return tl::make_unexpected(kept.error());
        patch.trimmed = true;
        patch.outline = kept->empty() ? Polygon{} : largest(*kept);
        patch.lip = lip_inside(edge, patch);
        return {};
    }

    /// The smallest lip where the opening's contour runs on the page; the trimmed edge is not glued.
    double lip_inside(const Ring& edge, const Patch& patch) const {
        double least = patch.lip_wanted;
        const auto inside = [&](Point p, double by) {
            return p.x > page_.x0 + by && p.y > page_.y0 + by && p.x < page_.x1 - by && p.y < page_.y1 - by;
        };
        const Ring& outer = patch.outline.outer;
        for (std::size_t i = 0; i < outer.size(); ++i) {
            const Point a = outer[i];
            const Point b = outer[(i + 1) % outer.size()];
            if (!inside((a + b) * 0.5, 0.01)) continue;
            for (Point p : edge)
                if (inside(p, 0.01)) least = std::min(least, distance_to_segment(p, a, b));
        }
        return least;
    }

    std::vector<char> crossed_from(int opening) const {
        std::vector<char> out;
        if (bars_.all_meet()) return out;
        for (int other = 0; other < static_cast<int>(cut_.openings.size()); ++other)
            out.push_back(bars_.between(opening, other) == LipMode::Overlap);
        return out;
    }

    int layer_of(int opening) const { return cut_.pieces[cut_.openings[opening].piece].layer; }
    int ring_of_piece(int piece) const { return static_cast<int>(cut_.openings.size()) + piece; }

    Result<Patch> degenerate(int opening) const {
        const Point c = to_page_(cut_.openings[opening].label.centre);
        return fail(ErrorKind::Geometry, "no patch could be made for opening " + std::to_string(opening + 1) +
                                             " at " + format_mm(c.x) + ", " + format_mm(c.y));
    }

    /// Behind an insert with openings of its own the patch must not show through those.
    Result<void> leave_inner_openings(int opening, Patch& patch) const {
        for (int piece : cut_.openings[opening].inserts) {
            if (cut_.pieces[piece].openings.empty()) continue;
            const Ring edge = thinned(cut_.pieces[piece].outline.outer, to_page_);
            const Reach reach(grid_, layer_of(opening), patch.lip_wanted, crossed_from(opening),
                              {opening, ring_of_piece(piece)}, edge);
            const bool inwards_is_left = signed_area(edge) > 0;
            const Ring grown = Grower(edge, inwards_is_left, reach, patch.lip_wanted).run();
            // Everything but what the lip does not reach: a frame around, running the other way, turns the
            // loops that the grown line makes in corners into covered area.
            const Box b = bounds(edge).grown(10);
            Ring frame = ring_of(b);
            if (signed_area(edge) > 0) std::reverse(frame.begin(), frame.end());
            const auto covered = fill(FilledPath{{frame, grown}, FillRule::NonZero});
            if (!covered) return tl::make_unexpected(covered.error());
            const auto hole = subtract({{edge, {}}}, *covered);
            if (!hole) return tl::make_unexpected(hole.error());
            const auto rest = subtract({patch.outline}, *hole);
            if (!rest) return tl::make_unexpected(rest.error());
            if (!rest->empty()) patch.outline = largest(*rest);
        }
        return {};
    }

    const CutFile& cut_;
    const std::vector<PatchWish>& wishes_;
    Transform to_page_;
    Box page_;
    const SharedBars& bars_;
    std::vector<char> backed_;
    SegmentGrid grid_;
};

} // namespace

double Patch::paper_area() const {
    if (rides_on >= 0) return 0;
    return blank.outer.empty() ? area : zesty::area(blank);
}

Result<std::vector<Patch>> make_patches(const CutFile& cut, const std::vector<PatchWish>& wishes,
                                        const Transform& to_page, const Box& page, const SharedBars& bars) {
    if (cut.openings.empty()) return std::vector<Patch>{};
    const PatchMaker maker(cut, wishes, to_page, page, bars);
    const std::vector<int> wanted = maker.wanted();
    std::vector<Result<Patch>> made(wanted.size(), Patch{});
    on_two_threads(wanted.size(), [&](std::size_t i) { made[i] = maker.make(wanted[i]); });
    std::vector<Patch> out;
    for (Result<Patch>& p : made) {
        if (!p) return tl::make_unexpected(p.error());
        if (!p->outline.outer.empty()) out.push_back(std::move(*p));
    }
    return out;
}

} // namespace zesty
