#include "app/bench/page_tools.h"

namespace zesty {

void PageTools::take(Tool tool) {
    if (tool == tool_) return;
    tool_ = tool;
    emit changed();
}

void PageTools::choose_middle(std::optional<Point> on_page) {
    middle_ = on_page;
    emit picked_changed();
}

void PageTools::measure(std::optional<std::pair<Point, Point>> between) {
    measured_ = between;
    emit measured_changed();
}

} // namespace zesty
