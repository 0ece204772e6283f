#pragma once
// The drawer before and after finishing a page: of each paper the area, of things the count. What is shown of
// each is there as well, so that it can be shown when the drawer has changed since.

#include "core/project/finishing.h"

#include <map>
#include <string>
#include <vector>

namespace zesty {

/// What the drawer has of a paper, and how much of that finishing takes and returns; mm2.
struct BeforeAndAfter {
    int paper = 0; ///< into the stash
    std::string name;
    double before = 0, after = 0;
    int sheets = 0, scraps_back = 0;
};
/// Of the papers it touches.
std::vector<BeforeAndAfter> before_and_after(const Project& project, const Finishing& finishing);

/// How many of an embellishment there are, and how many stay.
struct EmbellishmentsLeft {
    Embellishment thing; ///< as it is before
    int after = 0;
};
/// Of the embellishments it takes.
std::vector<EmbellishmentsLeft> embellishments_left(const Project& project, const Finishing& finishing);

/// How many letters a set has, all together, and how many stay.
struct LettersLeft {
    std::string set; ///< id
    std::string name;
    Rgb colour;
    int before = 0, after = 0;
    std::map<std::string, int> taken; ///< by piece
    std::vector<std::string> last;    ///< pieces of which none stays
};
/// Of the sets it takes letters from.
std::vector<LettersLeft> letters_left(const Project& project, const Finishing& finishing);

} // namespace zesty
