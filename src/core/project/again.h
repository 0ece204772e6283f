#pragma once
// A page begun from an earlier one.

#include "core/cutfile/drawing_file.h"
#include "core/project/planner.h"

#include <string>
#include <vector>

namespace zesty {

struct Again {
    Project project;
    std::vector<std::string> no_longer; ///< sentences: what of the earlier page does not fit any more
};

/// The same cut in other papers: everything lies as it did, sections have no paper yet, nothing has been
/// made. `earlier` must have the papers at hand. Papers that are there no more are let go of.
Result<Again> other_papers(const Project& earlier, Planner& planner);

/// The same arrangement with another drawing in the place of the first: it gets the size and place of the one
/// it replaces; what names openings that it does not have is let go of.
Result<Again> other_cut(const Project& earlier, const Shared<DrawingFile>& drawing, Planner& planner);

} // namespace zesty
