#include "app/bench/waypoint_view.h"

#include "app/page/select_drags.h"

#include <utility>

namespace zesty {

void WaypointView::be_made() {
    if (std::exchange(made_, true)) return;
    make();
    emit made();
}

std::unique_ptr<PageDrag> WaypointView::press(const PageHands& hands, const PagePress& press) const {
    return begin_selecting(hands, press);
}

std::vector<Spot> WaypointView::sections_with(const std::vector<int>& openings) const {
    const Plan& plan = *bench_.state.plan();
    std::vector<Spot> out;
    for (int o : openings) out.push_back(plan.sections.all[plan.sections.of_opening[o]].id);
    return out;
}

} // namespace zesty
