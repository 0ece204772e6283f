#include "app/keep/keep_waypoint.h"

#include "app/bench/wording.h"
#include "app/keep/keep_desk.h"
#include "app/keep/keep_panel.h"
#include "app/keep/shelf_view.h"
#include "core/project/stash_at_hand.h"

namespace zesty {

KeepWaypoint::KeepWaypoint(const BenchParts& bench, QObject* parent)
    : WaypointView(bench, parent), desk_(new KeepDesk(bench, this)) {
    connect(desk_, &KeepDesk::changed, this, &WaypointView::look_changed);
    connect(desk_, &KeepDesk::page_begun, this, &KeepWaypoint::page_begun);
    connect_actions();
}

void KeepWaypoint::make() {
    panel_ = new KeepPanel(bench_, *desk_, bench_.side);
    shelf_ = new ShelfView(bench_.state, *desk_, bench_.middle);
}

QString KeepWaypoint::answer(const Project& project, const Plan& plan) const {
    if (!project.keep.finished.empty()) return "finished";
    if (!project.keep.taken.empty()) return "partly taken";
    const std::size_t pages = stash_at_hand(project).records.size();
    if (!plan.sections.cut) return pages == 0 ? QString("no page yet") : counted(pages, "page", "pages");
    return plan.sheets.short_patches.empty() ? "ready to finish" : "not finished";
}

QWidget* KeepWaypoint::panel() const {
    return panel_;
}

QWidget* KeepWaypoint::middle() const {
    return shelf_;
}

bool KeepWaypoint::middle_up_to_date() const {
    return desk_->up_to_date();
}

void KeepWaypoint::be_shown(bool shown) {
    desk_->be_seen(shown);
}

void KeepWaypoint::connect_actions() {
    const auto go = [this](int part) {
        bench_.state.go_to(Waypoint::Keep);
        panel_->choose(part);
    };
    on(Act::FinishPage, [this, go] {
        go(KeepPanel::ThisPage);
        desk_->pick({});
        desk_->finish(FinishWhat::Everything);
    });
    on(Act::TakeWhatIsCut, [this, go] {
        go(KeepPanel::ThisPage);
        desk_->finish(FinishWhat::WhatIsCut);
    });
    on(Act::PutBackPage, [this, go] {
        go(KeepPanel::ThisPage);
        desk_->put_back();
    });
    on(Act::RealPhoto, [this, go] {
        go(KeepPanel::ThisPage);
        const QString path = bench_.questions.open_picture(bench_.window, bench_.settings.last_folder());
        if (!path.isEmpty()) desk_->take_photo(path);
    });
    on(Act::FindPage, [this] {
        bench_.state.go_to(Waypoint::Keep);
        shelf_->look_for();
    });
    on(Act::OtherPapers, [this, go] {
        go(KeepPanel::ThisPage);
        desk_->begin_again({});
    });
    on(Act::OtherCut, [this, go] {
        go(KeepPanel::ThisPage);
        const QString path = bench_.questions.open_cut(bench_.window, bench_.settings.last_folder());
        if (!path.isEmpty()) desk_->begin_again(path);
    });
    const auto write = [this, go](bool all) {
        go(KeepPanel::Share);
        const QString path = bench_.questions.save_papers(
            bench_.window, bench_.settings.last_folder() + (all ? "/pages.html" : "/page.html"));
        if (!path.isEmpty()) desk_->write_out(path, all);
    };
    on(Act::WriteRecord, [write] { write(false); });
    on(Act::WriteShelf, [write] { write(true); });
}

} // namespace zesty
