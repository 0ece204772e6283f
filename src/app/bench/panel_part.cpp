#include "app/bench/panel_part.h"

#include "app/bench/theme.h"

#include <QCheckBox>
#include <QDoubleSpinBox>
#include <QSpinBox>

namespace zesty {

LengthEdit* PanelPart::length_field(const char* name, Limits limits, std::function<void(double)> entered,
                                    int width) {
    auto* edit = new LengthEdit(name, limits.least, limits.most, this);
    edit->setToolTip(name);
    edit->setFixedWidth(theme::px(width));
    connect(edit, &LengthEdit::length_entered, this, std::move(entered));
    return edit;
}

QDoubleSpinBox* PanelPart::fine_field(const char* name, Limits limits, std::function<void(double)> entered) {
    auto* box = new QDoubleSpinBox(this);
    box->setRange(limits.least, limits.most);
    box->setDecimals(2);
    box->setSingleStep(0.05);
    box->setSuffix(" mm");
    box->setAccessibleName(name);
    box->setToolTip(name);
    box->setKeyboardTracking(false);
    connect(box, &QDoubleSpinBox::valueChanged, this, std::move(entered));
    return box;
}

QCheckBox* PanelPart::tick(const QString& words, const QString& tip, std::function<void(bool)> ticked) {
    auto* box = new QCheckBox(words, this);
    box->setToolTip(tip);
    connect(box, &QCheckBox::clicked, this, std::move(ticked));
    return box;
}

QSpinBox* PanelPart::degree_field(const char* name, int least, int most, std::function<void(int)> entered) {
    auto* box = new QSpinBox(this);
    box->setRange(least, most);
    box->setSuffix("\u00b0");
    box->setAccessibleName(name);
    box->setToolTip(name);
    connect(box, &QSpinBox::valueChanged, this, std::move(entered));
    return box;
}

QPushButton* PanelPart::push(const QString& words, const QString& tip, std::function<void()> pushed) {
    auto* b = new QPushButton(words, this);
    b->setToolTip(tip);
    connect(b, &QPushButton::clicked, this, std::move(pushed));
    return b;
}

QLabel* PanelPart::quiet(const QString& words) {
    auto* label = new QLabel(words, this);
    label->setProperty("quiet", true);
    return label;
}

PanelOfParts::PanelOfParts(const QString& question, const QStringList& names, QWidget* parent)
    : QWidget(parent), column_(new QVBoxLayout(this)) {
    column_->setContentsMargins(0, 0, 16, 0);
    column_->setSpacing(8);
    auto* title = new QLabel(question, this);
    title->setProperty("title", true);
    column_->addWidget(title);
    names_ = new Segments(question, names, this);
    connect(names_, &Segments::chosen, this, &PanelOfParts::choose);
    column_->addWidget(names_);
}

void PanelOfParts::add(PanelPart* part) {
    column_->addWidget(part);
    part->setVisible(parts_.empty());
    parts_.push_back(part);
    names_->show_choice(chosen_);
}

void PanelOfParts::choose(int part) {
    chosen_ = part;
    names_->show_choice(part);
    for (std::size_t i = 0; i < parts_.size(); ++i) parts_[i]->setVisible(static_cast<int>(i) == part);
    lay_out_now(parts_[static_cast<std::size_t>(part)]);
    emit part_chosen(part);
}

void lay_out_now(QWidget* widget) {
    for (QWidget* w = widget; w; w = w->isWindow() ? nullptr : w->parentWidget())
        if (w->layout()) w->layout()->activate();
}

} // namespace zesty
