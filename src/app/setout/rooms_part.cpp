#include "app/setout/rooms_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "core/project/all_fit.h"
#include "core/sentences.h"

#include <QHBoxLayout>
#include <QListWidget>

namespace zesty {

RoomsPart::RoomsPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent)
    : PanelPart(document, state, actions, parent), worker_(worker) {
    build_adding();
    build_list();
    connect(&document, &Document::project_changed, this, &RoomsPart::refresh_if_shown);
}

void RoomsPart::build_adding() {
    auto* r = row("Room for");
    what_ = new ChoiceBox<RoomFor>(
        "What the room is for",
        {{"a title", RoomFor::Title}, {"journaling", RoomFor::Journaling}, {"a cluster", RoomFor::Cluster}},
        this);
    r->addWidget(what_, 1);
    r = row(QString());
    const auto side = [&](const char* name, double RoomsPart::*value) {
        auto* edit = new LengthEdit(name, room_side_limits.least, room_side_limits.most, this);
        edit->setToolTip(name);
        edit->setFixedWidth(theme::px(76));
        connect(edit, &LengthEdit::length_entered, this, [this, value](double mm) { this->*value = mm; });
        r->addWidget(edit);
        return edit;
    };
    width_edit_ = side("Width of the room", &RoomsPart::width_);
    r->addWidget(new QLabel("x", this));
    height_edit_ = side("Height of the room", &RoomsPart::height_);
    auto* add = new QPushButton("Add room", this);
    add->setToolTip("Only its size: it is placed later");
    connect(add, &QPushButton::clicked, this, [this] {
        document_.change("Add room", [&](Project& p) {
            if (p.set_out.rooms.size() < most_rooms)
                p.set_out.rooms.push_back({what_->value(), width_, height_});
        });
    });
    r->addWidget(add);
    r->addStretch(1);
}

void RoomsPart::build_list() {
    list_ = new QListWidget(this);
    list_->setObjectName("rooms");
    list_->setAccessibleName("Rooms to find");
    list_->setFixedHeight(theme::px(84));
    column_->addWidget(list_);
    auto* r = row(QString());
    r->addWidget(button(Act::AllFit, "Does it all fit?", true));
    remove_ = new QPushButton("Remove room", this);
    remove_->setToolTip("The one chosen in the list");
    connect(remove_, &QPushButton::clicked, this, [this] {
        const int i = list_->currentRow();
        document_.change("Remove room", [&](Project& p) {
            if (i >= 0 && i < static_cast<int>(p.set_out.rooms.size()))
                p.set_out.rooms.erase(p.set_out.rooms.begin() + i);
        });
    });
    r->addWidget(remove_);
    r->addStretch(1);
    says_ = line("all-fit");
    arrange_ = new ArrangePart(document_, state_, actions_, worker_, this);
    column_->addWidget(arrange_);
}

void RoomsPart::ask() {
    says_->setText("Trying it out.");
    answered_for_ = document_.project();
    state_.when_planned(this, [this](std::shared_ptr<const Plan> plan) {
        const quint64 number = ++asked_;
        worker_.think_of_page(
            this,
            [this, plan, number](Planner&, const StopToken& stop) {
                const auto answer = all_fit(*plan->of, *plan, stop);
                return std::function<void()>([this, number, answer] {
                    if (number != asked_) return;
                    const std::string said = answer ? answer->in_words : sentence(answer.error().message);
                    says_->setText(words(said));
                });
            },
            [this, number] {
                if (number == asked_) says_->setText("The page has changed meanwhile. Ask again.");
            });
    });
}

void RoomsPart::refresh() {
    const Project& p = document_.project();
    width_edit_->show_length(width_, p.units);
    height_edit_->show_length(height_, p.units);
    const int chosen = list_->currentRow();
    list_->clear();
    for (const RoomWanted& room : p.set_out.rooms)
        list_->addItem(QString("%1, %2").arg(QString::fromUtf8(key_of(room.what)),
                                             words(format_size(room.width, room.height, p.units))));
    // The one that was chosen, or the newest.
    const int last = list_->count() - 1;
    list_->setCurrentRow(chosen < 0 ? last : std::min(chosen, last));
    list_->setVisible(list_->count() > 0);
    remove_->setVisible(list_->count() > 0);
    // An answer is about the page it was given for.
    if (!(answered_for_ == p)) {
        ++asked_;
        says_->setText("Photos and cuts of the page count with their sizes, wherever they lie now.");
    }
    lay_out_now(this);
}

} // namespace zesty
