#pragma once
// The page, its base and its frame, as decided. All lengths in millimetres.
//
// A frame paper lies behind the base and shows round it by the reveals. It is one whole sheet that can be
// gutted, or strips glued along the sides that have a reveal.

#include "core/geometry/lengths.h"
#include "core/geometry/shapes.h"
#include "core/limits.h"
#include "core/names.h"

#include <string>
#include <vector>

namespace zesty {

struct Sides {
    double left = 0;
    double top = 0;
    double right = 0;
    double bottom = 0;

    static Sides even(double all) { return {all, all, all, all}; }
    bool is_even() const { return left == top && top == right && right == bottom; }
    double most() const { return std::max(std::max(left, right), std::max(top, bottom)); }
    double least() const { return std::min(std::min(left, right), std::min(top, bottom)); }
    bool operator==(const Sides&) const = default;
};

enum class FrameKind { Whole, Strips };
template <> inline constexpr std::array words_of<FrameKind>{"whole", "strips"};

struct Page {
    double width = 12 * mm_per_inch;  ///< of one page
    double height = 12 * mm_per_inch; ///< of one page
    bool spread = false;              ///< two such pages side by side
    double gap = 0;                   ///< between the pages of a spread
    double second_width = 0;          ///< of its second page, where that differs; 0 for the same
    double second_height = 0;
    Sides reveal; ///< how much of a frame paper shows; all 0 for no frame
    FrameKind frame = FrameKind::Whole;
    double glue_lip = mm_per_inch / 2; ///< of the frame paper behind the base
    double window_width = 0; ///< of the window in a whole frame, where somebody wants another; 0: by the lip
    double window_height = 0;
    std::string frame_paper;     ///< id of the frame's paper; empty when it is not from the stash
    bool gut = true;             ///< the middle of a whole frame is cut out and used
    std::string base_paper = {}; ///< id of the base's paper; empty when it is not from the stash
    std::string side_paper = {}; ///< id of the paper of the strips at the sides, where that is another
    bool under_photos = false;   ///< what of the base lies under photos may be cut out and used
    bool operator==(const Page&) const = default;

    bool framed() const { return reveal.most() > 0; }
    /// Page coordinates run over the whole spread, the gap included.
    double full_width() const { return spread ? width + gap + right_width() : width; }
    /// Of the higher page.
    double full_height() const { return spread ? std::max(height, right_height()) : height; }
    Box whole() const { return {0, 0, full_width(), full_height()}; }
    /// The one or two pages, their tops level.
    std::vector<Box> leaves() const {
        if (!spread) return {whole()};
        return {{0, 0, width, height}, {width + gap, 0, full_width(), right_height()}};
    }
    double right_width() const { return second_width > 0 ? second_width : width; }
    double right_height() const { return second_height > 0 ? second_height : height; }
    bool unequal() const { return spread && (right_width() != width || right_height() != height); }
    /// What of a leaf is base: the leaf inside its reveals.
    Box base_of(const Box& leaf) const {
        return {leaf.x0 + reveal.left, leaf.y0 + reveal.top, leaf.x1 - reveal.right, leaf.y1 - reveal.bottom};
    }
};

inline constexpr Limits page_side_limits{10, 3000};
inline constexpr Limits second_side_limits{0, 3000}; ///< of second page and window; 0 for none of its own
inline constexpr Limits page_length_limits{0, 1000}; ///< of gap, reveals and glue lip

} // namespace zesty
