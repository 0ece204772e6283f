#include "app/setout/set_out_waypoint.h"

#include "app/bench/tried_out.h"
#include "app/bench/worker.h"
#include "app/page/page_overlays.h"
#include "app/setout/bundle_view.h"
#include "app/setout/copies_part.h"
#include "app/setout/cutting_mat_view.h"
#include "app/setout/photos_part.h"
#include "app/setout/pieces_part.h"
#include "app/setout/rooms_part.h"
#include "app/setout/set_out_drags.h"
#include "app/setout/set_out_panel.h"
#include "app/setout/sketch_part.h"
#include "core/project/edits.h"
#include "core/setout/copies.h"
#include "io/picture.h"

#include <QFileInfo>

namespace zesty {

namespace {
constexpr double turn_step_deg = 15;
constexpr double tilt_step_deg = 2.5; ///< photos are tilted a little, cuts are turned
} // namespace

SetOutWaypoint::SetOutWaypoint(const BenchParts& bench, QObject* parent) : WaypointView(bench, parent) {
    connect_actions();
    connect(&bench.worker, &Worker::opened_to_add, this, &SetOutWaypoint::take_drawing_to_add);
    connect(&bench.worker, &Worker::bundle_read, this, &SetOutWaypoint::show_bundle);
    connect(&bench.worker, &Worker::photo_picture_read, this, [this](const Shared<BroughtPicture>& picture) {
        bench_.document.change("Picture of the photo", [&](Project& p) {
            if (const int i = bench_.state.in_hand().photo(p); i >= 0)
                p.set_out.photos[static_cast<std::size_t>(i)].picture = picture;
            // The day the first photo was taken is the page's, until somebody says another.
            if (picture && p.set_out.date.empty()) p.set_out.date = picture->taken;
        });
    });
}

void SetOutWaypoint::make() {
    panel_ = new SetOutPanel(bench_.document, bench_.state, bench_.actions, bench_.worker, bench_.settings,
                             bench_.side);
    mats_ = new CuttingMatView(bench_.state, bench_.middle);
    bundle_ = new BundleView(bench_.state, bench_.middle);
    connect(panel_, &SetOutPanel::say, this, [this](const QString& message) { bench_.say(message, true); });
    connect(bundle_, &BundleView::taken, this, [this](const Shared<DrawingFile>& file) {
        const int i = bench_.state.in_hand().cut(bench_.document.project());
        if (i < 0) return;
        const int id = bench_.document.project().set_out.cuts[static_cast<std::size_t>(i)].id;
        bench_.document.change("Take another drawing of the bundle",
                               [&](Project& p) { replace_drawing(p, id, file); });
        ask_size_of(*file, id);
    });
}

QWidget* SetOutWaypoint::panel() const {
    return panel_;
}

QWidget* SetOutWaypoint::middle() const {
    if (bench_.state.bundle()) return bundle_;
    return bench_.state.cutting_mats() ? static_cast<QWidget*>(mats_) : nullptr;
}

void SetOutWaypoint::paint_on_page(QPainter& painter, const PageMap& map, const Project& project,
                                   const Plan& plan) const {
    const int photo = bench_.state.in_hand().photo(project);
    paint_set_out(painter, map, project, plan, photo >= 0 ? -1 : bench_.state.in_hand().cut(project));
    paint_rooms(painter, map, project);
    paint_photo_sizes(painter, map, project, photo);
    if (panel_->chosen() == SetOutPanel::Pieces) panel_->pieces().paint(painter, map);
    if (panel_->chosen() == SetOutPanel::Sketch) panel_->sketch().paint(painter, map);
    if (bench_.state.tools().measured())
        paint_measured(painter, map, project, *bench_.state.tools().measured());
}

QString SetOutWaypoint::hint() const {
    switch (bench_.state.tools().tool()) {
    case PageTools::Tool::Measure:
        return "Drag from one place to another to measure between them.";
    case PageTools::Tool::SketchBoxes:
        return "Drag a box over what the sketch has there; click a box to take it away.";
    case PageTools::Tool::PickPieces:
        return "Click a piece to pick it, click it again to put it back.";
    case PageTools::Tool::Protect:
        return "Drag over the part of a photo that must stay free; click on one to take it away.";
    case PageTools::Tool::ToHide:
        return "Drag over the part of a photo that had better be covered; click on one to take it away.";
    default:
        return "Drag a cut or photo to move it, pull a corner to size the cut.";
    }
}

std::unique_ptr<PageDrag> SetOutWaypoint::press(const PageHands& hands, const PagePress& press) const {
    if (bench_.state.tools().tool() == PageTools::Tool::PickPieces) {
        panel_->pieces().pick_at(hands.map().back(press.at));
        return nullptr;
    }
    if (bench_.state.tools().tool() == PageTools::Tool::SketchBoxes)
        return begin_sketch_box(hands, press.at, panel_->sketch().role());
    return begin_setting_out(hands, press.at);
}

Qt::CursorShape SetOutWaypoint::cursor_at(const PageHands& hands, QPointF at) const {
    return over_corner(hands, at) ? Qt::SizeFDiagCursor : Qt::ArrowCursor;
}

bool SetOutWaypoint::push(const PageHands& hands, Point way, bool more) const {
    push_in_hand(hands, way, more);
    return true;
}

void SetOutWaypoint::ask_size_of(const DrawingFile& file, int cut_id) {
    if (file.drawing.size_known || file.drawing.size_real) return;
    bench_.state.go_to(Waypoint::SetOut);
    panel_->choose(SetOutPanel::Cuts);
    panel_->ask_size(cut_id);
}

/// The pictures are made on the other thread.
void SetOutWaypoint::show_bundle(const QString& path, const std::vector<BundleDrawing>& drawings) {
    bench_.worker.think(this, [this, path, drawings](Planner&) -> std::function<void()> {
        auto shown = std::make_shared<ShownBundle>();
        shown->title = QFileInfo(path).fileName();
        for (const BundleDrawing& d : drawings)
            shown->drawings.push_back({words(d.name), d.file, d.openings, BundleView::picture_of(*d.file)});
        return [this, shown] {
            bench_.state.go_to(Waypoint::SetOut);
            bench_.state.show_bundle(shown);
        };
    });
}

void SetOutWaypoint::take_drawing_to_add(const std::shared_ptr<const DrawingFile>& file,
                                         const QString& path) {
    bench_.settings.add_recent(path);
    int id = 0;
    bench_.document.change("Add a drawing", [&](Project& p) {
        id = add_cut(p, file);
        // What has been measured is set out at the size it has.
        if (file->drawing.size_real)
            p.set_out.cuts.back().place = {SizeRule::Width, file->drawing.width, 0, false, {}};
    });
    bench_.state.in_hand().take_cut(id);
    ask_size_of(*file, id);
}

void SetOutWaypoint::connect_planning() {
    on(Act::SketchPicture, [this] {
        bench_.state.go_to(Waypoint::SetOut);
        panel_->choose(SetOutPanel::Sketch);
        const QString path = bench_.questions.open_picture(bench_.window, bench_.settings.last_folder());
        if (path.isEmpty()) return;
        bench_.worker.think(this, [this, path](Planner&) -> std::function<void()> {
            const auto picture = read_as(path, TriedAs::Picture, [&] { return brought_from(path); });
            return [this, picture] {
                if (picture)
                    panel_->sketch().take_picture(*picture);
                else
                    bench_.say(words(picture.error().message) + ".", true);
            };
        });
    });
    on(Act::AllFit, [this] {
        bench_.state.go_to(Waypoint::SetOut);
        panel_->choose(SetOutPanel::Rooms);
        panel_->rooms().ask();
    });
    on(Act::Arrange, [this] {
        bench_.state.go_to(Waypoint::SetOut);
        panel_->choose(SetOutPanel::Rooms);
        panel_->rooms().arrange().ask();
    });
}

void SetOutWaypoint::connect_actions() {
    connect_planning();
    const auto ask = [this] {
        return bench_.questions.open_cut(bench_.window, bench_.settings.last_folder());
    };
    on(Act::AddCut, [this, ask] {
        if (const QString path = ask(); !path.isEmpty()) bench_.worker.open_to_add(path);
    });
    on(Act::AddScan, [this, ask] {
        if (const QString path = ask(); !path.isEmpty())
            bench_.worker.open_to_add(path, bench_.document.project().set_out.usual.scan_square);
    });
    on(Act::CopyCut, [this] { copy(false); });
    on(Act::FaceCut, [this] { copy(true); });
    on(Act::CopyInOrder, [this] {
        // The first time it only shows what there is to say.
        if (bench_.state.waypoint() == Waypoint::SetOut && panel_->chosen() == SetOutPanel::Copies)
            return panel_->copies().make_copies();
        bench_.state.go_to(Waypoint::SetOut);
        panel_->choose(SetOutPanel::Copies);
    });
    on(Act::IntoOpenings, [this] { panel_->photos().put_into_openings(); });
    on(Act::TakeOff, [this] { remove_from_page(); });
    on(Act::NextInHand, [this] { bench_.state.in_hand().take_next(bench_.document.project()); });
    on(Act::Raise, [this] { shift_in_pile(1); });
    on(Act::Lower, [this] { shift_in_pile(-1); });
    on(Act::AddPhoto, [this] {
        bench_.state.go_to(Waypoint::SetOut);
        panel_->choose(SetOutPanel::Photos);
        panel_->photos().add_photo();
    });
    on(Act::FitPhoto, [this] { panel_->photos().fit_photo(); });
    on(Act::PhotoPicture, [this] {
        const QString path = bench_.questions.open_picture(bench_.window, bench_.settings.last_folder());
        if (!path.isEmpty()) bench_.worker.read_photo_picture(path);
    });
    on(Act::TurnLeft, [this] { turn(-1); });
    on(Act::TurnRight, [this] { turn(1); });
    on(Act::Mirror, [this] {
        bench_.document.change("Mirror the cut", [this](Project& p) {
            if (PlacedCut* c = bench_.state.in_hand().placed(p)) c->place.mirrored = !c->place.mirrored;
        });
    });
    on(Act::Centre, [this] {
        bench_.document.change("Put the cut in the middle", [this](Project& p) {
            if (PlacedCut* c = bench_.state.in_hand().placed(p)) c->place.shift = {};
        });
    });
}

void SetOutWaypoint::turn(double by) {
    const bool photo = bench_.state.in_hand().photo(bench_.document.project()) >= 0;
    bench_.document.change(photo ? "Tilt the photo" : "Turn the cut", [&](Project& p) {
        if (const int i = bench_.state.in_hand().photo(p); i >= 0)
            p.set_out.photos[static_cast<std::size_t>(i)].turn_deg =
                brought_round(p.set_out.photos[static_cast<std::size_t>(i)].turn_deg + by * tilt_step_deg);
        else if (PlacedCut* c = bench_.state.in_hand().placed(p))
            c->place.turn_deg = brought_round(c->place.turn_deg + by * turn_step_deg);
    });
}

void SetOutWaypoint::copy(bool mirrored) {
    const SetOut* now = bench_.state.set_out_in_hand(bench_.document.project());
    if (!now) return;
    int id = -1;
    bench_.document.change(mirrored ? "Copy the cut, mirrored" : "Copy the cut", [&](Project& p) {
        std::vector<Box> taken;
        for (const SetOut& one : bench_.state.plan()->set_out.each) taken.push_back(one.cut_box);
        id = copy_cut(p, bench_.state.in_hand().placed(p)->id, mirrored,
                      beside_on_page(p.set_out.page, taken, now->cut_box, mm_per_inch / 4));
    });
    bench_.state.in_hand().take_cut(id);
}

void SetOutWaypoint::remove_from_page() {
    const int photo = bench_.state.in_hand().photo(bench_.document.project());
    bench_.document.change(photo >= 0 ? "Remove the photo from the page" : "Remove the cut from the page",
                           [&](Project& p) {
                               if (photo >= 0)
                                   remove_photo(p, photo);
                               else if (const PlacedCut* c = bench_.state.in_hand().placed(p))
                                   remove_cut(p, c->id);
                           });
}

/// Photos pass the cuts on their way; cuts change places with the next cut.
void SetOutWaypoint::shift_in_pile(int by) {
    bench_.document.change(by > 0 ? "Bring forward" : "Send back", [&](Project& p) {
        auto& photos = p.set_out.photos;
        if (const int i = bench_.state.in_hand().photo(p); i >= 0) {
            const int other = i + by;
            const bool there = other >= 0 && other < static_cast<int>(photos.size());
            if (photos[i].on_top != (by > 0) && (!there || photos[other].on_top != photos[i].on_top))
                photos[i].on_top = by > 0;
            else if (there)
                std::swap(photos[i], photos[other]);
            return;
        }
        const int i = bench_.state.in_hand().cut(p);
        const int other = i + by;
        if (i >= 0 && other >= 0 && other < static_cast<int>(p.set_out.cuts.size()))
            std::swap(p.set_out.cuts[i], p.set_out.cuts[other]);
    });
}

} // namespace zesty
