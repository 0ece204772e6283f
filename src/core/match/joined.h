#pragma once
// Sections that get the same paper by decision are one section to choose for.

#include "core/match/match.h"

namespace zesty {

struct Joined {
    MatchJob job;
    std::vector<int> of; ///< by section asked about: the section of `job` it is in

    std::vector<int> shrunk(const std::vector<int>& papers) const;
    std::vector<int> spread(const std::vector<int>& papers) const;
};

/// Sections that get no paper are not joined. `job` must outlive the result's stash.
Joined joined(const MatchJob& job);

} // namespace zesty
