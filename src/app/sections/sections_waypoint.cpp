#include "app/sections/sections_waypoint.h"

#include "app/bench/wording.h"
#include "app/page/page_overlays.h"
#include "app/sections/divide_part.h"
#include "app/sections/grouping_part.h"
#include "app/sections/line_drag.h"
#include "app/sections/sections_panel.h"
#include "core/project/edits.h"
#include "core/sections/grouping.h"

#include <algorithm>

namespace zesty {

SectionsWaypoint::SectionsWaypoint(const BenchParts& bench, QObject* parent) : WaypointView(bench, parent) {
    connect_actions();
}

void SectionsWaypoint::make() {
    panel_ = new SectionsPanel(bench_.document, bench_.state, bench_.actions, bench_.worker, bench_.side);
    connect(panel_->findChild<GroupingPart*>(), &GroupingPart::say, this,
            [this](const QString& message) { bench_.say(message, false); });
}

QWidget* SectionsWaypoint::panel() const {
    return panel_;
}

void SectionsWaypoint::paint_on_page(QPainter& painter, const PageMap& map, const Project&,
                                     const Plan& plan) const {
    if (plan.sections.cut) paint_sections(painter, map, plan);
    if (const auto& middle = bench_.state.tools().middle()) paint_middle(painter, map(*middle));
}

std::unique_ptr<PageDrag> SectionsWaypoint::press(const PageHands& hands, const PagePress& press) const {
    if (bench_.state.tools().tool() == PageTools::Tool::PickMiddle) {
        bench_.state.tools().choose_middle(hands.map().back(press.at));
        bench_.state.tools().take(PageTools::Tool::None);
        return nullptr;
    }
    if (bench_.state.tools().tool() == PageTools::Tool::DivideByLine)
        return begin_dividing_line(hands, press);
    return WaypointView::press(hands, press);
}

void SectionsWaypoint::connect_actions() {
    on(Act::SelectAll, [this] {
        std::set<int> all;
        if (const Plan* plan = bench_.state.plan(); plan && plan->sections.cut)
            for (std::size_t o = 0; o < plan->sections.cut->openings.size(); ++o)
                all.insert(static_cast<int>(o));
        bench_.state.select(std::move(all));
    });
    on(Act::SelectTwins, [this] { select_twins(); });
    on(Act::SelectRow, [this] { select_rows(); });
    on(Act::Group, [this] {
        std::vector<Spot> out;
        bench_.document.change("Make one section", [&](Project& p) { out = group(p, selected_spots()); });
        if (const Plan* plan = bench_.state.plan(); plan && !out.empty())
            bench_.say(words(stay_out(*plan, out)), false);
    });
    on(Act::Ungroup, [this] {
        bench_.document.change("Take the sections apart", [&](Project& p) { ungroup(p, selected_spots()); });
    });
    on(Act::Divide, [this] { panel_->divide_part().divide_selection(); });
    on(Act::Undivide, [this] {
        bench_.document.change("Make it whole again", [this](Project& p) { undivide(p, selected_spots()); });
    });
    on(Act::Paper, [this] { treat(Treatment::Paper); });
    on(Act::LeaveOpen, [this] { treat(Treatment::Open); });
}

void SectionsWaypoint::select_twins() {
    const Plan* plan = bench_.state.plan();
    if (!plan || !plan->sections.cut) return;
    std::set<int> more = bench_.state.selected();
    for (const auto& twins : plan->sections.cut->twins)
        if (std::any_of(twins.begin(), twins.end(),
                        [&](int o) { return bench_.state.selected().contains(o); }))
            more.insert(twins.begin(), twins.end());
    bench_.state.select(std::move(more));
}

void SectionsWaypoint::select_rows() {
    const Plan* plan = bench_.state.plan();
    if (!plan || !plan->sections.cut) return;
    std::set<int> all = bench_.state.selected();
    for (int o : bench_.state.selected())
        for (int same : row_of(*plan->sections.cut, plan->set_out.whole.to_page, o)) all.insert(same);
    bench_.state.select(std::move(all));
}

void SectionsWaypoint::treat(Treatment treatment) {
    bench_.document.change(treatment == Treatment::Paper ? "Back with paper" : "Leave open", [&](Project& p) {
        change_sections(p, selected_spots(), [&](SectionChoice& c) { c.treatment = treatment; });
    });
}

} // namespace zesty
