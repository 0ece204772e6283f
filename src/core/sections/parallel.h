#pragma once
// An outline parallel to an opening's contour, as plain as that: every edge is moved out by one distance and
// corners are mitred. Millimetres on the page.
//
// An edge may go as far as half the distance to what it faces across a shared bar, and short of what stops
// it. Edges that follow each other with hardly a turn are one curve and go equally far, so that arcs stay
// arcs. Corners sharper than 60 degrees are cut off at the distance of the lip.

#include "core/sections/reach.h"

namespace zesty {

class ParallelOutline {
public:
    /// `edge` must not cross itself; of one with less than three edges nothing comes. Keeps nothing of
    /// `reach`.
    ParallelOutline(const Ring& edge, bool outwards_is_left, const Reach& reach);

    /// Corner by corner. Where another patch comes first a corner keeps to its own part of the joint. May
    /// cross itself where the contour is hollow; a non-zero fill settles that.
    Ring ring() const;

    /// Cuts off the mitred corners whose tip is in the way of something, or all of them; whether there were
    /// any.
    template <class InTheWay> bool cut_corners(InTheWay in_the_way) {
        bool any = false;
        for (Corner& c : corners_)
            if (c.mitred && in_the_way(c.tip)) {
                c.mitred = false;
                any = true;
            }
        return any;
    }

private:
    struct Edge {
        Point a, b;
        Point out; ///< of length 1
        double length = 0;
        double by = 0;   ///< how far it is moved
        double half = 0; ///< how far if it met what it crosses to
    };
    struct Corner {
        bool mitred = false; ///< the tip stands for it; otherwise the points before and after
        Point tip, before, after;
        Ring steps; ///< all of the corner, where another patch comes first
    };

    double turn_at(std::size_t edge) const; ///< between this edge and the next; positive where a gap opens
    void find_room(const Reach& reach);
    Point mitre(const Edge& e, const Edge& f, double by_e, double by_f) const;
    Ring steps_at(const Edge& e, const Edge& f, Point tip) const;
    /// How far it may go, and how far if it met what it crosses to.
    std::pair<double, double> room_of(const Edge& e, double turn_before, double turn_after,
                                      const Reach& reach) const;
    void level_curves();
    Corner corner_at(std::size_t edge, const Reach& reach) const;

    double side_;
    std::vector<Edge> edges_;
    std::vector<Corner> corners_;
};

} // namespace zesty
