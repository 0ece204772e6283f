#pragma once
// A dividing line drawn across an opening.

#include "app/page/page_drag.h"

namespace zesty {

std::unique_ptr<PageDrag> begin_dividing_line(const PageHands& hands, const PagePress& press);

} // namespace zesty
