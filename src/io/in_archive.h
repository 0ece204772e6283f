#pragma once
// Where in the archive of a project things lie that are no JSON.

#include <string>
#include <vector>

namespace zesty {

struct InArchive {
    std::vector<std::string> drawings;
    std::vector<std::string> pictures; ///< of each photo; empty for none
    std::string sketch;                ///< its picture; empty for none
    std::vector<InArchive> variants;   ///< of the arrangements kept beside this one
};

} // namespace zesty
