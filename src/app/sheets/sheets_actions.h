#pragma once

#include "app/bench/actions.h"

namespace zesty {

/// What keys do at Sheets.
std::vector<ActionRow> sheets_actions();

} // namespace zesty
