#pragma once

#include "app/bench/actions.h"

namespace zesty {

/// What keys do at Set out.
std::vector<ActionRow> set_out_actions();

} // namespace zesty
