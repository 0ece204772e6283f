#pragma once
// What a page's decisions say of papers by their ids.

#include "core/project/project.h"

#include <set>

namespace zesty {

/// Everything of the stash that some decision names: papers that are chosen, ruled out, with a role, pinned,
/// reserved, of base, frame, cuts, mats and layers; embellishments and letter sets.
std::set<std::string> papers_named(const Project& project);

/// Two papers that were entered apart are one: `from` is gone, its sheets are those of `into`, and whatever
/// was decided for it is decided for `into`.
void merge_papers(Project& project, const std::string& into, const std::string& from);

} // namespace zesty
