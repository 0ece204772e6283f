#pragma once
// How far a patch may reach from a point of its opening's contour: half of a bar that is shared, short of an
// edge where nothing meets it. Millimetres on the page.
//
// Found with the largest circle that touches the contour there and holds no point of another contour (the
// shrinking-ball construction: J. Ma, S. W. Bae, S. Choi, "3D medial axis point approximation using nearest
// neighbors and the normal field", The Visual Computer 28, 2012): its centre is as far from this opening as
// from the other.

#include "core/cutfile/cut_file.h"
#include "core/geometry/segment_grid.h"

#include <optional>

namespace zesty {

inline constexpr double edge_clearance = 0.3; ///< between a patch and an edge where nothing meets it

/// What a contour means to a patch that comes near it.
enum Meeting : int { Shares = 0, Stops = 1 };

/// Segments of one cut and one meeting. Cuts that overlap know nothing of each other's contours.
inline int group_of(int layer, Meeting meeting) {
    return 2 * layer + meeting;
}

/// All contours on the page: openings that get paper share the bar, everything else stops the patch.
/// Ring numbers: opening k is k, pieces follow.
SegmentGrid contours(const CutFile& cut, const std::vector<char>& backed, const Transform& to_page);

/// What a patch does on the bar to another opening.
enum class OnBar : char {
    Meets,   ///< goes to the middle
    Crosses, ///< goes on to the other opening
    Yields ///< goes to the middle, as the other one crosses; at corners it keeps to its own part of the joint
};

/// Contours near one contour of an opening, sorted out once: they are asked about many times.
class Reach {
public:
    /// `on_bars`: by opening; empty where all meet. `ignored`: rings.
    Reach(const SegmentGrid& grid, int layer, double lip, const std::vector<OnBar>& on_bars,
          const std::vector<int>& ignored, const Ring& edge);

    /// In the direction of `normal`, at most the lip.
    double at(Point a, Point normal) const { return at(a, normal, lip_); }
    double at(Point a, Point normal, double most) const;

    double lip() const { return lip_; }
    template <class Visit> void each_share_near(const Box& box, Visit visit) const {
        if (shares_) shares_->each_near(box, visit);
    }
    /// Of those that are crossed to: they stop the patch, too.
    template <class Visit> void each_crossed_near(const Box& box, Visit visit) const {
        if (crossed_) crossed_->each_near(box, visit);
    }
    /// Whether an opening whose patch comes first is that near.
    bool yields_near(Point p, double limit) const;
    template <class Visit> void each_stop_near(const Box& box, Visit visit) const {
        if (stops_) stops_->each_near(box, visit);
    }
    /// How far the nearest contour that stops the patch is, at most `limit`.
    double to_a_stop(Point p, double limit) const;
    bool stopped_between(Point a, Point b) const;
    /// Whether the outline crosses a contour near it, or holds one that does not lie in the opening.
    bool meets_anything(const Ring& outline, const Ring& opening) const;

private:
    double lip_;
    std::optional<SegmentGrid> shares_;
    std::optional<SegmentGrid> stops_;
    std::optional<SegmentGrid> crossed_; ///< of those that stop
    std::optional<SegmentGrid> first_;   ///< of those that are shared
};

/// The contour moved outwards (away from the opening) by all that `reach` allows, corners rounded. May cross
/// itself where the contour is hollow; a non-zero fill settles that.
Ring grown_by_reach(const Ring& ring, bool outwards_is_left, const Reach& reach);

} // namespace zesty
