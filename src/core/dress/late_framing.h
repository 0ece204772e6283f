#pragma once
// A frame that comes last: where the page is trimmed or covered, and what that hides. Page millimetres.

#include "core/dress/pile.h"

namespace zesty {

/// What stays of a leaf inside the frame; empty where nothing does.
Ring inside_frame(const Box& leaf, const LateFrame& frame);

/// Nothing without a frame.
std::optional<LateFrameFacts> late_frame_facts(const DressNow& now, const std::vector<LyingThing>& pile,
                                               const std::vector<WetFacts>& wet,
                                               const std::vector<TitleFacts>& titles);

/// A strip, or a corner piece, of the frame as it is cut.
struct FrameBlank {
    std::string name;
    std::string paper;
    Polygon outline; ///< upright about the origin
};
/// Whole frames behind a page that is trimmed come in one piece; with two papers, and over the page, in
/// strips: upper and lower ones run the whole width, those at the sides between them.
std::vector<FrameBlank> frame_blanks(const Page& page, const LateFrame& frame);

} // namespace zesty
