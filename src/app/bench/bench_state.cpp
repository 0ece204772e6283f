#include "app/bench/bench_state.h"

#include <utility>

namespace zesty {

BenchState::BenchState(QObject* parent)
    : QObject(parent), offers_(new Offers(this)), in_hand_(new InHand(this)), tools_(new PageTools(this)),
      drawer_(new InDrawer(this)), swatch_pictures_(new SwatchPictures(this)) {
    connect(offers_, &Offers::another_shown, this, &BenchState::plan_changed);
}

const std::shared_ptr<const Plan>& BenchState::shared_plan() const {
    return offers_->shown() ? offers_->shown()->plan : plan_;
}

const SetOut* BenchState::set_out_in_hand(const Project& project) const {
    const int i = in_hand_->cut(project);
    return plan() && i >= 0 && i < static_cast<int>(plan()->set_out.each.size())
               ? &plan()->set_out.each[static_cast<std::size_t>(i)]
               : nullptr;
}

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
    if (drawer_->picked() >= static_cast<int>(plan_->papers.uses.size())) drawer_->pick(-1);
    plan_is_current_ = true;
    emit plan_changed();
    run_waiting();
}

void BenchState::when_planned(QObject* asker, std::function<void(std::shared_ptr<const Plan>)> job) {
    std::erase_if(waiting_, [&](const Waiting& w) { return !w.asker || w.asker == asker; });
    waiting_.push_back({asker, std::move(job)});
    run_waiting();
}

void BenchState::run_waiting() {
    if (!plan_ || !plan_is_current_ || !(plan_->sheets.done || !plan_->sections.cut)) return;
    for (const Waiting& w : std::exchange(waiting_, {}))
        if (w.asker) w.job(plan_);
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

void BenchState::show_cutting_mats(std::shared_ptr<const ShownCuttingMats> mats) {
    if (!mats && !mats_) return;
    mats_ = std::move(mats);
    if (mats_) bundle_ = nullptr;
    emit shown_instead_changed();
}

void BenchState::show_bundle(std::shared_ptr<const ShownBundle> bundle) {
    if (!bundle && !bundle_) return;
    bundle_ = std::move(bundle);
    if (bundle_) mats_ = nullptr;
    emit shown_instead_changed();
}

void BenchState::show_page() {
    show_cutting_mats(nullptr);
    show_bundle(nullptr);
}

Project BenchState::take_offer() {
    plan_ = offers_->shown()->plan; // before the views are told that the offer is gone
    return offers_->take().project;
}

} // namespace zesty
