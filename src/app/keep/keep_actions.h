#pragma once

#include "app/bench/actions.h"

namespace zesty {

/// Those of Keep.
std::vector<ActionRow> keep_actions();

} // namespace zesty
