#include "app/panel_part.h"

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
    emit part_chosen(part);
}

} // namespace zesty
