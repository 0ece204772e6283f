#pragma once

#include "app/bench/actions.h"

namespace zesty {

/// What keys do at Sections.
std::vector<ActionRow> sections_actions();

} // namespace zesty
