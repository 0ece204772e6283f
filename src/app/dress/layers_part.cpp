#include "app/dress/layers_part.h"

#include "app/bench/wording.h"
#include "core/dress/layers.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/setout/placed_cut.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QSpinBox>
#include <cmath>

namespace zesty {

LayersPart::LayersPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    auto* r = row(QString());
    r->addWidget(button(Act::AddLayer, "Add paper layer", true));
    remove_ = push("Remove", "Takes the layer chosen in the list off the page", [this] {
        const int i = chosen();
        document_.change("Remove a layer", [&](Project& p) {
            if (i >= 0) p.dress.layers.erase(p.dress.layers.begin() + i);
        });
    });
    r->addWidget(remove_);
    up_ = push("Bring forward", "Lays it above the next layer of the list", [this] {
        const int i = chosen();
        if (i < 0 || i + 1 >= layers_->count()) return;
        document_.change("Bring a layer forward",
                         [&](Project& p) { std::swap(p.dress.layers[i], p.dress.layers[i + 1]); });
        choose(i + 1);
    });
    r->addWidget(up_);
    r->addStretch(1);
    layers_ = new Rows("layers", "Paper layers on the page, the lowest first", 2, this);
    connect(layers_, &Rows::taken, this, [this] {
        refresh();
        emit chosen_changed();
    });
    column_->addWidget(layers_);
    build_layer();
    build_place();
    says_ = line("layer-says");
    connect(&document, &Document::project_changed, this, &LayersPart::refresh_if_shown);
    connect(&state, &BenchState::plan_changed, this, &LayersPart::refresh_if_shown);
}

void LayersPart::build_layer() {
    auto* r = row("Shape");
    shape_ = new ChoiceBox<LayerShape>("Shape of the layer",
                                       {{"strip", LayerShape::Strip},
                                        {"torn hill", LayerShape::Hill},
                                        {"tape along an edge", LayerShape::Tape}},
                                       this);
    shape_->on_choice(this, [this](LayerShape shape) {
        change("Shape of the layer", [&](PaperLayer& l) { l.shape = shape; });
    });
    r->addWidget(shape_, 1);
    name_ = new QLineEdit(this);
    name_->setAccessibleName("Name of the layer");
    name_->setPlaceholderText("name");
    name_->setMaxLength(60);
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        change("Name the layer", [&](PaperLayer& l) { l.name = name_->text().trimmed().toStdString(); });
    });
    r->addWidget(name_, 1);
    r = row("Paper");
    paper_ = new PaperBox("Paper of the layer", this);
    paper_->on_choice(this, [this](const PaperPick& pick) {
        change("Paper of the layer", [&](PaperLayer& l) {
            l.paper = pick.id;
            l.side = pick.side;
        });
    });
    r->addWidget(paper_, 1);
    r = row("Lies");
    place_ = new ChoiceBox<LayerPlace>("Where the layer lies in the pile",
                                       {{"under the cuts", LayerPlace::UnderCuts},
                                        {"on the cuts, under photos", LayerPlace::UnderPhotos},
                                        {"on top of everything", LayerPlace::OnTop}},
                                       this);
    place_->on_choice(this, [this](LayerPlace place) {
        change("Where the layer lies", [&](PaperLayer& l) { l.place = place; });
    });
    r->addWidget(place_, 1);
}

void LayersPart::build_place() {
    const auto side = [&](const char* name, double PaperLayer::*of) {
        return length_field(name, layer_side_limits, [this, name, of](double mm) {
            change(name, [&](PaperLayer& l) { l.*of = mm; });
        });
    };
    QHBoxLayout* r = nullptr;
    size_row_ = row_of_its_own("Size", r);
    width_ = side("Length of the layer", &PaperLayer::width);
    height_ = side("Height of the layer", &PaperLayer::height);
    turn_ = degree_field("Turn of the layer", -180, 180, [this](int deg) {
        change("Turn the layer", [&](PaperLayer& l) { l.turn_deg = deg; });
    });
    r->addWidget(width_);
    r->addWidget(quiet("x"));
    r->addWidget(height_);
    r->addWidget(turn_);
    r->addStretch(1);
    middle_row_ = row_of_its_own("Middle at", r);
    const auto at = [&](const char* name, double Point::*way) {
        return length_field(name, place_limits, [this, way](double mm) {
            change("Move the layer", [&](PaperLayer& l) { l.centre.*way = mm; });
        });
    };
    x_ = at("Middle of the layer, from the left", &Point::x);
    y_ = at("Middle of the layer, from the top", &Point::y);
    r->addWidget(x_);
    r->addWidget(y_);
    r->addStretch(1);
    edge_row_ = row_of_its_own("Along", r);
    edge_ = new ChoiceBox<BaseEdge>("Edge that the tape runs along", every<BaseEdge>(), this);
    edge_->on_choice(
        this, [this](BaseEdge edge) { change("Edge of the tape", [&](PaperLayer& l) { l.edge = edge; }); });
    across_ = side("Width of the tape", &PaperLayer::height);
    inset_ = length_field("How far the tape is from the edge", layer_inset_limits, [this](double mm) {
        change("How far the tape is from the edge", [&](PaperLayer& l) { l.inset = mm; });
    });
    r->addWidget(edge_);
    r->addWidget(across_);
    r->addWidget(inset_);
    r->addStretch(1);
    r = row("Edges");
    torn_ = tick("Torn, with", "All edges are torn; so much more is cut all round",
                 [this](bool on) { change("Tear the layer", [&](PaperLayer& l) { l.torn = on; }); });
    tear_ = length_field("Allowance for tearing the layer", layer_tear_limits, [this](double mm) {
        change("Allowance for tearing", [&](PaperLayer& l) { l.tear = mm; });
    });
    r->addWidget(torn_);
    r->addWidget(tear_);
    r->addStretch(1);
}

int LayersPart::chosen() const {
    const int i = layers_->in_hand();
    return i < static_cast<int>(document_.project().dress.layers.size()) ? i : -1;
}

void LayersPart::choose(int layer) {
    refresh();
    layers_->setCurrentRow(layer);
}

void LayersPart::change(const QString& intention, const std::function<void(PaperLayer&)>& apply) {
    const int i = chosen();
    document_.change(intention, [&](Project& p) {
        if (i >= 0 && i < static_cast<int>(p.dress.layers.size()))
            apply(p.dress.layers[static_cast<std::size_t>(i)]);
    });
}

void LayersPart::add_layer() {
    document_.change("Add a paper layer", [&](Project& p) {
        if (p.dress.layers.size() >= most_layers) return;
        PaperLayer layer;
        const Box page = p.set_out.page.leaves().front();
        layer.centre = page.centre();
        layer.width = page.width() / 2;
        p.dress.layers.push_back(layer);
    });
    choose(static_cast<int>(document_.project().dress.layers.size()) - 1);
}

QString LayersPart::says(int layer) const {
    const Plan* plan = state_.plan();
    const Units units = document_.project().units;
    if (!plan || layer < 0 || layer >= static_cast<int>(plan->dress.layers_seen.size())) return {};
    QStringList out;
    for (const DressPiece& piece : plan->dress.pieces) {
        if (piece.layer != layer) continue;
        const Box b = bounds(piece.outline);
        QString cut = piece.paper.empty() && document_.project().dress.layers[layer].shape == LayerShape::Tape
                          ? words(format_length(std::max(b.width(), b.height()), units)) + " of tape"
                          : "Cut " + words(format_size(b.width(), b.height(), units));
        if (piece.placed) cut += " from " + words(piece.sheet);
        out << cut + ".";
    }
    out << words(percent(plan->dress.layers_seen[static_cast<std::size_t>(layer)])) + " of it is seen.";
    return out.join(" ");
}

void LayersPart::refresh() {
    const Project& p = document_.project();
    QStringList rows;
    for (std::size_t i = 0; i < p.dress.layers.size(); ++i) rows << words(name_of(p.dress.layers[i], i));
    layers_->show_rows(rows);
    const int i = chosen();
    const PaperLayer none;
    const PaperLayer& l = i < 0 ? none : p.dress.layers[static_cast<std::size_t>(i)];
    for (QWidget* w : std::initializer_list<QWidget*>{remove_, name_, shape_, place_, paper_, size_row_,
                                                      middle_row_, edge_row_, torn_, tear_})
        w->setEnabled(i >= 0);
    up_->setEnabled(i >= 0 && i + 1 < layers_->count());
    const bool tape = l.shape == LayerShape::Tape;
    size_row_->setVisible(!tape);
    middle_row_->setVisible(!tape);
    edge_row_->setVisible(tape);
    if (!name_->hasFocus()) name_->setText(words(l.name));
    shape_->show_value(l.shape);
    place_->show_value(l.place);
    paper_->show_side(p.stash, tape ? "tape from a roll" : "paper from elsewhere", {l.paper, l.side});
    width_->show_length(l.width, p.units);
    height_->show_length(l.height, p.units);
    {
        const QSignalBlocker quiet(turn_);
        turn_->setValue(static_cast<int>(std::lround(l.turn_deg)));
    }
    x_->show_length(l.centre.x, p.units);
    y_->show_length(l.centre.y, p.units);
    edge_->show_value(l.edge);
    across_->show_length(l.height, p.units);
    inset_->show_length(l.inset, p.units);
    torn_->setChecked(l.torn);
    tear_->show_length(l.tear, p.units);
    tear_->setEnabled(i >= 0 && (l.torn || l.shape == LayerShape::Hill));
    says_->setText(i < 0 ? "Strips, torn hills and tape are cut from the drawer before the patches."
                         : says(i));
    lay_out_now(this);
}

} // namespace zesty
