#include "app/bench_state.h"

namespace zesty {

void BenchState::go_to(Waypoint waypoint) {
    if (waypoint == waypoint_) return;
    waypoint_ = waypoint;
    emit waypoint_changed();
}

void BenchState::show_plan(std::shared_ptr<const Plan> plan, std::shared_ptr<const Textures> textures) {
    plan_ = std::move(plan);
    textures_ = std::move(textures);
    const int openings = plan_->cut ? static_cast<int>(plan_->cut->openings.size()) : 0;
    if (!selected_.empty() && *selected_.rbegin() >= openings) select({});
    if (hovered_ >= openings) hovered_ = -1;
    if (picked_ >= static_cast<int>(plan_->papers.size())) pick(-1);
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
    for (std::size_t i = 0; i < project.cuts.size(); ++i)
        if (project.cuts[i].id == in_hand_) return static_cast<int>(i);
    return static_cast<int>(project.cuts.size()) - 1;
}

PlacedCut* BenchState::in_hand(Project& project) const {
    const int i = cut_in_hand(project);
    return i < 0 ? nullptr : &project.cuts[i];
}

const SetOut* BenchState::set_out_in_hand(const Project& project) const {
    const int i = cut_in_hand(project);
    return plan() && i >= 0 && i < static_cast<int>(plan()->each_cut.size()) ? &plan()->each_cut[i] : nullptr;
}

int BenchState::photo_in_hand(const Project& project) const {
    return photo_in_hand_ < static_cast<int>(project.photos.size()) ? photo_in_hand_ : -1;
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
    const int cuts = static_cast<int>(project.cuts.size());
    const int photos = static_cast<int>(project.photos.size());
    if (cuts + photos == 0) return;
    const int photo = photo_in_hand(project);
    const int next = ((photo >= 0 ? cuts + photo : cut_in_hand(project)) + 1) % (cuts + photos);
    if (next < cuts)
        take_in_hand(project.cuts[next].id);
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

void BenchState::show_mats(std::shared_ptr<const ShownMats> mats) {
    if (!mats && !mats_) return;
    mats_ = std::move(mats);
    emit mats_changed();
}

void BenchState::pick(int paper) {
    if (paper == picked_) return;
    picked_ = paper;
    emit picked_changed();
}

Project BenchState::take_offer() {
    Project taken = std::move(offer_->project);
    plan_ = offer_->plan;
    offer_.reset();
    emit offer_changed();
    return taken;
}

void BenchState::set_offer(std::optional<Offer> offer) {
    if (!offer && !offer_) return;
    offer_ = std::move(offer);
    emit offer_changed();
    emit plan_changed();
}

} // namespace zesty
