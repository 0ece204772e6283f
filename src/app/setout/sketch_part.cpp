#include "app/setout/sketch_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"

#include <QHBoxLayout>
#include <QSlider>

namespace zesty {

SketchPart::SketchPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    build_picture();
    build_boxes();
    connect(&document, &Document::project_changed, this, &SketchPart::refresh_if_shown);
}

void SketchPart::build_picture() {
    auto* r = row("Sketch");
    r->addWidget(button(Act::SketchPicture, "Picture..."));
    remove_ = new QPushButton("Remove", this);
    remove_->setToolTip("Removes the sketch and its boxes");
    connect(remove_, &QPushButton::clicked, this,
            [this] { change("Remove the sketch", [](Sketch& s) { s = {}; }); });
    r->addWidget(remove_);
    turn_ = new QPushButton("Turn", this);
    turn_->setToolTip("By a quarter, clockwise");
    connect(turn_, &QPushButton::clicked, this, [this] {
        change("Turn the sketch", [](Sketch& s) { s.turn_deg = brought_round(s.turn_deg + 90); });
    });
    r->addWidget(turn_);
    r->addStretch(1);
    const auto field = [&](const char* name, Limits limits, auto set) {
        auto* edit = new LengthEdit(name, limits.least, limits.most, this);
        edit->setToolTip(name);
        edit->setFixedWidth(theme::px(76));
        connect(edit, &LengthEdit::length_entered, this,
                [this, name, set](double mm) { change(name, [&](Sketch& s) { set(s, mm); }); });
        return edit;
    };
    r = row("Width");
    width_ = field("Width of the sketch", {1, sketch_width_limits.most},
                   [](Sketch& s, double mm) { s.width = mm; });
    r->addWidget(width_);
    strength_ = new QSlider(Qt::Horizontal, this);
    strength_->setAccessibleName("Strength of the sketch");
    strength_->setToolTip("How strongly the sketch shows");
    strength_->setRange(0, 100);
    strength_->setMinimumHeight(theme::px(24));
    connect(strength_, &QSlider::sliderPressed, this, [this] { slide_number_ = document_.new_drag(); });
    connect(strength_, &QSlider::sliderReleased, this, [this] { slide_number_ = 0; });
    connect(strength_, &QSlider::valueChanged, this, [this](int value) {
        change(
            "Strength of the sketch", [&](Sketch& s) { s.strength = value / 100.0; }, slide_number_);
    });
    r->addWidget(strength_, 1);
    r = row("Corner at");
    x_ = field("Upper left corner of the sketch, from the left", place_limits,
               [](Sketch& s, double mm) { s.at.x = mm; });
    y_ = field("Upper left corner of the sketch, from the top", place_limits,
               [](Sketch& s, double mm) { s.at.y = mm; });
    r->addWidget(x_);
    r->addWidget(y_);
    r->addStretch(1);
}

void SketchPart::build_boxes() {
    auto* r = row("Boxes");
    role_ = new ChoiceRow<SketchRole>(
        "What the next box is for",
        {{"Photo", SketchRole::Photo}, {"Title", SketchRole::Title}, {"Journaling", SketchRole::Journaling}},
        this);
    role_->show_value(SketchRole::Photo);
    r->addWidget(role_, 1);
    r = row(QString());
    take_over_ = new QPushButton("Use the boxes", this);
    take_over_->setToolTip("A photo for every photo box that has none, and room for title and journaling");
    connect(take_over_, &QPushButton::clicked, this, [this] {
        document_.change("Use the boxes of the sketch", [](Project& p) { take_over_sketch(p.set_out); });
    });
    r->addWidget(take_over_);
    clear_ = new QPushButton("No boxes", this);
    connect(clear_, &QPushButton::clicked, this,
            [this] { change("Remove the boxes of the sketch", [](Sketch& s) { s.boxes.clear(); }); });
    r->addWidget(clear_);
    r->addStretch(1);
    says_ = line("sketch");
}

void SketchPart::take_picture(const Shared<BroughtPicture>& picture) {
    document_.change("Put a sketch under the page", [&](Project& p) {
        Sketch& sketch = p.set_out.sketch;
        sketch.picture = picture;
        if (sketch.width <= 0) sketch.width = p.set_out.page.full_width();
    });
}

void SketchPart::paint(QPainter& painter, const PageMap& map) const {
    painter.setFont(theme::font(theme::Text::Small));
    for (const SketchBox& one : document_.project().set_out.sketch.boxes) {
        const QRectF there = map.rect(one.box);
        painter.setPen(QPen(theme::zest_text, 1.4, Qt::DashLine));
        painter.setBrush(QColor(255, 254, 251, 60));
        painter.drawRect(there);
        painter.setPen(theme::zest_text);
        painter.drawText(there.adjusted(4, 2, -4, -2), Qt::AlignLeft | Qt::AlignTop,
                         QString::fromUtf8(key_of(one.role)));
    }
}

void SketchPart::refresh() {
    const Project& p = document_.project();
    const Sketch& sketch = p.set_out.sketch;
    const bool there = static_cast<bool>(sketch.picture);
    for (QWidget* w : std::initializer_list<QWidget*>{remove_, turn_, width_, strength_, x_, y_})
        w->setEnabled(there);
    width_->show_length(sketch.width, p.units);
    x_->show_length(sketch.at.x, p.units);
    y_->show_length(sketch.at.y, p.units);
    const QSignalBlocker quiet(strength_);
    strength_->setValue(static_cast<int>(std::lround(sketch.strength * 100)));
    take_over_->setEnabled(!sketch.boxes.empty());
    clear_->setEnabled(!sketch.boxes.empty());
    says_->setText(
        there ? "It lies faintly on the base, for tracing, and never leaves the program. Drag boxes over "
                "what it "
                "has where; click one to take it away."
              : "Bring a sketch, or a photo of a page you like, to trace positions from. It is never "
                "printed or exported.");
}

} // namespace zesty
