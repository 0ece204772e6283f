#include "app/setout/set_out_panel.h"

#include "app/bench/wording.h"
#include "app/setout/cuts_part.h"
#include "app/setout/page_part.h"
#include "app/setout/photos_part.h"
#include "app/setout/sizes_part.h"
#include "core/cutfile/layers.h"
#include "core/project/edits.h"
#include "io/drawing_import.h"

#include <QMenu>
#include <QPointer>
#include <algorithm>

namespace zesty {

namespace {
constexpr int most_pieces_listed = 24;
constexpr double shadow_width = 2;
} // namespace

SetOutPanel::SetOutPanel(Document& document, BenchState& state, Actions& actions, Worker& worker,
                         QWidget* parent)
    : PanelOfParts("How large?", {"Page", "Cuts", "Photos", "Sizes"}, parent), document_(document),
      state_(state), worker_(worker) {
    cuts_ = new CutsPart(document, state, actions, this);
    photos_ = new PhotosPart(document, state, actions, worker, this);
    add(new PagePart(document, state, actions, this));
    add(cuts_);
    add(photos_);
    add(new SizesPart(document, state, actions, worker, this));
    choose(Cuts);
    connect(cuts_, &CutsPart::pieces_wanted, this, &SetOutPanel::fill_pieces);
    connect(this, &PanelOfParts::part_chosen, this, [this](int part) {
        state_.tools().take(part == Sizes ? PageTools::Tool::Measure : PageTools::Tool::None);
        if (part != Sizes) state_.tools().measure(std::nullopt);
        state_.show_cutting_mats(nullptr);
    });
    connect(&state.in_hand(), &InHand::changed, this, [this] {
        // What is taken in hand on the page brings its part up.
        const bool photo = state_.in_hand().photo(document_.project()) >= 0;
        if (photo && chosen() == Cuts) choose(Photos);
        if (!photo && chosen() == Photos) choose(Cuts);
    });
}

double SetOutPanel::square() const {
    return cuts_->square();
}

void SetOutPanel::ask_size(int cut_id) {
    cuts_->ask_size(cut_id);
}

void SetOutPanel::fill_pieces(QMenu* menu) {
    menu->clear();
    const Project& p = document_.project();
    const int i = state_.in_hand().cut(p);
    if (i < 0) return;
    const auto& drawing =
        p.set_out.drawings[static_cast<std::size_t>(p.set_out.cuts[static_cast<std::size_t>(i)].drawing)];
    QStringList layers;
    for (const std::string& l : layers_of(drawing->drawing)) layers << words(l);
    menu->addAction("Counting the pieces")->setEnabled(false);
    worker_.think(this, [this, p, i, layers, menu = QPointer<QMenu>(menu)](Planner& planner) {
        const int pieces = planner.piece_count(p, i).value_or(0);
        return [this, pieces, layers, menu] {
            if (menu) show_pieces(menu, pieces, layers);
        };
    });
}

void SetOutPanel::change_cut(const QString& intention,
                             const std::function<void(Project&, PlacedCut&)>& apply) {
    document_.change(intention, [&](Project& project) {
        if (PlacedCut* c = state_.in_hand().placed(project)) apply(project, *c);
    });
}

void SetOutPanel::add_pieces(QMenu* menu, const PlacedCut& cut, int pieces) {
    for (int k = 0; k < std::min(pieces, most_pieces_listed); ++k) {
        QAction* piece = menu->addAction(QString("Piece %1").arg(k + 1));
        piece->setCheckable(true);
        const bool used = !std::binary_search(cut.left_out.begin(), cut.left_out.end(), k);
        piece->setChecked(used);
        connect(piece, &QAction::triggered, this, [this, k, used] {
            change_cut(used ? "Leave out a piece" : "Use the piece again", [&](Project&, PlacedCut& c) {
                std::erase(c.left_out, k);
                if (used) c.left_out.insert(std::lower_bound(c.left_out.begin(), c.left_out.end(), k), k);
            });
        });
        if (pieces < 2) continue;
        QAction* alone = menu->addAction(QString("Only piece %1").arg(k + 1));
        connect(alone, &QAction::triggered, this, [this, k, pieces] {
            change_cut("Take one piece alone", [&](Project&, PlacedCut& c) {
                c.left_out.clear();
                for (int other = 0; other < pieces; ++other)
                    if (other != k) c.left_out.push_back(other);
            });
        });
    }
}

void SetOutPanel::add_layers(QMenu* menu, const PlacedCut& cut, const QStringList& layers) {
    menu->addSeparator();
    QAction* split = menu->addAction("One cut for each layer");
    connect(split, &QAction::triggered, this, [this] {
        change_cut("Split into layers", [&](Project& project, PlacedCut& c) { split_layers(project, c.id); });
    });
    for (const QString& key : layers) {
        QAction* layer = menu->addAction("Material: " + key);
        layer->setCheckable(true);
        const std::string name = key.toStdString();
        const auto& used = cut.layers;
        layer->setChecked(used.empty() || std::find(used.begin(), used.end(), name) != used.end());
        connect(layer, &QAction::triggered, this, [this, layers, name](bool on) {
            change_cut("Choose what is material", [&](Project&, PlacedCut& c) {
                if (c.layers.empty())
                    for (const QString& l : layers) c.layers.push_back(l.toStdString());
                std::erase(c.layers, name);
                if (on) c.layers.push_back(name);
                c.left_out.clear();
            });
        });
    }
}

void SetOutPanel::show_pieces(QMenu* menu, int pieces, const QStringList& layers) {
    menu->clear();
    const Project& p = document_.project();
    const int i = state_.in_hand().cut(p);
    if (i < 0) return;
    const PlacedCut& cut = p.set_out.cuts[static_cast<std::size_t>(i)];
    add_pieces(menu, cut, pieces);
    menu->addSeparator();
    QAction* paper = menu->addAction("Cut the pieces from papers");
    paper->setCheckable(true);
    paper->setChecked(cut.pieces_from_paper);
    connect(paper, &QAction::triggered, this, [this](bool on) {
        change_cut("Cut the pieces from papers", [&](Project&, PlacedCut& c) { c.pieces_from_paper = on; });
    });
    QAction* above = menu->addAction("Photos slide behind it");
    above->setCheckable(true);
    above->setChecked(cut.above_photos);
    connect(above, &QAction::triggered, this, [this](bool on) {
        change_cut("Order of cuts and photos", [&](Project&, PlacedCut& c) { c.above_photos = on; });
    });
    QAction* shadow = menu->addAction("Put a shadow of 2 mm below it");
    connect(shadow, &QAction::triggered, this, [this] {
        change_cut("Put a shadow below",
                   [&](Project& project, PlacedCut& c) { add_shadow(project, c.id, shadow_width); });
    });
    QAction* swap = menu->addAction("Swap paper and openings");
    swap->setObjectName("swap-paper");
    connect(swap, &QAction::triggered, this, &SetOutPanel::swap_paper);
    if (!layers.isEmpty()) add_layers(menu, cut, layers);
}

/// For pictures that were read the wrong way round.
void SetOutPanel::swap_paper() {
    const Project& p = document_.project();
    const int i = state_.in_hand().cut(p);
    if (i < 0) return;
    const PlacedCut& cut = p.set_out.cuts[static_cast<std::size_t>(i)];
    worker_.think(this,
                  [this, id = cut.id, file = p.set_out.drawings[static_cast<std::size_t>(cut.drawing)]](
                      Planner&) -> std::function<void()> {
                      const auto other = swapped(*file);
                      return [this, id, other] {
                          if (!other) {
                              emit say(words(other.error().message) + ".");
                              return;
                          }
                          document_.change("Swap paper and openings",
                                           [&](Project& project) { replace_drawing(project, id, *other); });
                      };
                  });
}

} // namespace zesty
