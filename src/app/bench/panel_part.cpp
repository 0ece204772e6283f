#include "app/bench/panel_part.h"

namespace zesty {

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
