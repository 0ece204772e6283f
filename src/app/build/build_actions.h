#pragma once
// The actions of Build.

#include "app/bench/actions.h"

namespace zesty {

std::vector<ActionRow> build_actions();

} // namespace zesty
