#pragma once
// The piece of paper that backs an opening.
//
// A patch is the opening grown by the lip as far as the bar lets it, as plain as the opening itself: its
// edges run parallel to the opening's, corners are mitred (see parallel.h). It meets the patches across
// shared bars within the bar, never enters another opening, and stays 0.3 mm short of edges where nothing
// meets it (half the bar where the bar is narrower than 0.6 mm). Where patches would lie on each other by
// more than 0.03 mm their corners are cut off there, and at the last they keep to their own half of the bars
// (see reach.h). All in page millimetres, seen from the front.

#include "core/sections/enlarged.h"
#include "core/sections/sections.h"
#include "core/sections/shared_bars.h"
#include "core/stop.h"

#include <functional>

namespace zesty {

struct Patch {
    int opening = 0;
    int section = 0; ///< index of the section
    Polygon outline;
    double area = 0;
    double lip_wanted = 0;
    double lip = 0;       ///< the smallest real lip: distance between the contours of opening and patch
    bool trimmed = false; ///< ends at the edge of the page, where there is no lip
    BackingMethod method = BackingMethod::MachinePatches;
    bool fell_back = false; ///< the method wanted does not work here: a machine patch instead
    double enlarged = 0;    ///< the factor of its copy; 0 for none
    NotEnlarged not_enlarged = NotEnlarged::No; ///< why it has none, where one was wanted
    double punch = 0;                           ///< diameter, for punches
    double border = 0; ///< what a punch on top leaves free around it at its narrowest
    Polygon blank;     ///< what is cut off the sheet first, where that is more than the patch
    int rides_on = -1; ///< the patch whose blank it is a part of
    int order = 0;     ///< place in the order of gluing, from 1

    /// What the sheet has to hold; empty for patches that ride on another.
    const Polygon& on_sheet() const { return blank.outer.empty() ? outline : blank; }
    /// What it takes of the paper.
    double paper_area() const;
};

/// What is wanted behind one opening.
struct PatchWish {
    bool backed = false;
    double lip = 0;
};

/// Whether the patch of one opening is glued before that of another.
using GluedBefore = std::function<bool(int opening, int other)>;

/// One patch for every opening that is to be backed, in order of openings. What would lie off `page` is
/// trimmed, an opening altogether off it gets none. Inserts lie on the patch, which runs through behind them
/// unless they have openings of their own. Where `bars` says overlap, patches cross the bar as far as the
/// other opening: with `before` only the one glued first, which leaves hardly a place with a third layer;
/// without it both, however many lie there.
Result<std::vector<Patch>> make_patches(const CutFile& cut, const std::vector<PatchWish>& wishes,
                                        const Transform& to_page, const Box& page,
                                        const SharedBars& bars = {}, const GluedBefore& before = {});

} // namespace zesty
