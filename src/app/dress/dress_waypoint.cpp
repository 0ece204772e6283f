#include "app/dress/dress_waypoint.h"

#include "app/bench/wording.h"
#include "app/dress/dress_overlays.h"
#include "app/setout/set_out_drags.h"
#include "core/dress/layers.h"
#include "core/dress/writing.h"
#include "core/geometry/measure.h"
#include "core/project/finished.h"
#include "core/sentences.h"

#include <algorithm>

namespace zesty {

namespace {

/// One that belongs to a photo is moved in the photo's own directions.
class MoveWritingDrag final : public EditingDrag {
public:
    MoveWritingDrag(const PageHands& hands, QPointF from, std::size_t writing)
        : EditingDrag(hands, from), writing_(writing) {}
    void move(QPointF to) override {
        edit("Move the journaling", [&](Project& p) {
            if (writing_ < p.dress.writings.size())
                p.dress.writings[writing_] = moved_writing(p.dress.writings[writing_], p.set_out, moved(to));
        });
    }

private:
    std::size_t writing_;
};

/// A circle from its middle to where the drag ends, where neither glue nor foam goes.
class FreePartDrag final : public EditingDrag {
public:
    using EditingDrag::EditingDrag;
    void move(QPointF to) override {
        edit("Leave a part free", [&](Project& p) {
            if (p.dress.free_parts.size() >= most_free_parts) return;
            p.dress.free_parts.push_back({map().back(from_), free_part_limits.nearest(length(moved(to)))});
        });
    }
};

int pieces_without_sheet(const Plan& plan) {
    return static_cast<int>(std::count_if(plan.dress.pieces.begin(), plan.dress.pieces.end(),
                                          [](const DressPiece& p) { return !p.placed && !p.paper.empty(); }));
}

int letters_short(const Plan& plan) {
    int out = 0;
    for (const TitleFacts& t : plan.dress.titles)
        for (const auto& [piece, count] : t.missing) out += count;
    return out;
}

} // namespace

DressWaypoint::DressWaypoint(const BenchParts& bench, QObject* parent) : WaypointView(bench, parent) {
    connect_actions();
    connect_held();
}

void DressWaypoint::make() {
    panel_ = new PanelOfParts("How will it look?",
                              {"Wet work", "Photo mats", "Layers", "Embellishments", "Title", "Letters",
                               "Words", "Stitching", "Height", "Cover", "Frame", "Look", "Variants"},
                              bench_.side);
    wet_ = new WetPart(bench_.document, bench_.state, bench_.actions, panel_);
    mats_ = new MatsPart(bench_.document, bench_.state, bench_.actions, panel_);
    layers_ = new LayersPart(bench_.document, bench_.state, bench_.actions, panel_);
    things_ = new ThingsPart(bench_.document, bench_.state, bench_.actions, bench_.worker, panel_);
    title_ = new TitlePart(bench_.document, bench_.state, bench_.actions, panel_);
    auto* letters = new LettersPart(bench_.document, bench_.state, bench_.actions, panel_);
    words_ = new WordsPart(bench_.document, bench_.state, bench_.actions, panel_);
    stitching_ = new StitchingPart(bench_.document, bench_.state, bench_.actions, panel_);
    height_ = new HeightPart(bench_.document, bench_.state, bench_.actions, panel_);
    frame_ = new FramePart(bench_.document, bench_.state, bench_.actions, panel_);
    variants_ = new VariantsPart(bench_.document, bench_.state, bench_.actions, bench_.worker, panel_);
    cover_ = new CoverPart(bench_.document, bench_.state, bench_.actions, bench_.worker, panel_);
    look_ = new LookPart(bench_.document, bench_.state, bench_.actions, panel_);
    for (PanelPart* part :
         std::initializer_list<PanelPart*>{wet_, mats_, layers_, things_, title_, letters, words_, stitching_,
                                           height_, cover_, frame_, look_, variants_})
        panel_->add(part);
    panel_->choose(Words);
    connect(panel_, &PanelOfParts::part_chosen, this, &WaypointView::look_changed);
    connect(look_, &LookPart::seen_changed, this, &WaypointView::look_changed);
    connect(wet_, &WetPart::chosen_changed, this, &WaypointView::look_changed);
    connect(height_, &HeightPart::seen_changed, this, &WaypointView::look_changed);
    connect(words_, &WordsPart::chosen_changed, this, &WaypointView::look_changed);
    connect(things_, &ThingsPart::in_hand_changed, this, &WaypointView::look_changed);
    connect(title_, &TitlePart::chosen_changed, this, &WaypointView::look_changed);
    connect(layers_, &LayersPart::chosen_changed, this, &WaypointView::look_changed);
    connect(things_, &ThingsPart::ask_scan, this, [this] {
        const QString path = bench_.questions.open_picture(bench_.window, bench_.settings.last_folder());
        if (!path.isEmpty()) things_->take_scan(path);
    });
}

void DressWaypoint::show_part(Part part) {
    bench_.state.go_to(Waypoint::Dress);
    panel_->choose(part);
}

void DressWaypoint::connect_actions() {
    on(Act::AddMat, [this] {
        show_part(Mats);
        mats_->add_mat();
    });
    on(Act::AddLayer, [this] {
        show_part(Layers);
        layers_->add_layer();
    });
    on(Act::AddTitle, [this] {
        show_part(Title);
        title_->add();
    });
    on(Act::PutEmbellishment, [this] {
        show_part(Things);
        things_->put_on_page();
    });
    on(Act::WhatFits, [this] {
        show_part(Things);
        things_->ask_what_fits();
    });
    on(Act::WhereItFits, [this] {
        show_part(Things);
        things_->ask_where_it_fits();
    });
    on(Act::AddStitching, [this] {
        show_part(Stitches);
        stitching_->add();
    });
    on(Act::AddWriting, [this] {
        show_part(Words);
        words_->add();
    });
    on(Act::Cure, [this] {
        show_part(Cover);
        cover_->cure();
    });
    on(Act::NextLook, [this] {
        show_part(Look);
        look_->see(static_cast<Seen>((static_cast<int>(look_->seen()) + 1) % count_of_values<Seen>));
    });
}

void DressWaypoint::connect_held() {
    on(Act::AddWet, [this] {
        show_part(Wet);
        wet_->add();
    });
    on(Act::TakeDropOuts, [this] {
        show_part(Wet);
        wet_->take_drop_outs();
    });
    on(Act::HoldNext, [this] {
        show_part(Height);
        height_->hold_next();
    });
    on(Act::FreePartWanted, [this] {
        show_part(Height);
        height_->want_free_part(!height_->wants_free_part());
    });
    on(Act::PutAside, [this] {
        show_part(Variants);
        variants_->put_aside();
    });
    on(Act::BringBack, [this] {
        show_part(Variants);
        variants_->bring_back();
    });
    on(Act::CompareVariants, [this] {
        show_part(Variants);
        variants_->compare();
    });
}

bool DressWaypoint::in_trouble(const Plan& plan) const {
    return pieces_without_sheet(plan) > 0 || letters_short(plan) > 0 ||
           !plan.dress.short_embellishments.empty();
}

QString DressWaypoint::answer(const Project& project, const Plan& plan) const {
    if (const int n = pieces_without_sheet(plan); n > 0)
        return counted(static_cast<std::size_t>(n), "piece without paper", "pieces without paper");
    if (const int n = letters_short(plan); n > 0)
        return counted(static_cast<std::size_t>(n), "letter missing", "letters missing");
    if (const auto n = plan.dress.short_embellishments.size(); n > 0)
        return counted(n, "embellishment missing", "embellishments missing");
    const auto missing = missing_of(project, plan);
    if (missing.empty()) return "nothing is missing";
    return missing.size() == 1
               ? words(missing.front()) + " missing"
               : QString("missing: %1, +%2").arg(words(missing.front())).arg(missing.size() - 1);
}

Seen DressWaypoint::seen() const {
    if (panel_->chosen() == Height) return height_->seen();
    return look_->seen();
}

void DressWaypoint::paint_on_page(QPainter& painter, const PageMap& map, const Project& project,
                                  const Plan& plan) const {
    if (seen() != Seen::Colour) return;
    const DressInHand in_hand{panel_->chosen() == Mats ? bench_.state.in_hand().photo(project) : -1,
                              panel_->chosen() == Layers ? layers_->chosen() : -1,
                              words_->chosen(),
                              panel_->chosen() == Things ? things_->on_page() : -1,
                              panel_->chosen() == Title ? title_->chosen() : -1,
                              panel_->chosen() == Look,
                              panel_->chosen() == Cover,
                              panel_->chosen() == Wet ? wet_->chosen() : -1};
    paint_dress_overlays(painter, map, project, plan, in_hand);
}

/// At Height what is clicked is chosen there, and nowhere else.
bool DressWaypoint::held_instead(Lying what, std::size_t index) const {
    if (panel_->chosen() != Height) return false;
    height_->choose(what, static_cast<int>(index));
    return true;
}

std::unique_ptr<PageDrag> DressWaypoint::press_writing(const PageHands& hands, QPointF at) const {
    const auto& writings = hands.plan().dress.placed;
    for (std::size_t i = writings.size(); i-- > 0;) {
        const Polygon outline = outline_of(writings[i]);
        if (outline.outer.empty() || !contains(outline, hands.map().back(at))) continue;
        panel_->choose(Words);
        words_->choose(static_cast<int>(i));
        return std::make_unique<MoveWritingDrag>(hands, at, i);
    }
    return nullptr;
}

std::unique_ptr<PageDrag> DressWaypoint::press_title(const PageHands& hands, QPointF at) const {
    const auto& titles = hands.plan().dress.titles;
    for (std::size_t i = titles.size(); i-- > 0;) {
        const auto& letters = titles[i].letters;
        if (std::none_of(letters.begin(), letters.end(),
                         [&](const TitleLetter& l) { return contains(l.box, hands.map().back(at)); }))
            continue;
        if (!held_instead(Lying::Title, i)) {
            panel_->choose(Title);
            title_->choose(static_cast<int>(i));
        }
        return std::make_unique<MovePointDrag>(hands, at, "Move the title", [i](Project& p) {
            return i < p.dress.titles.size() ? &p.dress.titles[i].path.centre : nullptr;
        });
    }
    return nullptr;
}

std::unique_ptr<PageDrag> DressWaypoint::press_thing(const PageHands& hands, QPointF at) const {
    const auto& things = hands.plan().dress.embellishments;
    for (std::size_t i = things.size(); i-- > 0;) {
        if (!things[i].known || !contains(things[i].outline, hands.map().back(at))) continue;
        if (!held_instead(Lying::Embellishment, i)) {
            panel_->choose(Things);
            things_->take_on_page(static_cast<int>(i));
        }
        return std::make_unique<MovePointDrag>(hands, at, "Move the embellishment", [i](Project& p) {
            return i < p.dress.embellishments.size() ? &p.dress.embellishments[i].centre : nullptr;
        });
    }
    return nullptr;
}

std::unique_ptr<PageDrag> DressWaypoint::press_layer(const PageHands& hands, QPointF at, bool on_top) const {
    const Project& project = hands.document.project();
    for (std::size_t i = project.dress.layers.size(); i-- > 0;) {
        const PaperLayer& layer = project.dress.layers[i];
        if ((layer.place == LayerPlace::OnTop) != on_top ||
            !contains(outline_of(layer, project.set_out.page), hands.map().back(at)))
            continue;
        if (!held_instead(Lying::Layer, i)) {
            panel_->choose(Layers);
            layers_->choose(static_cast<int>(i));
        }
        return std::make_unique<MovePointDrag>(hands, at, "Move the layer", [i](Project& p) {
            return i < p.dress.layers.size() && p.dress.layers[i].shape != LayerShape::Tape
                       ? &p.dress.layers[i].centre
                       : nullptr;
        });
    }
    return nullptr;
}

std::unique_ptr<PageDrag> DressWaypoint::press_wet(const PageHands& hands, QPointF at) const {
    const auto& zones = hands.plan().dress.wet;
    for (std::size_t i = zones.size(); i-- > 0;) {
        const Point there = hands.map().back(at);
        if (std::none_of(zones[i].wet.begin(), zones[i].wet.end(),
                         [&](const Polygon& p) { return contains(p, there); }))
            continue;
        panel_->choose(Wet);
        wet_->choose(static_cast<int>(i));
        return std::make_unique<MovePointDrag>(hands, at, "Move the wet work", [i](Project& p) {
            return i < p.dress.wet.size() ? &p.dress.wet[i].centre : nullptr;
        });
    }
    return nullptr;
}

std::unique_ptr<PageDrag> DressWaypoint::press(const PageHands& hands, const PagePress& press) const {
    if (panel_->chosen() == Height && height_->wants_free_part()) {
        height_->want_free_part(false);
        return std::make_unique<FreePartDrag>(hands, press.at);
    }
    things_->clicked_at(hands.map().back(press.at));
    if (press.opening >= 0)
        hands.state.select({press.opening});
    else
        hands.state.select({});
    if (auto drag = press_title(hands, press.at)) return drag;
    if (auto drag = press_thing(hands, press.at)) return drag;
    if (auto drag = press_writing(hands, press.at)) return drag;
    if (auto drag = press_layer(hands, press.at, true)) return drag;
    if (auto drag = begin_moving_photo(hands, press.at)) {
        const int photo = hands.state.in_hand().photo(hands.document.project());
        const bool held = photo >= 0 && held_instead(Lying::Photo, static_cast<std::size_t>(photo));
        if (!held && panel_->chosen() != Cover && panel_->chosen() != Look) panel_->choose(Mats);
        return drag;
    }
    if (auto drag = press_layer(hands, press.at, false)) return drag;
    if (press.opening >= 0)
        if (const int cut = hands.plan().sections.cut_of_opening[static_cast<std::size_t>(press.opening)];
            cut >= 0)
            held_instead(Lying::Cut, static_cast<std::size_t>(cut));
    return panel_->chosen() == Wet || press.opening < 0 ? press_wet(hands, press.at) : nullptr;
}

bool DressWaypoint::push(const PageHands& hands, Point way, bool more) const {
    const Point by = way * (more ? 4 : 1);
    const auto push_at = [&](const QString& intention, auto where) {
        hands.document.change(intention, [&](Project& p) {
            Point& at = where(p);
            at = at + by;
        });
        return true;
    };
    switch (panel_->chosen()) {
    case Words:
        if (const int i = words_->chosen(); i >= 0)
            hands.document.change("Move the journaling", [&](Project& p) {
                p.dress.writings[i] = moved_writing(p.dress.writings[i], p.set_out, by);
            });
        return words_->chosen() >= 0;
    case Title:
        if (const int i = title_->chosen(); i >= 0)
            return push_at("Move the title",
                           [i](Project& p) -> Point& { return p.dress.titles[i].path.centre; });
        return false;
    case Things:
        if (const int i = things_->on_page(); i >= 0)
            return push_at("Move the embellishment",
                           [i](Project& p) -> Point& { return p.dress.embellishments[i].centre; });
        return false;
    case Wet:
        if (const int i = wet_->chosen(); i >= 0)
            return push_at("Move the wet work", [i](Project& p) -> Point& { return p.dress.wet[i].centre; });
        return false;
    case Layers:
        if (const int i = layers_->chosen(); i >= 0)
            return push_at("Move the layer", [i](Project& p) -> Point& { return p.dress.layers[i].centre; });
        return false;
    default:
        if (const int i = hands.state.in_hand().photo(hands.document.project()); i >= 0)
            return push_at("Move the photo",
                           [i](Project& p) -> Point& { return p.set_out.photos[i].centre; });
        return false;
    }
}

} // namespace zesty
