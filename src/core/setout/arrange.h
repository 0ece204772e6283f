#pragma once
// Where photos and rooms may lie so that they cover little of the cuts: several ways that are really
// different. Page millimetres.

#include "core/setout/photo.h"
#include "core/setout/rooms.h"
#include "core/stop.h"

#include <vector>

namespace zesty {

struct ArrangeQuestion {
    std::vector<Box> bases;    ///< of the page, or of both pages of a spread: nothing leaves the one it is on
    Region silhouette;         ///< of all cuts together, openings filled
    Region over_photos;        ///< material that covers what lies behind the cuts
    std::vector<Photo> photos; ///< laid upright; those without a picture may be turned by a quarter
    std::vector<RoomWanted> rooms; ///< may be turned by a quarter, but not titles
    double may_cover = 0.3;        ///< share of the silhouette that photos and rooms may cover together
    bool cuts_move = false;        ///< the cuts may move together, to the middle, the edges and the corners
    double step = mm_per_eighth;   ///< places are this far apart, from the left and top of each base

    static constexpr double mm_per_eighth = 3.175;
};

struct Arrangement {
    std::vector<Photo> photos;
    std::vector<RoomWanted> rooms; ///< with their places
    Point cuts_moved;
    double covered = 0; ///< share of the silhouette
    double hidden = 1;  ///< share of what was to be hidden that is; 1 where nothing was
    Box free;           ///< the largest rectangle of the base that nothing lies on
};

struct Arranged {
    std::vector<Arrangement> found; ///< best first; none, where they cannot all lie there
    double short_mm2 = 0; ///< when none was found: what of the cut, or without it of the page, is too little
    bool without_cut = false; ///< when none was found: whether they would go if there were no cut
    double factor = 0; ///< when none was found: the cut at this many times its size would do; 0 for none
};

inline constexpr int arrangements_wanted = 3;
/// Two arrangements differ when their things lie this far apart on average, as a share of the longer side of
/// the base; things of one size are taken for each other.
inline constexpr double least_difference = 1.0 / 6;

/// Photos and rooms lie side by side, and over no protected part; what has a part that is to be hidden may
/// be overlapped there, and there alone, by what lies above it. Deterministic. A full search up to a bound,
/// then simulated annealing (S. Kirkpatrick, C. D. Gelatt and M. P. Vecchi, "Optimization by simulated
/// annealing", Science 220, 1983).
Arranged arrange(const ArrangeQuestion& question, const StopToken& stop = {});

/// How far apart two arrangements of the same things are, in millimetres.
double difference_of(const Arrangement& a, const Arrangement& b);

} // namespace zesty
