#pragma once
// What keys can do at Dress.

#include "app/bench/actions.h"

namespace zesty {

std::vector<ActionRow> dress_actions();

} // namespace zesty
