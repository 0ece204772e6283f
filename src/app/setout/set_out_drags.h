#pragma once
// What is dragged at Set out: cuts and their corners, photos, protected areas, and the line that measures.

#include "app/page/page_drag.h"

namespace zesty {

/// Takes what is under the pointer in hand, and begins to drag it.
std::unique_ptr<PageDrag> begin_setting_out(const PageHands& hands, QPointF at);
/// The same, where a photo is the topmost thing; null where there is none.
std::unique_ptr<PageDrag> begin_moving_photo(const PageHands& hands, QPointF at);
/// Whether a corner of the cut in hand is under the pointer.
bool over_corner(const PageHands& hands, QPointF at);
/// Moves what is in hand, or its protected part, by a step.
void push_in_hand(const PageHands& hands, Point way, bool more);

/// A box of the sketch is drawn, or one taken away.
std::unique_ptr<PageDrag> begin_sketch_box(const PageHands& hands, QPointF at, SketchRole role);

} // namespace zesty
