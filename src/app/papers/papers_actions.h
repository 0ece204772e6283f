#pragma once

#include "app/bench/actions.h"

namespace zesty {

/// What keys do at Papers.
std::vector<ActionRow> papers_actions();

} // namespace zesty
