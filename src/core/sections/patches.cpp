#include "core/sections/patches.h"

#include "core/on_two_threads.h"
#include "core/sections/parallel.h"
#include "core/sections/reach.h"

#include <algorithm>
#include <optional>

namespace zesty {

namespace {

constexpr double outline_tolerance = 0.03;
constexpr double edge_tolerance = 0.08;    ///< of the opening's contour that a patch runs parallel to
constexpr double meeting_tolerance = 0.03; ///< by which patches may lie on each other
constexpr double least_hole = 4;           ///< mm2

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

bool box_near(const Ring& ring, Point p) {
    return bounds(ring).grown(1).contains(p);
}

class PatchMaker {
public:
    PatchMaker(const CutFile& cut, const std::vector<PatchWish>& wishes, const Transform& to_page,
               const Box& page, const SharedBars& bars, const GluedBefore& before)
        : cut_(cut), wishes_(wishes), to_page_(to_page), page_(page), bars_(bars), before_(before),
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

    /// First for all: as plain as its opening, and clear of everything but other patches.
    struct Draft {
        int opening = 0;
        Ring edge;
        std::optional<ParallelOutline> parallel;
        Polygon outline;
    };
    Result<Draft> draft(int opening) const {
        Draft d{opening, edge_of(opening), {}, {}};
        const Reach reach = reach_of(opening, d.edge);
        d.parallel.emplace(simplified({d.edge, {}}, edge_tolerance).outer, outwards_is_left(d.edge), reach);
        d.outline = filled(d.parallel->ring());
        if (sound(d, reach)) return d;
        d.parallel->cut_corners([](Point) { return true; });
        d.outline = filled(d.parallel->ring());
        if (sound(d, reach)) return d;
        d.outline = filled(grown_by_reach(d.edge, outwards_is_left(d.edge), reach));
        if (d.outline.outer.empty()) return degenerate(opening);
        return d;
    }

    /// Then for all, in order: none lies on another across a bar where they are to meet.
    void part(Draft& a, Draft& b) const {
        if (layer_of(a.opening) != layer_of(b.opening) ||
            bars_.between(a.opening, b.opening) == LipMode::Overlap || one_in_the_other(a, b) ||
            !overlap_by(a.outline.outer, b.outline.outer, meeting_tolerance))
            return;
        const auto cut = [&](auto in_the_way_of) {
            const Ring of_a = a.outline.outer;
            for (const auto& [mine, other] : {std::pair{&a, b.outline.outer}, std::pair{&b, of_a}})
                if (mine->parallel &&
                    mine->parallel->cut_corners([&](Point tip) { return in_the_way_of(other, tip); }))
                    mine->outline = filled(mine->parallel->ring());
            return !overlap_by(a.outline.outer, b.outline.outer, meeting_tolerance);
        };
        if (cut([](const Ring& other, Point tip) { return contains(other, tip); })) return;
        if (cut([](const Ring& other, Point tip) { return box_near(other, tip); })) return;
        for (Draft* d : {&a, &b}) {
            const Reach reach = reach_of(d->opening, d->edge);
            const Polygon most = filled(grown_by_reach(d->edge, outwards_is_left(d->edge), reach));
            const auto both = intersect({d->outline}, {most});
            d->parallel.reset();
            d->outline = both && !both->empty() ? simplified(largest(*both), outline_tolerance) : most;
        }
    }

    Result<Patch> finished(Draft d) const {
        Patch patch;
        patch.opening = d.opening;
        patch.lip_wanted = wishes_[d.opening].lip;
        patch.outline = std::move(d.outline);
        if (auto r = leave_inner_openings(d.opening, patch); !r) return tl::make_unexpected(r.error());
        patch.lip = gap(d.edge, patch.outline.outer).distance;
        if (auto r = trim(d.edge, patch); !r) return tl::make_unexpected(r.error());
        patch.area = area(patch.outline);
        return patch;
    }

private:
    Ring edge_of(int opening) const { return thinned(cut_.openings[opening].outline.outer, to_page_); }
    static bool outwards_is_left(const Ring& edge) { return signed_area(edge) < 0; }

    Reach reach_of(int opening, const Ring& edge) const {
        std::vector<int> ignored{opening};
        for (int p : cut_.openings[opening].inserts) ignored.push_back(ring_of_piece(p));
        return Reach(grid_, layer_of(opening), wishes_[opening].lip, on_bars_of(opening), ignored, edge);
    }

    /// Empty where nothing can be made of it.
    static Polygon filled(Ring ring) {
        const auto region = fill(FilledPath{{std::move(ring)}, FillRule::NonZero});
        if (!region || region->empty()) return {};
        Polygon out = simplified(largest(*region), outline_tolerance);
        std::erase_if(out.holes, [](const Ring& h) { return std::abs(signed_area(h)) < least_hole; });
        return out;
    }

    /// An opening of an insert lies before the patch behind the insert.
    static bool one_in_the_other(const Draft& a, const Draft& b) {
        return contains(a.edge, b.edge.front()) || contains(b.edge, a.edge.front());
    }

    bool sound(const Draft& d, const Reach& reach) const {
        return !d.outline.outer.empty() && !reach.meets_anything(d.outline.outer, d.edge) &&
               contains(d.outline.outer, to_page_(cut_.openings[d.opening].label.centre));
    }

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

    std::vector<OnBar> on_bars_of(int opening) const {
        std::vector<OnBar> out;
        if (bars_.all_meet()) return out;
        for (int other = 0; other < static_cast<int>(cut_.openings.size()); ++other)
            out.push_back(bars_.between(opening, other) == LipMode::Meet ? OnBar::Meets
                          : !before_ || before_(opening, other)          ? OnBar::Crosses
                                                                         : OnBar::Yields);
        return out;
    }

    int layer_of(int opening) const { return cut_.pieces[cut_.openings[opening].piece].layer; }
    int ring_of_piece(int piece) const { return static_cast<int>(cut_.openings.size()) + piece; }

    tl::unexpected<Error> degenerate(int opening) const {
        const Point c = to_page_(cut_.openings[opening].label.centre);
        return fail(ErrorKind::Geometry, "no patch could be made for opening " + std::to_string(opening + 1) +
                                             " at " + format_mm(c.x) + ", " + format_mm(c.y));
    }

    /// Behind an insert with openings of its own the patch must not show through those.
    Result<void> leave_inner_openings(int opening, Patch& patch) const {
        for (int piece : cut_.openings[opening].inserts) {
            if (cut_.pieces[piece].openings.empty()) continue;
            const Ring edge = thinned(cut_.pieces[piece].outline.outer, to_page_);
            const Reach reach(grid_, layer_of(opening), patch.lip_wanted, on_bars_of(opening),
                              {opening, ring_of_piece(piece)}, edge);
            const bool inwards_is_left = signed_area(edge) > 0;
            const Ring grown = grown_by_reach(edge, inwards_is_left, reach);
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
    const GluedBefore& before_;
    std::vector<char> backed_;
    SegmentGrid grid_;
};

} // namespace

double Patch::paper_area() const {
    if (rides_on >= 0) return 0;
    return blank.outer.empty() ? area : zesty::area(blank);
}

Result<std::vector<Patch>> make_patches(const CutFile& cut, const std::vector<PatchWish>& wishes,
                                        const Transform& to_page, const Box& page, const SharedBars& bars,
                                        const GluedBefore& before) {
    if (cut.openings.empty()) return std::vector<Patch>{};
    const PatchMaker maker(cut, wishes, to_page, page, bars, before);
    const std::vector<int> wanted = maker.wanted();
    std::vector<Result<PatchMaker::Draft>> drafts(wanted.size(), PatchMaker::Draft{});
    on_two_threads(wanted.size(), [&](std::size_t i) { drafts[i] = maker.draft(wanted[i]); });
    std::vector<Box> boxes;
    for (const auto& d : drafts) {
        if (!d) return tl::make_unexpected(d.error());
        boxes.push_back(bounds(d->outline));
    }
    const BoxIndex index(boxes);
    for (std::size_t i = 0; i < drafts.size(); ++i)
        for (const int k : index.meeting(boxes[i]))
            if (static_cast<std::size_t>(k) > i) maker.part(*drafts[i], *drafts[static_cast<std::size_t>(k)]);
    std::vector<Result<Patch>> made(wanted.size(), Patch{});
    on_two_threads(wanted.size(), [&](std::size_t i) { made[i] = maker.finished(std::move(*drafts[i])); });
    std::vector<Patch> out;
    for (Result<Patch>& p : made) {
        if (!p) return tl::make_unexpected(p.error());
        if (!p->outline.outer.empty()) out.push_back(std::move(*p));
    }
    return out;
}

} // namespace zesty
