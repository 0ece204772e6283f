#pragma once
// Everything that lies on the base, from below to above. Page millimetres.

#include "core/dress/dress.h"
#include "core/dress/lying.h"

namespace zesty {

struct LyingThing {
    Lying what = Lying::Cut;
    int index = 0;  ///< of the layer, the cut or the photo among their decisions
    int part = -1;  ///< of a mat: which one, from the photo outwards
    Region outline; ///< what it hides: a cut with all its openings but those that stay open
    Box box;
    bool hides = true; ///< false for vellum
};

/// Lowest first; what the page is painted by, too.
std::vector<LyingThing> pile_of(const DressNow& now);

/// What is hidden of a region by what lies above a place in the pile, from 0 to 1.
double hidden_share_of(const Region& region, const std::vector<LyingThing>& pile, std::size_t above);

/// What of the base nothing of the pile, no letter of a title and nothing of `besides` lies on.
Region free_base(const DressNow& now, const std::vector<LyingThing>& pile,
                 const std::vector<TitleFacts>& titles, const Region& besides = {});

/// How a thing is held; a photo's mats are held with it.
Mounting mounting_of(const LyingThing& thing, const DressNow& now);

/// "Photo mat 1 of Mia", "Photo 2", "Strip 1", "the cut".
std::string name_of(const LyingThing& thing, const DressNow& now);

} // namespace zesty
