#pragma once
// The facts of Dress: what is written, on what, and what comes into its way.

#include "core/dress/decisions.h"
#include "core/dress/facts.h"
#include "core/finding.h"
#include "core/match/facts.h"
#include "core/sections/facts.h"
#include "core/setout/facts.h"
#include "core/stash/stash.h"
#include "core/stash/things_had.h"

namespace zesty {

struct DressNow {
    const DressDecisions& decided;
    const SetOutDecisions& page;
    const SetOut& whole;
    const SectionFacts& sections;
    const Stash& stash;
    const PaperFacts& papers;
    const std::vector<PhotoColours>& photo_colours; ///< by photo
    Units units = Units::Inches;
    const std::vector<BarPlace>* bar_places = nullptr; ///< of the composed cut; null without one
    double foam_width = mm_per_inch / 8;
    const ThingsHad* had = nullptr; ///< what the page has taken from the stash already; null for nothing
};

DressFacts dress_facts(const DressNow& now);

/// Words without a place, pens that are hardly seen, and what lies on the writing.
std::vector<Finding> writing_findings(const DressFacts& facts);
/// Mats that are not seen, cannot be read or compete, and pieces of paper without a place on a sheet.
std::vector<Finding> mat_findings(const DressNow& now, const DressFacts& facts);
/// Slivers that are left of openings.
std::vector<Finding> coverage_findings(const DressNow& now, const CoverageFacts& facts);

/// Titles that are too long, short of letters or hard to read.
std::vector<Finding> title_findings(const DressNow& now, const DressFacts& facts);
/// Embellishments that are short, hardly seen, or show a white rim on a dark photo.
std::vector<Finding> embellishment_findings(const DressNow& now, const DressFacts& facts);

/// What is too high, shows foam, lies on two levels or is held badly.
std::vector<Finding> hold_findings(const DressNow& now, const DressFacts& facts);
/// Wet work that nobody will see, or that wants care.
std::vector<Finding> wet_findings(const DressNow& now, const DressFacts& facts);
/// What a frame that comes last hides.
std::vector<Finding> late_frame_findings(const DressNow& now, const DressFacts& facts);

/// All of them.
std::vector<Finding> dress_findings(const DressNow& now, const DressFacts& facts);

} // namespace zesty
