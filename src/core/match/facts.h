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

/// What the page itself is made of: a frame, a base, a cut.
struct OwnUse {
    std::string what;        ///< "frame 1", "base 1", "strip 3", "cut 2": the same as long as it is there
    std::string sheet;       ///< id of the sheet of the stock
    Polygon on_sheet;        ///< the paper it takes there, with a hole where that stays paper
    bool is_base = false;    ///< wet work lies on it
    Transform to_sheet = {}; ///< from the page; of a base or cut
};

struct PaperFacts {
    std::vector<OwnUse> own; ///< of papers in the stash

    std::vector<Sheet> sheets; ///< the whole stash, what the frame, the base and the cuts take already taken
    std::vector<int> of_section; ///< into the stash; -1 for none
    std::vector<Side> side_of_section;
    std::vector<int>
        alike; ///< neighbours with the same side of the same paper, into SectionFacts::neighbours
    std::vector<PaperUse> uses; ///< by paper of the stash
};

} // namespace zesty
