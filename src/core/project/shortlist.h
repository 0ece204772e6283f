#pragma once
// Of a very large stash the papers that proposals compare: everything the page names, and of the rest some of
// every kind and colour, those first that are to be used up, are open already, or are there in number.

#include "core/project/project.h"

#include <set>

namespace zesty {

inline constexpr std::size_t most_compared = 160;

/// The project with at most about so many papers; the very same where it has no more. `also` are ids that
/// must stay.
Project with_shortlist(const Project& project, const std::set<std::string>& also = {});

/// The face of the same paper and side in another stash; -1 where it is not there. `face` as faces_of()
/// counts them.
int same_face(const Stash& from, int face, const Stash& to);

} // namespace zesty
