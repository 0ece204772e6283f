#include "app/bench/offers.h"

#include <algorithm>
#include <cassert>

namespace zesty {

const Offer* Offers::compared_with() const {
    return compared_with_ >= 0 && compared_with_ < static_cast<int>(all_.size())
               ? &all_[static_cast<std::size_t>(compared_with_)]
               : nullptr;
}

void Offers::set(std::vector<Offer> offers) {
    if (offers.empty() && all_.empty()) return;
    all_ = std::move(offers);
    shown_ = 0;
    side_by_side_ = all_.size() > 1;
    compared_at_.reset();
    compared_with_ = -1;
    emit changed();
    emit another_shown();
}

void Offers::show(int offer) {
    const auto n = static_cast<int>(all_.size());
    if (n == 0 || offer == number()) return;
    shown_ = static_cast<std::size_t>((offer % n + n) % n);
    emit changed();
    emit another_shown();
}

void Offers::show_side_by_side(bool all) {
    if (all == side_by_side_) return;
    side_by_side_ = all;
    if (all) compared_at_.reset();
    emit changed();
}

void Offers::compare_at(std::optional<double> part) {
    if (part) part = std::clamp(*part, 0.0, 1.0);
    if (part == compared_at_) return;
    compared_at_ = part;
    emit compared_changed();
}

void Offers::compare_with(int offer) {
    if (offer == compared_with_) return;
    compared_with_ = offer;
    emit compared_changed();
}

Offer Offers::take() {
    assert(shown());
    Offer taken = std::move(all_[shown_]);
    all_.clear();
    compared_at_.reset();
    emit changed();
    return taken;
}

} // namespace zesty
