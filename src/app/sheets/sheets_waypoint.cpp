#include "app/sheets/sheets_waypoint.h"

#include "app/bench/worker.h"
#include "app/sheets/cutting_part.h"
#include "app/sheets/sheets_panel.h"
#include "app/sheets/sheets_view.h"
#include "core/project/hand_edits.h"
#include "core/project/later.h"
#include "core/project/stash_at_hand.h"
#include "core/stash/sharing.h"

#include <QFileInfo>

namespace zesty {

SheetsWaypoint::SheetsWaypoint(const BenchParts& bench, QObject* parent) : WaypointView(bench, parent) {
    connect_actions();
    connect(&bench.worker, &Worker::reserved, this, [this](Reserved by_others) {
        // By the names this page has for the papers.
        const Stash& living = bench_.document.living_stash();
        const Stash& here = stash_at_hand(bench_.document.project());
        Reserved mine;
        for (const auto& [id, area] : by_others.areas)
            if (const std::string own = id_in(here, living, id); !own.empty()) mine.areas[own] = area;
        for (ReservedPiece& piece : by_others.pieces) {
            piece.paper = id_in(here, living, piece.paper);
            if (!piece.paper.empty()) mine.pieces.push_back(std::move(piece));
        }
        bench_.state.drawer().show_reserved(std::move(mine));
    });
    connect(&bench.document, &Document::path_changed, this,
            [this] { bench_.worker.look_up_reserved(bench_.settings.stash_file(), bench_.document.path()); });
}

void SheetsWaypoint::make() {
    panel_ = new SheetsPanel(bench_.document, bench_.state, bench_.actions, bench_.settings, bench_.worker,
                             bench_.side);
    sheets_ = new SheetsView(bench_.document, bench_.state, bench_.middle);
    connect(&bench_.worker, &Worker::exported, this, [this](const QStringList& files) {
        panel_->cutting_part().show_written(files);
        bench_.say("Guide and cutting files are written.", false);
    });
}

QWidget* SheetsWaypoint::panel() const {
    return panel_;
}

QWidget* SheetsWaypoint::middle() const {
    return sheets_;
}

bool SheetsWaypoint::middle_up_to_date() const {
    return !sheets_ || sheets_->up_to_date();
}

void SheetsWaypoint::connect_actions() {
    on(Act::Pin, [this] { pin_selection(true); });
    on(Act::Unpin, [this] { pin_selection(false); });
    on(Act::Reserve, [this] {
        reserve_for_others();
        panel_->choose(SheetsPanel::Leftovers);
    });
    on(Act::Export, [this] { write_guide(); });
}

void SheetsWaypoint::write_guide() {
    const auto plan = bench_.state.own_plan();
    if (!plan || !plan->sheets.done || plan->sheets.used.empty()) {
        bench_.say("There is nothing to write yet: give at least one opening a paper.", true);
        return;
    }
    const QString folder = bench_.questions.export_folder(bench_.window, bench_.settings.last_folder());
    if (!folder.isEmpty())
        bench_.worker.export_to(*plan->of, plan,
                                bench_.settings.letter_paper() ? PrinterPaper::Letter : PrinterPaper::A4,
                                folder, panel_->cutting_part().chapters());
}

void SheetsWaypoint::reserve_papers(const Project& project, const QString& path) {
    bench_.state.when_planned(this, [this, project, path](std::shared_ptr<const Plan> plan) {
        if (!plan->sheets.done || !plan->of->stash) return;
        const std::string name = name_of_page(project, QFileInfo(path).completeBaseName().toStdString());
        std::vector<ReservedPiece> pieces = pieces_taken(*plan->of, *plan, name);
        for (ReservedPiece& piece : pieces)
            piece.paper = id_in(bench_.document.living_stash(), *plan->of->stash, piece.paper);
        std::erase_if(pieces, [](const ReservedPiece& piece) { return piece.paper.empty(); });
        bench_.worker.reserve(bench_.settings.stash_file(), path, std::move(pieces));
    });
}

/// What they have reserved now; where that is so already, or they want nothing any more, nothing is reserved.
void SheetsWaypoint::reserve_for_others() {
    const Project& project = bench_.document.project();
    const std::vector<ReservedPiece> wanted =
        of_this_stash(project, bench_.state.drawer().wanted_elsewhere());
    const bool reserve = !wanted.empty() && !reserves_just(project, wanted);
    if (!reserve && pages_reserved_for(project).empty()) {
        bench_.say("No other page that was saved with these papers needs a piece of them.", false);
        return;
    }
    bench_.document.change(reserve ? "Reserve room for other pages" : "Stop reserving for other pages",
                           [&](Project& p) {
                               stop_reserving_for_pages(p);
                               if (reserve) reserve_for(p, wanted);
                           });
}

void SheetsWaypoint::pin_selection(bool on) {
    const Plan* plan = bench_.state.plan();
    if (!plan || !plan->sheets.done) return;
    bench_.document.change(on ? "Pin the patch" : "Unpin the patch", [&](Project& p) {
        for (int o : bench_.state.selected()) {
            const int patch = plan->patch_of(o);
            if (patch < 0) continue;
            if (!on)
                p.sheets.pins.erase(plan->sections.spots[o]);
            else if (plan->sheets.placed[patch].sheet >= 0)
                p.sheets.pins[plan->sections.spots[o]] =
                    *pinned(*plan, patch, plan->sheets.placed[patch].sheet);
        }
    });
}

} // namespace zesty
