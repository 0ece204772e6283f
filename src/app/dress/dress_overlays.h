#pragma once
// What Dress draws over the page: rims of what is in hand, rooms for words, and slivers.

#include "app/page/page_map.h"
#include "core/project/plan.h"
#include "core/project/project.h"

#include <QPainter>

namespace zesty {

struct DressInHand {
    int photo = -1;
    int layer = -1;
    int writing = -1;
    int embellishment = -1;
    int title = -1;
    bool balance = false;  ///< triangle and emptiest place are on show
    bool coverage = false; ///< what is hidden and where slivers are left is on show
    int wet = -1;
};

void paint_dress_overlays(QPainter& painter, const PageMap& map, const Project& project, const Plan& plan,
                          const DressInHand& in_hand);

} // namespace zesty
