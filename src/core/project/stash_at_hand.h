#pragma once

#include "core/project/project.h"

namespace zesty {

/// The project's stash, or one with nothing in it.
inline const Stash& stash_at_hand(const Project& project) {
    static const Stash none;
    return project.stash ? *project.stash : none;
}

} // namespace zesty
