// What the actions of the bench do, and the edits they share with drags and findings.

#include "app/bench_window.h"
#include "app/keys_sheet.h"
#include "app/page_view.h"
#include "app/papers_panel.h"
#include "app/wording.h"

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
    const auto turn = [this](double by) {
        document_.change("Turn the cut", [&](Project& p) {
            if (PlacedCut* c = state_.in_hand(p))
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
        if (const Plan* plan = state_.plan(); plan && plan->cut)
            for (std::size_t o = 0; o < plan->cut->openings.size(); ++o) all.insert(static_cast<int>(o));
        state_.select(std::move(all));
    });
    on(Act::SelectTwins, [this] {
        std::set<int> more = state_.selected();
        if (const Plan* plan = state_.plan(); plan && plan->cut)
            for (const auto& twins : plan->cut->twins)
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
    on(Act::Give, [this] {
        const auto& stash = document_.project().stash;
        if (stash && state_.picked() >= 0) give(words(stash->papers[state_.picked()].id), selection());
    });
    on(Act::TakeAway, [this] { give({}, selection()); });
    on(Act::Propose, [this] {
        if (worker_.proposing()) {
            worker_.stop_proposing();
            return;
        }
        state_.set_offer(std::nullopt);
        state_.go_to(Waypoint::Papers);
        worker_.propose(document_.project());
        papers_panel_->show_proposing(true);
    });
    on(Act::TakeProposal, [this] {
        if (!state_.offer()) return;
        document_.edit("Take the proposed papers", state_.take_offer());
    });
    on(Act::Clear, [this] {
        if (keys_->isVisible())
            keys_->hide();
        else if (worker_.proposing())
            worker_.stop_proposing();
        else if (state_.offer())
            state_.set_offer(std::nullopt);
        else
            state_.select({});
    });
    on(Act::Export, [this] {
        const auto plan = state_.own_plan();
        if (!plan || !plan->sheets_done || plan->used_sheets.empty()) {
            say("There is nothing to write yet: give at least one opening a paper.", true);
            return;
        }
        const QString folder = questions_.export_folder(this, settings_.last_folder());
        if (!folder.isEmpty())
            worker_.export_to(document_.project(), plan,
                              settings_.letter_paper() ? PrintPaper::Letter : PrintPaper::A4, folder);
    });
}

void BenchWindow::give(const QString& paper_id, std::vector<int> openings) {
    if (openings.empty() || !state_.plan()) return;
    document_.change(paper_id.isEmpty() ? "Take the paper away" : "Give a paper", [&](Project& p) {
        for (Spot o : state_.plan()->spots_of(openings)) {
            SectionChoice c = p.choice(section_of(p, o));
            if (!paper_id.isEmpty()) c.treatment = Treatment::Paper;
            c.paper = paper_id.toStdString();
            c.locked = !paper_id.isEmpty();
            p.choose(section_of(p, o), c);
        }
    });
}

void BenchWindow::treat(Treatment treatment) {
    document_.change(treatment == Treatment::Paper ? "Back with paper" : "Leave open", [&](Project& p) {
        for (Spot o : selected_spots()) {
            SectionChoice c = p.choice(section_of(p, o));
            c.treatment = treatment;
            p.choose(section_of(p, o), c);
        }
    });
}

void BenchWindow::apply(const Finding& finding) {
    document_.change(words(finding.fix_label), [&](Project& p) {
        if (const auto* g = std::get_if<GivePaper>(&finding.fix)) {
            SectionChoice c = p.choice(g->section);
            c.paper = g->paper;
            c.locked = true;
            p.choose(g->section, c);
        } else if (const auto* o = std::get_if<LeaveOpen>(&finding.fix)) {
            SectionChoice c = p.choice(o->section);
            c.treatment = Treatment::Open;
            p.choose(o->section, c);
        } else if (const auto* t = std::get_if<SetTreatment>(&finding.fix)) {
            SectionChoice c = p.choice(t->section);
            c.treatment = t->treatment;
            p.choose(t->section, c);
        } else if (const auto* l = std::get_if<SetLip>(&finding.fix)) {
            p.lip = l->lip;
        } else if (const auto* r = std::get_if<SetReveal>(&finding.fix)) {
            p.page.reveal = r->reveal;
        } else if (const auto* b = std::get_if<SetGlueLip>(&finding.fix)) {
            p.page.glue_lip = b->lip;
        } else if (const auto* photo = std::get_if<MovePhoto>(&finding.fix)) {
            if (photo->photo < static_cast<int>(p.photos.size()))
                p.photos[photo->photo].centre = photo->centre;
        } else if (const auto* m = std::get_if<SetMargin>(&finding.fix)) {
            for (PlacedCut& c : p.cuts)
                if (c.id == m->cut) {
                    c.place.rule = SizeRule::Margin;
                    c.place.length = m->margin;
                }
        }
    });
}

} // namespace zesty
