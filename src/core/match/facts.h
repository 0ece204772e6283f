#pragma once
// What follows from the papers chosen so far.

#include "core/stash/stash.h"

namespace zesty {

/// What the page takes of one paper.
struct PaperUse {
    double stock_area = 0;
    double used_area = 0;
    int sections = 0;
    int short_patches = 0;
};

struct PaperFacts {
    std::vector<Sheet> sheets; ///< the whole stash, what the frame, the base and the cuts take already taken
    std::vector<int> of_section; ///< into the stash; -1 for none
    std::vector<Side> side_of_section;
    std::vector<int>
        alike; ///< neighbours with the same side of the same paper, into SectionFacts::neighbours
    std::vector<PaperUse> uses; ///< by paper of the stash
};

} // namespace zesty
