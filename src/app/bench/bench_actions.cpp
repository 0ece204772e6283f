// What the actions of the bench do, and the edits they share with drags and findings.

#include "app/bench/bench_window.h"
#include "app/sections/divide_part.h"
#include "app/bench/keys_sheet.h"
#include "app/page/page_view.h"
#include "app/papers/papers_panel.h"
#include "app/setout/photos_part.h"
#include "app/sections/sections_panel.h"
#include "app/setout/set_out_panel.h"
#include "app/bench/wording.h"
#include "core/project/edits.h"
#include "core/sections/grouping.h"

#include <algorithm>

namespace zesty {

void BenchWindow::connect_actions() {
    const auto on = [this](Act act, auto slot) { connect(actions_[act], &QAction::triggered, this, slot); };
    on(Act::Open, [this] {
        if (const QString path = questions_.open_cut(this, settings_.last_folder()); !path.isEmpty())
            open(path);
    });
    on(Act::OpenStash, [this] {
        if (const QString path = questions_.open_stash(this, settings_.last_folder()); !path.isEmpty())
            worker_.open_stash(path);
    });
    on(Act::Save, [this] { save(false); });
    on(Act::SaveAs, [this] { save(true); });
    on(Act::Undo, [this] { document_.history().undo(); });
    on(Act::Redo, [this] { document_.history().redo(); });
    on(Act::Keys, [this] {
        keys_->setGeometry(centralWidget()->rect());
        keys_->setVisible(!keys_->isVisible());
        keys_->raise();
    });
    on(Act::Units, [this] {
        document_.change("Change the units", [](Project& p) {
            p.units = p.units == Units::Inches ? Units::Centimetres : Units::Inches;
        });
    });
    on(Act::ToSetOut, [this] { state_.go_to(Waypoint::SetOut); });
    on(Act::ToSections, [this] { state_.go_to(Waypoint::Sections); });
    on(Act::ToPapers, [this] { state_.go_to(Waypoint::Papers); });
    on(Act::ToSheets, [this] { state_.go_to(Waypoint::Sheets); });
    on(Act::NextWaypoint, [this] {
        state_.go_to(static_cast<Waypoint>((static_cast<int>(state_.waypoint()) + 1) % waypoints));
    });
    on(Act::Fit, [this] { page_->fit(); });
    on(Act::TrueSize, [this] { page_->true_size(); });
    on(Act::ZoomIn, [this] { page_->zoom(1.25); });
    on(Act::ZoomOut, [this] { page_->zoom(0.8); });
    connect_set_out_actions();
    connect_section_actions();
    connect_paper_actions();
    const auto turn = [this](double by) {
        const bool photo = state_.photo_in_hand(document_.project()) >= 0;
        document_.change(photo ? "Tilt the photo" : "Turn the cut", [&](Project& p) {
            // Photos are tilted a little, cuts are turned.
            if (const int i = state_.photo_in_hand(p); i >= 0)
                p.set_out.photos[i].turn_deg = std::remainder(p.set_out.photos[i].turn_deg + by / 6, 360.0);
            else if (PlacedCut* c = state_.in_hand(p))
                c->place.turn_deg = std::remainder(c->place.turn_deg + by, 360.0);
        });
    };
    on(Act::TurnLeft, [turn] { turn(-15); });
    on(Act::TurnRight, [turn] { turn(15); });
    on(Act::Mirror, [this] {
        document_.change("Mirror the cut", [this](Project& p) {
            if (PlacedCut* c = state_.in_hand(p)) c->place.mirrored = !c->place.mirrored;
        });
    });
    on(Act::Centre, [this] {
        document_.change("Put the cut in the middle", [this](Project& p) {
            if (PlacedCut* c = state_.in_hand(p)) c->place.shift = {};
        });
    });
    on(Act::SelectAll, [this] {
        std::set<int> all;
        if (const Plan* plan = state_.plan(); plan && plan->sections.cut)
            for (std::size_t o = 0; o < plan->sections.cut->openings.size(); ++o)
                all.insert(static_cast<int>(o));
        state_.select(std::move(all));
    });
    on(Act::SelectTwins, [this] {
        std::set<int> more = state_.selected();
        if (const Plan* plan = state_.plan(); plan && plan->sections.cut)
            for (const auto& twins : plan->sections.cut->twins)
                if (std::any_of(twins.begin(), twins.end(),
                                [&](int o) { return state_.selected().contains(o); }))
                    more.insert(twins.begin(), twins.end());
        state_.select(std::move(more));
    });
    on(Act::Group,
       [this] { document_.change("Make one section", [&](Project& p) { group(p, selected_spots()); }); });
    on(Act::Ungroup, [this] {
        document_.change("Take the sections apart", [&](Project& p) { ungroup(p, selected_spots()); });
    });
    on(Act::Paper, [this] { treat(Treatment::Paper); });
    on(Act::LeaveOpen, [this] { treat(Treatment::Open); });
    on(Act::Clear, [this] {
        if (keys_->isVisible())
            keys_->hide();
        else if (state_.mats())
            state_.show_cutting_mats(nullptr);
        else if (worker_.proposing())
            worker_.stop_proposing();
        else if (state_.offer())
            state_.set_offers({});
        else
            state_.select({});
    });
    on(Act::Export, [this] {
        const auto plan = state_.own_plan();
        if (!plan || !plan->sheets.done || plan->sheets.used.empty()) {
            say("There is nothing to write yet: give at least one opening a paper.", true);
            return;
        }
        const QString folder = questions_.export_folder(this, settings_.last_folder());
        if (!folder.isEmpty())
            worker_.export_to(document_.project(), plan,
                              settings_.letter_paper() ? PrinterPaper::Letter : PrinterPaper::A4, folder);
    });
}

void BenchWindow::connect_set_out_actions() {
    const auto on = [this](Act act, auto slot) { connect(actions_[act], &QAction::triggered, this, slot); };
    on(Act::AddCut, [this] {
        if (const QString path = questions_.open_cut(this, settings_.last_folder()); !path.isEmpty())
            worker_.open_to_add(path);
    });
    on(Act::AddScan, [this] {
        if (const QString path = questions_.open_cut(this, settings_.last_folder()); !path.isEmpty())
            worker_.open_to_add(path, set_out_panel_->square());
    });
    on(Act::CopyCut, [this] { copy(false); });
    on(Act::FaceCut, [this] { copy(true); });
    on(Act::TakeOff, [this] {
        const int photo = state_.photo_in_hand(document_.project());
        document_.change(photo >= 0 ? "Take the photo off the page" : "Take the cut off the page",
                         [&](Project& p) {
                             if (photo >= 0)
                                 p.set_out.photos.erase(p.set_out.photos.begin() + photo);
                             else if (const PlacedCut* c = state_.in_hand(p))
                                 remove_cut(p, c->id);
                         });
    });
    on(Act::NextInHand, [this] { state_.take_next(document_.project()); });
    on(Act::Raise, [this] { shift_in_pile(1); });
    on(Act::Lower, [this] { shift_in_pile(-1); });
    on(Act::AddPhoto, [this] {
        state_.go_to(Waypoint::SetOut);
        set_out_panel_->choose(SetOutPanel::Photos);
        set_out_panel_->photos().add_photo();
    });
    on(Act::FitPhoto, [this] { set_out_panel_->photos().fit_photo(); });
}

void BenchWindow::copy(bool facing) {
    const SetOut* now = state_.set_out_in_hand(document_.project());
    if (!now) return;
    int id = -1;
    document_.change(facing ? "Copy the cut, facing it" : "Copy the cut", [&](Project& p) {
        id = copy_cut(p, state_.in_hand(p)->id, facing, now->cut_box.width() + mm_per_inch / 4);
    });
    state_.take_in_hand(id);
}

/// Photos pass the cuts on their way; cuts change places with the next cut.
void BenchWindow::shift_in_pile(int by) {
    document_.change(by > 0 ? "One up in the pile" : "One down in the pile", [&](Project& p) {
        if (const int i = state_.photo_in_hand(p); i >= 0) {
            const int other = i + by;
            if (p.set_out.photos[i].on_top != (by > 0) &&
                (other < 0 || other >= static_cast<int>(p.set_out.photos.size()) ||
                 p.set_out.photos[other].on_top != p.set_out.photos[i].on_top))
                p.set_out.photos[i].on_top = by > 0;
            else if (other >= 0 && other < static_cast<int>(p.set_out.photos.size()))
                std::swap(p.set_out.photos[i], p.set_out.photos[other]);
            return;
        }
        const int i = state_.cut_in_hand(p);
        const int other = i + by;
        if (i >= 0 && other >= 0 && other < static_cast<int>(p.set_out.cuts.size()))
            std::swap(p.set_out.cuts[i], p.set_out.cuts[other]);
    });
}

void BenchWindow::connect_section_actions() {
    const auto on = [this](Act act, auto slot) { connect(actions_[act], &QAction::triggered, this, slot); };
    on(Act::SelectRow, [this] {
        const Plan* plan = state_.plan();
        if (!plan || !plan->sections.cut) return;
        std::set<int> all = state_.selected();
        for (int o : state_.selected())
            for (int same : row_of(*plan->sections.cut, plan->set_out.whole.to_page, o)) all.insert(same);
        state_.select(std::move(all));
    });
    on(Act::Divide, [this] { sections_panel_->divide_part().divide_selection(); });
    on(Act::Undivide, [this] {
        document_.change("Make it whole again", [this](Project& p) { undivide(p, selected_spots()); });
    });
}

/// As the plan has them: what shares one sheet is one section there.
std::vector<Spot> BenchWindow::sections_with(const std::vector<int>& openings) const {
    const Plan& plan = *state_.plan();
    std::vector<Spot> out;
    for (int o : openings) out.push_back(plan.sections.all[plan.sections.of_opening[o]].id);
    return out;
}

void BenchWindow::treat(Treatment treatment) {
    document_.change(treatment == Treatment::Paper ? "Back with paper" : "Leave open", [&](Project& p) {
        change_sections(p, selected_spots(), [&](SectionChoice& c) { c.treatment = treatment; });
    });
}

} // namespace zesty
