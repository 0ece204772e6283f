#pragma once

#include <optional>
#include <string>
#include <vector>

namespace zesty::cli {

/// Changes what Sections decides, then lists the sections.
struct SectionsArgs {
    std::vector<std::string> edits; ///< options that are to change the page
    std::string project;
    std::string out;
    std::string by, centre, about, lasso_box, foam, clearance, punches, lips;
    std::optional<int> count;
    std::vector<std::string> group, ungroup, name, treat, method, lip, divide, undivide, order, bars, punched;
    std::string back;
    bool how_much = false;
    bool punch_on_top = false, punch_behind = false, compare = false, advise = false;
    bool json = false;
};

} // namespace zesty::cli
