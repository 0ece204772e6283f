#pragma once
// What papers give cause to say: those that are missing, alike, used once, or at odds with a photo.

#include "core/finding.h"
#include "core/match/decisions.h"
#include "core/match/facts.h"
#include "core/match/match.h"
#include "core/sections/facts.h"
#include "core/setout/facts.h"

namespace zesty {

/// What is decided about papers and what follows from it.
struct PapersNow {
    const Stash& stash;
    const MatchDecisions& decided;
    const std::vector<Photo>& photos;
    const std::vector<PhotoColours>& photo_colours; ///< by photo
    const Page& page;
    const std::vector<PlacedCut>& cuts;
    const SectionFacts& sections; ///< with a cut
    const PaperFacts& papers;
    const SetOut& set_out;
    Units units;
};

/// `job` is what match would be asked; it is only made where photos have pictures.
std::vector<Finding> paper_findings(const PapersNow& now, const std::function<MatchJob()>& job);

} // namespace zesty
