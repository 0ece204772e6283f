#include "app/setout/set_out_panel.h"

#include "app/setout/copies_part.h"
#include "app/setout/cuts_part.h"
#include "app/setout/numbers_part.h"
#include "app/setout/page_part.h"
#include "app/setout/photos_part.h"
#include "app/setout/pieces_part.h"
#include "app/setout/rooms_part.h"
#include "app/setout/sizes_part.h"
#include "app/setout/sketch_part.h"

namespace zesty {

namespace {

PageTools::Tool tool_of(int part) {
    switch (part) {
    case SetOutPanel::Sizes:
        return PageTools::Tool::Measure;
    case SetOutPanel::Sketch:
        return PageTools::Tool::SketchBoxes;
    case SetOutPanel::Pieces:
        return PageTools::Tool::PickPieces;
    default:
        return PageTools::Tool::None;
    }
}

} // namespace

SetOutPanel::SetOutPanel(Document& document, BenchState& state, Actions& actions, Worker& worker,
                         const Settings& settings, QWidget* parent)
    : PanelOfParts("How large?",
                   {"Page", "Cuts", "Pieces", "Copies", "Photos", "Room", "Sketch", "Sizes", "Numbers"},
                   parent) {
    cuts_ = new CutsPart(document, state, actions, this);
    photos_ = new PhotosPart(document, state, actions, worker, this);
    pieces_ = new PiecesPart(document, state, actions, worker, this);
    copies_ = new CopiesPart(document, state, actions, worker, this);
    add(new PagePart(document, state, actions, this));
    add(cuts_);
    add(pieces_);
    add(copies_);
    add(photos_);
    rooms_ = new RoomsPart(document, state, actions, worker, this);
    add(rooms_);
    sketch_ = new SketchPart(document, state, actions, this);
    add(sketch_);
    add(new SizesPart(document, state, actions, worker, this));
    add(new NumbersPart(document, state, actions, settings, NumbersAbout::SetOut, this));
    choose(Cuts);
    connect(cuts_, &CutsPart::pieces_wanted, this, [this] { choose(Pieces); });
    connect(pieces_, &PiecesPart::say, this, &SetOutPanel::say);
    connect(this, &PanelOfParts::part_chosen, this, [&state](int part) {
        state.tools().take(tool_of(part));
        if (part != Sizes) state.tools().measure(std::nullopt);
        state.show_page();
    });
    connect(&state.in_hand(), &InHand::changed, this, [this, &document, &state] {
        // What is taken in hand on the page brings its part up.
        const bool photo = state.in_hand().photo(document.project()) >= 0;
        if (photo && chosen() == Cuts) choose(Photos);
        if (!photo && chosen() == Photos) choose(Cuts);
    });
}

void SetOutPanel::ask_size(int cut_id) {
    cuts_->ask_size(cut_id);
}

} // namespace zesty
