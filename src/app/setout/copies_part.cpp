#include "app/setout/copies_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "core/project/edits.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QSpinBox>

namespace zesty {

namespace {
constexpr double beside = mm_per_inch / 4; ///< between copies in a row, where nothing else is said
} // namespace

CopiesPart::CopiesPart(Document& document, BenchState& state, Actions& actions, Worker& worker,
                       QWidget* parent)
    : PanelPart(document, state, actions, parent), worker_(worker) {
    build_order();
    build_ring();
    build_row();
    auto* r = row(QString());
    make_ = button(Act::CopyInOrder, "Make the copies", true);
    r->addWidget(make_);
    r->addStretch(1);
    says_ = line("copies");
    connect(&state, &BenchState::plan_changed, this, &CopiesPart::refresh_if_shown);
    connect(&state.in_hand(), &InHand::changed, this, &CopiesPart::refresh_if_shown);
    connect(&document, &Document::project_changed, this, &CopiesPart::refresh_if_shown);
}

LengthEdit* CopiesPart::length(const char* name, double CopiesPart::*value, Limits limits) {
    auto* edit = new LengthEdit(name, limits.least, limits.most, this);
    edit->setToolTip(name);
    edit->setFixedWidth(theme::px(84));
    connect(edit, &LengthEdit::length_entered, this, [this, value](double mm) {
        this->*value = mm;
        if (value == &CopiesPart::x_ || value == &CopiesPart::y_) centred_ = false;
        refresh();
    });
    return edit;
}

void CopiesPart::build_order() {
    auto* r = row("Copies");
    order_ = new ChoiceRow<Order>(
        "Order of the copies",
        {{"In a circle", Order::InCircle}, {"In a row", Order::InRow}, {"Down", Order::Down}}, this);
    order_->show_value(Order::InCircle);
    order_->on_choice(this, [this](Order) { refresh(); });
    r->addWidget(order_, 1);
    r = row("Copies");
    count_ = new QSpinBox(this);
    count_->setObjectName("copies-count");
    count_->setAccessibleName("How many, with the cut itself");
    count_->setToolTip("How many, with the cut itself");
    count_->setRange(static_cast<int>(copies_limits.least), static_cast<int>(copies_limits.most));
    count_->setValue(6);
    connect(count_, &QSpinBox::valueChanged, this, [this] { refresh(); });
    r->addWidget(count_);
    mirrored_ = new QCheckBox("Every second mirrored", this);
    r->addWidget(mirrored_);
    r->addStretch(1);
}

void CopiesPart::build_ring() {
    ring_ = new QWidget(this);
    auto* column = new QVBoxLayout(ring_);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(6);
    const auto line_of = [&](const char* name) {
        auto* r = new QHBoxLayout;
        r->setSpacing(6);
        auto* l = new QLabel(name, ring_);
        l->setProperty("quiet", true);
        l->setFixedWidth(theme::px(62));
        r->addWidget(l);
        column->addLayout(r);
        return r;
    };
    auto* r = line_of("Radius");
    radius_edit_ = length("Radius of the circle", &CopiesPart::radius_, copy_step_limits);
    first_ = new QSpinBox(this);
    first_->setAccessibleName("Where the first copy stands, clockwise from the top");
    first_->setToolTip(first_->accessibleName());
    first_->setRange(-180, 180);
    first_->setSuffix("\u00b0");
    first_->setPrefix("first at ");
    r->addWidget(radius_edit_);
    r->addWidget(first_);
    r->addStretch(1);
    r = line_of("Around");
    x_edit_ = length("Middle of the circle, from the left", &CopiesPart::x_, place_limits);
    y_edit_ = length("Middle of the circle, from the top", &CopiesPart::y_, place_limits);
    r->addWidget(x_edit_);
    r->addWidget(y_edit_);
    r->addStretch(1);
    r = line_of("Lie");
    facing_ = new ChoiceRow<bool>("How the copies lie", {{"Facing out", true}, {"Level", false}}, ring_);
    facing_->show_value(true);
    r->addWidget(facing_, 1);
    column_->addWidget(ring_);
}

void CopiesPart::build_row() {
    QHBoxLayout* r = nullptr;
    row_ = row_of_its_own("Apart", r);
    step_edit_ = length("From middle to middle", &CopiesPart::step_, copy_step_limits);
    r->addWidget(step_edit_);
    auto* stagger = new QLabel("stagger", row_);
    stagger->setProperty("quiet", true);
    r->addWidget(stagger);
    stagger_edit_ =
        length("How far every second copy is moved across the row", &CopiesPart::stagger_, stagger_limits);
    r->addWidget(stagger_edit_);
    r->addStretch(1);
}

void CopiesPart::make_copies() {
    const Project& p = document_.project();
    const int i = state_.in_hand().cut(p);
    if (i < 0) return;
    const int id = p.set_out.cuts[static_cast<std::size_t>(i)].id;
    const CopyRing ring{.count = count_->value(),
                        .radius = radius_,
                        .first_deg = static_cast<double>(first_->value()),
                        .facing_out = facing_->value_or(true),
                        .mirrored = mirrored_->isChecked(),
                        .centre = {x_, y_}};
    const CopyRow row{.count = count_->value(),
                      .step = step_,
                      .down = order_->value_or(Order::InCircle) == Order::Down,
                      .stagger = stagger_,
                      .mirrored = mirrored_->isChecked()};
    const bool in_a_ring = order_->value_or(Order::InCircle) == Order::InCircle;
    worker_.think(this, [this, p, i, id, ring, row, in_a_ring](Planner& planner) {
        const auto places = in_a_ring ? planner.ring_of_copies(p, i, ring) : planner.row_of_copies(p, i, row);
        return std::function<void()>([this, places, id] { take(places, id); });
    });
}

void CopiesPart::take(const Result<std::vector<CutPlacement>>& places, int cut_id) {
    if (!places) {
        QString said = words(places.error().message);
        said[0] = said[0].toUpper();
        says_->setText(said + ".");
        return;
    }
    document_.change("Copy the cut in a circle or row", [&](Project& p) { copy_cut_to(p, cut_id, *places); });
    says_->setText(QString("%1 now lie in order. Undo takes them back.").arg(places->size()));
}

void CopiesPart::refresh() {
    const Project& p = document_.project();
    const SetOut* now = state_.set_out_in_hand(p);
    const Order order = order_->value_or(Order::InCircle);
    ring_->setVisible(order == Order::InCircle);
    row_->setVisible(order != Order::InCircle);
    make_->setEnabled(now != nullptr);
    if (centred_) {
        const Point middle = p.set_out.page.leaves().front().centre();
        x_ = middle.x;
        y_ = middle.y;
    }
    if (now && step_ <= 0)
        step_ = copy_step_limits.nearest(
            (order == Order::Down ? now->cut_box.height() : now->cut_box.width()) + beside);
    radius_edit_->show_length(radius_, p.units);
    x_edit_->show_length(x_, p.units);
    y_edit_->show_length(y_, p.units);
    step_edit_->show_length(step_, p.units);
    stagger_edit_->show_length(stagger_, p.units);
    lay_out_now(this);
}

} // namespace zesty
