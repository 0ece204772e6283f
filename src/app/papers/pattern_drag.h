#pragma once
// The pattern in an opening, dragged or pushed to where it is wanted.

#include "app/page/page_drag.h"

namespace zesty {

std::unique_ptr<PageDrag> begin_moving_pattern(const PageHands& hands, const PagePress& press);
/// The pattern of the one opening that is selected, a step on; false where there is none to move.
bool push_pattern(const PageHands& hands, Point by);

} // namespace zesty
