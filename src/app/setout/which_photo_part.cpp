#include "app/setout/which_photo_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "core/sentences.h"

#include <QHBoxLayout>
#include <QListWidget>

namespace zesty {

WhichPhotoPart::WhichPhotoPart(Document& document, BenchState& state, Actions& actions, Worker& worker,
                               QWidget* parent)
    : PanelPart(document, state, actions, parent), worker_(worker) {
    auto* r = row(QString());
    ask_ = new QPushButton("Which photo size?", this);
    ask_->setObjectName("which-photo");
    ask_->setToolTip("What this size cuts off the picture, and what else the photo could be");
    connect(ask_, &QPushButton::clicked, this, &WhichPhotoPart::ask);
    r->addWidget(ask_);
    take_ = new QPushButton("Take this size", this);
    take_->setToolTip("The one chosen in the list");
    connect(take_, &QPushButton::clicked, this, &WhichPhotoPart::take);
    r->addWidget(take_);
    r->addStretch(1);
    list_ = new QListWidget(this);
    list_->setObjectName("photo-ways");
    list_->setAccessibleName("What the photo could be");
    list_->setWordWrap(true);
    list_->setFixedHeight(theme::px(168));
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    connect(list_, &QListWidget::itemActivated, this, &WhichPhotoPart::take);
    connect(list_, &QListWidget::currentRowChanged, this, [this](int i) { take_->setEnabled(i > 0); });
    column_->addWidget(list_);
    says_ = line("which-photo-says");
    connect(&document, &Document::project_changed, this, &WhichPhotoPart::refresh_if_shown);
    connect(&state.in_hand(), &InHand::changed, this, &WhichPhotoPart::refresh_if_shown);
    show_ways();
}

void WhichPhotoPart::ask() {
    state_.when_planned(this, [this](std::shared_ptr<const Plan> plan) { ask_of(std::move(plan)); });
}

void WhichPhotoPart::ask_of(std::shared_ptr<const Plan> plan) {
    const Project& p = *plan->of;
    const int photo = state_.in_hand().photo(p);
    if (photo < 0) return;
    answered_for_ = p.set_out.photos[static_cast<std::size_t>(photo)];
    worker_.think(this, [this, plan, photo, number = ++asked_](Planner&) {
        const auto ways = which_photo(*plan->of, *plan, photo);
        return std::function<void()>([this, ways, number] {
            if (number != asked_) return;
            ways_ = ways ? *ways : std::vector<WayToPrint>{};
            says_->setText(ways ? QString() : words(sentence(ways.error().message)));
            show_ways();
        });
    });
}

void WhichPhotoPart::show_ways() {
    list_->clear();
    for (const WayToPrint& way : ways_) list_->addItem(words(way.in_words));
    list_->setVisible(!ways_.empty());
    take_->setVisible(!ways_.empty());
    take_->setEnabled(false);
    says_->setVisible(!says_->text().isEmpty());
    lay_out_now(this);
}

/// Photo sizes, what is protected and the part of the picture; it stays where it lies.
void WhichPhotoPart::take() {
    const int way = list_->currentRow();
    if (way <= 0 || way >= static_cast<int>(ways_.size())) return;
    const Photo next = ways_[static_cast<std::size_t>(way)].photo;
    document_.change("Take another photo size", [&](Project& p) {
        if (const int i = state_.in_hand().photo(p); i >= 0)
            p.set_out.photos[static_cast<std::size_t>(i)] = next;
    });
    ask();
}

void WhichPhotoPart::refresh() {
    const Project& p = document_.project();
    const int i = state_.in_hand().photo(p);
    ask_->setEnabled(i >= 0);
    if (i >= 0 && answered_for_ == p.set_out.photos[static_cast<std::size_t>(i)]) return;
    // An answer is about the photo it was given for.
    ++asked_;
    ways_.clear();
    says_->clear();
    show_ways();
}

} // namespace zesty
