#pragma once
// Papers as people enter them: a name, a colour, a kind, so many of a size.

#include "core/stash/stash.h"

namespace zesty {

struct UsualSheet {
    const char* name; ///< "12 x 12", in inches
    double width;     ///< mm
    double height;
};
/// Largest first.
const std::vector<UsualSheet>& usual_sheets();

struct NewSheets {
    double width = 0; ///< mm
    double height = 0;
    int count = 1;
};

struct NewPaper {
    std::string name; ///< not empty
    Rgb colour;
    Pattern pattern = Pattern::Solid;
    std::vector<NewSheets> sheets;
    double weight = 0; ///< g/m2; 0 when it is not known
    std::optional<Finish> finish = {};
    std::string kept_in = {};
};

/// A short id: letters and digits of the name, a dash for everything between them; "paper" where there are
/// none.
std::string id_from(const std::string& name);

/// With an id made of the name that no paper of the stash has. Stripes and ombres may lie upside down; what
/// has no pattern may lie any way.
Paper paper_of(const NewPaper& typed, const Stash& among);

/// Plain cardstock in 24 colours, two sheets of 12 x 12 in of each, so that a first page has something to
/// choose from. Papers of theirs that the stash has already are left as they are.
Stash with_starter_papers(const Stash& stash);

} // namespace zesty
