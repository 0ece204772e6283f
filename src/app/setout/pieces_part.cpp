#include "app/setout/pieces_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "app/setout/piece_pictures.h"
#include "core/project/edits.h"
#include "io/drawing_import.h"
#include "io/paint/textures.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QListWidget>
#include <QPainter>

namespace zesty {

namespace {
constexpr int most_rows = 3; ///< of pictures, before they scroll
} // namespace

PiecesPart::PiecesPart(Document& document, BenchState& state, Actions& actions, Worker& worker,
                       QWidget* parent)
    : PanelPart(document, state, actions, parent), worker_(worker) {
    build_picking();
    build_what_becomes();
    build_rest();
    connect(&state.in_hand(), &InHand::changed, this, &PiecesPart::refresh_if_shown);
    connect(&document, &Document::project_changed, this, &PiecesPart::refresh_if_shown);
}

void PiecesPart::build_picking() {
    auto* r = row("Pick");
    what_ = new ChoiceRow<What>("Pick", {{"Pieces", What::Pieces}, {"Layers", What::Layers}}, this);
    what_->show_value(What::Pieces);
    what_->on_choice(this, [this](What) { ask(); });
    r->addWidget(what_, 1);
    list_ = new QListWidget(this);
    list_->setObjectName("pieces");
    list_->setAccessibleName("Pieces or layers of the cut");
    list_->setToolTip("Ctrl picks several, Shift a row of them; Space with the keyboard");
    list_->setViewMode(QListView::IconMode);
    list_->setResizeMode(QListView::Adjust);
    list_->setMovement(QListView::Static);
    list_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    list_->setUniformItemSizes(true);
    list_->setWordWrap(true);
    list_->setSpacing(2);
    connect(list_, &QListWidget::itemSelectionChanged, this, &PiecesPart::take_rows);
    column_->addWidget(list_);
    says_ = line("picked");
}

void PiecesPart::build_what_becomes() {
    const auto button = [&](const char* text, const char* tip, void (PiecesPart::*act)()) {
        auto* b = new QPushButton(text, this);
        b->setToolTip(tip);
        connect(b, &QPushButton::clicked, this, act);
        return b;
    };
    auto* r = row(QString());
    leave_out_ = new QPushButton("Leave out", this);
    leave_out_->setToolTip("What is picked is not cut");
    connect(leave_out_, &QPushButton::clicked, this, [this] { leave_out(true); });
    only_ = new QPushButton("Only these", this);
    only_->setToolTip("Nothing but what is picked is cut");
    connect(only_, &QPushButton::clicked, this, [this] { leave_out(false); });
    again_ = button("Use again", "What was left out is cut again", &PiecesPart::use_again);
    r->addWidget(leave_out_);
    r->addWidget(only_);
    r->addWidget(again_);
    r = row(QString());
    part_off_ = button("Make a cut of its own",
                       "What is picked can be moved, turned, sized and backed apart from the rest",
                       &PiecesPart::part_off);
    split_ = new QPushButton("One for each layer", this);
    split_->setToolTip("Every layer becomes a cut of its own");
    connect(split_, &QPushButton::clicked, this, [this] {
        document_.change("Split into layers", [&](Project& p) {
            if (const PlacedCut* c = state_.in_hand().placed(p)) split_layers(p, c->id);
        });
    });
    r->addWidget(part_off_);
    r->addWidget(split_);
}

void PiecesPart::build_rest() {
    auto* r = row("Shadow");
    shadow_ = new LengthEdit("How much larger the shadow is, all round", shadow_limits.least,
                             shadow_limits.most, this);
    shadow_->setFixedWidth(theme::px(84));
    connect(shadow_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Size of the shadow", [&](Project& p) { p.set_out.usual.shadow = mm; });
    });
    r->addWidget(shadow_);
    add_shadow_ = new QPushButton("Add shadow", this);
    add_shadow_->setToolTip("The same cut once more, larger all round, below this one");
    connect(add_shadow_, &QPushButton::clicked, this, [this] {
        document_.change("Put a shadow below", [&](Project& p) {
            if (const PlacedCut* c = state_.in_hand().placed(p)) add_shadow(p, c->id, p.set_out.usual.shadow);
        });
    });
    r->addWidget(add_shadow_);
    r->addStretch(1);
    r = row(QString());
    from_paper_ = new QCheckBox("Cut the pieces from papers", this);
    from_paper_->setToolTip("Every piece is a section with a paper of its own");
    connect(from_paper_, &QCheckBox::clicked, this, [this](bool on) {
        change_cut("Cut the pieces from papers", [&](PlacedCut& c) { c.pieces_from_paper = on; });
    });
    r->addWidget(from_paper_);
    r->addStretch(1);
    r = row(QString());
    above_photos_ = new QCheckBox("Photos slide behind it", this);
    connect(above_photos_, &QCheckBox::clicked, this, [this](bool on) {
        change_cut("Order of cuts and photos", [&](PlacedCut& c) { c.above_photos = on; });
    });
    r->addWidget(above_photos_);
    r->addStretch(1);
    r = row(QString());
    swap_ = new QPushButton("Swap paper and openings", this);
    swap_->setObjectName("swap-paper");
    swap_->setToolTip("For a picture that was read the wrong way round");
    connect(swap_, &QPushButton::clicked, this, &PiecesPart::swap_paper);
    r->addWidget(swap_);
    r->addStretch(1);
}

void PiecesPart::change_cut(const QString& intention, const std::function<void(PlacedCut&)>& apply) {
    document_.change(intention, [&](Project& p) {
        if (PlacedCut* c = state_.in_hand().placed(p)) apply(*c);
    });
}

/// Asks for the pieces or layers, when they are others than those on show.
void PiecesPart::ask() {
    const Project& p = document_.project();
    const int i = state_.in_hand().cut(p);
    if (i < 0) {
        asked_.reset();
        all_.reset();
        list_->clear();
        return tell();
    }
    const PlacedCut& cut = p.set_out.cuts[static_cast<std::size_t>(i)];
    const Asked now{p.set_out.drawings[static_cast<std::size_t>(cut.drawing)].pointer().get(), cut.layers,
                    cut.left_out, cut.id, what_->value_or(What::Pieces)};
    if (asked_ == now) return;
    asked_ = now;
    worker_.think(this, [this, p, i, now, number = ++number_](Planner& planner) -> std::function<void()> {
        const auto all = planner.pickable(p, i);
        const auto pictures = !all                       ? std::vector<QImage>{}
                              : now.what == What::Pieces ? pictures_of_pieces(*all, now.left_out)
                                                         : pictures_of_layers(*all, now.layers);
        return [this, all, pictures, number] {
            if (number != number_) return;
            all_ = all ? std::optional(*all) : std::nullopt;
            show_pictures(pictures);
        };
    });
}

void PiecesPart::show_pictures(const std::vector<QImage>& pictures) {
    const QSignalBlocker quiet(list_);
    list_->clear();
    picked_.clear();
    const bool pieces = asked_ && asked_->what == What::Pieces;
    list_->setIconSize({picture_side, picture_side});
    list_->setGridSize(pieces ? QSize(58, 70) : QSize(92, 84));
    for (std::size_t k = 0; k < pictures.size(); ++k) {
        const bool unused =
            pieces ? std::binary_search(asked_->left_out.begin(), asked_->left_out.end(), static_cast<int>(k))
                   : !asked_->layers.empty() && std::find(asked_->layers.begin(), asked_->layers.end(),
                                                          all_->layers[k]) == asked_->layers.end();
        const QString name = pieces ? QString::number(k + 1) : layer_in_words(all_->layers[k]);
        auto* item = new QListWidgetItem(QPixmap::fromImage(pictures[k]), name);
        item->setData(Qt::AccessibleTextRole,
                      (pieces ? "Piece " : "Layer ") + name + (unused ? ", left out" : QString()));
        if (unused) item->setForeground(theme::quiet);
        item->setToolTip(item->data(Qt::AccessibleTextRole).toString());
        item->setTextAlignment(Qt::AlignHCenter | Qt::AlignTop);
        list_->addItem(item);
    }
    // As high as its rows need, to a limit.
    const int in_a_row = std::max(1, (panel_width() - 24) / list_->gridSize().width());
    const int rows = (list_->count() + in_a_row - 1) / in_a_row;
    list_->setFixedHeight(std::clamp(rows, 1, most_rows) * list_->gridSize().height() + 8);
    lay_out_now(this);
    tell();
    emit state_.tools().picked_changed();
}

void PiecesPart::take_rows() {
    picked_.clear();
    for (const QListWidgetItem* item : list_->selectedItems()) picked_.insert(list_->row(item));
    tell();
    emit state_.tools().picked_changed();
}

void PiecesPart::tell() {
    const bool pieces = what_->value_or(What::Pieces) == What::Pieces;
    const int all = list_->count();
    const int picked = static_cast<int>(picked_.size());
    const QString one = pieces ? "piece" : "layer";
    if (all == 0)
        says_->setText(pieces || !asked_ ? "No cut in hand." : "The drawing is all of one layer.");
    else if (picked == 0)
        says_->setText(QString("Click %1s on the page or here to pick them. There %2.")
                           .arg(one)
                           .arg(all == 1 ? "is one" : QString("are %1").arg(all)));
    else
        says_->setText(QString("%1 of %2 %3s picked.").arg(picked).arg(all).arg(one));
    // A button that goes grey would hand the keys on to the next field, which has an undo of its own.
    const bool some = picked > 0 && picked < all;
    for (const QPushButton* b : {leave_out_, only_, again_, part_off_})
        if (b->hasFocus() && !some) list_->setFocus();
    leave_out_->setEnabled(some);
    only_->setEnabled(some);
    again_->setEnabled(asked_ && (pieces ? !asked_->left_out.empty() : !asked_->layers.empty()));
    part_off_->setEnabled(some);
    split_->setEnabled(all_ && all_->layers.size() > 1);
}

std::vector<std::string> PiecesPart::picked_layers() const {
    std::vector<std::string> out;
    for (int k : picked_) out.push_back(all_->layers[static_cast<std::size_t>(k)]);
    return out;
}

void PiecesPart::leave_out(bool picked) {
    if (!all_ || picked_.empty()) return;
    const int count = list_->count();
    const auto leaves = [&](int k) { return picked_.contains(k) == picked; };
    change_cut(picked ? "Leave out what is picked" : "Use only what is picked", [&](PlacedCut& c) {
        if (what_->value_or(What::Pieces) == What::Pieces) {
            std::set<int> out;
            if (picked) out.insert(c.left_out.begin(), c.left_out.end());
            for (int k = 0; k < count; ++k)
                if (leaves(k)) out.insert(k);
            // Something has to be cut.
            if (static_cast<int>(out.size()) < count) c.left_out.assign(out.begin(), out.end());
            return;
        }
        std::vector<std::string> now = c.layers.empty() ? all_->layers : c.layers;
        std::vector<std::string> rest;
        for (int k = 0; k < count; ++k) {
            const std::string& layer = all_->layers[static_cast<std::size_t>(k)];
            const bool used = std::find(now.begin(), now.end(), layer) != now.end();
            if (!leaves(k) && (used || !picked)) rest.push_back(layer);
        }
        if (rest.empty()) return;
        c.layers = std::move(rest);
        c.left_out.clear();
    });
}

void PiecesPart::use_again() {
    const bool pieces = what_->value_or(What::Pieces) == What::Pieces;
    change_cut(pieces ? "Use the pieces again" : "Use the layers again", [&](PlacedCut& c) {
        if (pieces && picked_.empty())
            c.left_out.clear();
        else if (pieces)
            std::erase_if(c.left_out, [&](int k) { return picked_.contains(k); });
        else
            c.layers.clear();
        if (!pieces) c.left_out.clear();
    });
}

void PiecesPart::part_off() {
    const Project& p = document_.project();
    const int i = state_.in_hand().cut(p);
    if (i < 0 || !all_ || picked_.empty()) return;
    const bool pieces = what_->value_or(What::Pieces) == What::Pieces;
    worker_.think(this, [this, p, i, pieces, count = list_->count(),
                         layers = pieces ? std::vector<std::string>{} : picked_layers(),
                         picked = std::vector<int>(picked_.begin(), picked_.end())](Planner& planner) {
        const auto place = planner.by_whole_drawing(p, i);
        return std::function<void()>([=, this, id = p.set_out.cuts[static_cast<std::size_t>(i)].id] {
            if (!place) return;
            int own = -1;
            document_.change("Make a cut of its own", [&](Project& next) {
                own = pieces ? part_off_pieces(next, id, picked, count, *place)
                             : part_off_layers(next, id, layers, *place);
            });
            if (own >= 0) state_.in_hand().take_cut(own);
        });
    });
}

/// For pictures that were read the wrong way round.
void PiecesPart::swap_paper() {
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

void PiecesPart::pick_at(Point on_page) {
    const SetOut* lies = state_.set_out_in_hand(document_.project());
    if (!lies || !all_) return;
    const Point at = inverse(lies->to_page)(on_page);
    const int k = what_->value_or(What::Pieces) == What::Pieces ? piece_at(*all_, at) : layer_at(*all_, at);
    pick(k);
}

void PiecesPart::pick(int row) {
    if (row < 0 || row >= list_->count()) return;
    list_->item(row)->setSelected(!picked_.contains(row));
    list_->scrollToItem(list_->item(row));
}

void PiecesPart::paint(QPainter& painter, const PageMap& map) const {
    const SetOut* lies = state_.set_out_in_hand(document_.project());
    if (!lies || !all_ || picked_.empty()) return;
    const Transform& t = lies->to_page;
    const QTransform to_pixels = QTransform(t.a, t.b, t.c, t.d, t.e, t.f) *
                                 QTransform(map.scale, 0, 0, map.scale, map.origin.x(), map.origin.y());
    painter.setPen(QPen(theme::zest, 2));
    painter.setBrush(QColor(theme::zest.red(), theme::zest.green(), theme::zest.blue(), 70));
    for (int k : picked_) {
        const auto at = static_cast<std::size_t>(k);
        if (what_->value_or(What::Pieces) == What::Pieces)
            painter.drawPath(to_pixels.map(to_path(all_->pieces->pieces[at].outline)));
        else
            for (const Piece& piece : all_->of_layer[at]->pieces)
                painter.drawPath(to_pixels.map(to_path(piece.outline)));
    }
}

void PiecesPart::refresh() {
    const Project& p = document_.project();
    const int i = state_.in_hand().cut(p);
    const bool there = i >= 0;
    for (QWidget* w :
         std::initializer_list<QWidget*>{list_, from_paper_, above_photos_, shadow_, add_shadow_, swap_})
        w->setEnabled(there);
    shadow_->show_length(p.set_out.usual.shadow, p.units);
    if (there) {
        const PlacedCut& cut = p.set_out.cuts[static_cast<std::size_t>(i)];
        from_paper_->setChecked(cut.pieces_from_paper);
        above_photos_->setChecked(cut.above_photos);
    }
    ask();
    tell();
}

} // namespace zesty
