#include "app/bench/bench_state.h"

#include <algorithm>

namespace zesty {

void BenchState::go_to(Waypoint waypoint) {
    if (waypoint == waypoint_) return;
    waypoint_ = waypoint;
    emit waypoint_changed();
}

void BenchState::show_plan(std::shared_ptr<const Plan> plan, std::shared_ptr<const Textures> textures) {
    plan_ = std::move(plan);
    textures_ = std::move(textures);
    const int openings = plan_->sections.cut ? static_cast<int>(plan_->sections.cut->openings.size()) : 0;
    if (!selected_.empty() && *selected_.rbegin() >= openings) select({});
    if (hovered_ >= openings) hovered_ = -1;
    if (picked_ >= static_cast<int>(plan_->papers.uses.size())) pick(-1);
    emit plan_changed();
}

void BenchState::select(std::set<int> openings) {
    if (openings == selected_) return;
    selected_ = std::move(openings);
    emit selection_changed();
}

void BenchState::hover(int opening) {
    if (opening == hovered_) return;
    hovered_ = opening;
    emit hover_changed();
}

int BenchState::cut_in_hand(const Project& project) const {
    for (std::size_t i = 0; i < project.set_out.cuts.size(); ++i)
        if (project.set_out.cuts[i].id == in_hand_) return static_cast<int>(i);
    return static_cast<int>(project.set_out.cuts.size()) - 1;
}

PlacedCut* BenchState::in_hand(Project& project) const {
    const int i = cut_in_hand(project);
    return i < 0 ? nullptr : &project.set_out.cuts[i];
}

const SetOut* BenchState::set_out_in_hand(const Project& project) const {
    const int i = cut_in_hand(project);
    return plan() && i >= 0 && i < static_cast<int>(plan()->set_out.each.size()) ? &plan()->set_out.each[i]
                                                                                 : nullptr;
}

int BenchState::photo_in_hand(const Project& project) const {
    return photo_in_hand_ < static_cast<int>(project.set_out.photos.size()) ? photo_in_hand_ : -1;
}

void BenchState::take_in_hand(int cut_id) {
    if (cut_id == in_hand_ && photo_in_hand_ < 0) return;
    in_hand_ = cut_id;
    photo_in_hand_ = -1;
    emit in_hand_changed();
}

void BenchState::take_photo(int photo) {
    if (photo == photo_in_hand_) return;
    photo_in_hand_ = photo;
    emit in_hand_changed();
}

void BenchState::take_next(const Project& project) {
    const int cuts = static_cast<int>(project.set_out.cuts.size());
    const int photos = static_cast<int>(project.set_out.photos.size());
    if (cuts + photos == 0) return;
    const int photo = photo_in_hand(project);
    const int next = ((photo >= 0 ? cuts + photo : cut_in_hand(project)) + 1) % (cuts + photos);
    if (next < cuts)
        take_in_hand(project.set_out.cuts[next].id);
    else
        take_photo(next - cuts);
}

void BenchState::measure(std::optional<std::pair<Point, Point>> between) {
    measured_ = between;
    emit measured_changed();
}

void BenchState::set_tool(Tool tool) {
    if (tool == tool_) return;
    tool_ = tool;
    emit tool_changed();
}

void BenchState::show_cutting_mats(std::shared_ptr<const ShownCuttingMats> mats) {
    if (!mats && !mats_) return;
    mats_ = std::move(mats);
    emit cutting_mats_changed();
}

void BenchState::pick(int paper) {
    if (paper == picked_) return;
    picked_ = paper;
    emit picked_changed();
}

Project BenchState::take_offer() {
    Project taken = offers_[shown_offer_].project;
    plan_ = offers_[shown_offer_].plan;
    offers_.clear();
    compared_at_.reset();
    emit offer_changed();
    return taken;
}

void BenchState::set_offers(std::vector<Offer> offers) {
    if (offers.empty() && offers_.empty()) return;
    offers_ = std::move(offers);
    shown_offer_ = 0;
    side_by_side_ = offers_.size() > 1;
    compared_at_.reset();
    compared_with_ = -1;
    emit offer_changed();
    emit plan_changed();
}

void BenchState::show_offer(int offer) {
    const auto n = static_cast<int>(offers_.size());
    if (n == 0 || offer == shown_offer()) return;
    shown_offer_ = static_cast<std::size_t>((offer % n + n) % n);
    emit offer_changed();
    emit plan_changed();
}

void BenchState::show_side_by_side(bool all) {
    if (all == side_by_side_) return;
    side_by_side_ = all;
    if (all) compared_at_.reset();
    emit offer_changed();
}

void BenchState::compare_at(std::optional<double> part) {
    if (part) part = std::clamp(*part, 0.0, 1.0);
    if (part == compared_at_) return;
    compared_at_ = part;
    emit compared_changed();
}

void BenchState::compare_with(int offer) {
    if (offer == compared_with_) return;
    compared_with_ = offer;
    emit compared_changed();
}

void BenchState::show_reserved(Reserved by_others) {
    reserved_ = std::move(by_others);
    emit picked_changed();
    emit reserved_changed();
}

void BenchState::turn_over(int paper) {
    if (!turned_.erase(paper)) turned_.insert(paper);
    emit picked_changed();
}

} // namespace zesty
