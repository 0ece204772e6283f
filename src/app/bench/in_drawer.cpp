#include "app/bench/in_drawer.h"

#include <utility>

namespace zesty {

double InDrawer::reserved(const std::string& paper) const {
    const auto at = reserved_.areas.find(paper);
    return at == reserved_.areas.end() ? 0 : at->second;
}

void InDrawer::pick(int paper) {
    if (paper == picked_) return;
    picked_ = paper;
    emit changed();
}

void InDrawer::turn_over(int paper) {
    if (!turned_.erase(paper)) turned_.insert(paper);
    emit changed();
}

void InDrawer::cut_out(bool on) {
    if (std::exchange(cuts_out_, on) != on) emit changed();
}

void InDrawer::show_reserved(Reserved by_others) {
    reserved_ = std::move(by_others);
    emit changed();
    emit reserved_changed();
}

} // namespace zesty
