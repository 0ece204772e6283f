#include "app/bench/drawer_filter.h"

#include "app/bench/colour_families.h"
#include "app/bench/theme.h"
#include "core/geometry/lengths.h"

#include <QDate>
#include <QHBoxLayout>
#include <QLineEdit>

namespace zesty {

namespace {

constexpr RoomLeft rooms[] = {{"something left", 0, 0}, {"4 x 6 and up", 4, 6},
                              {"6 x 6 and up", 6, 6},   {"8 x 8 and up", 8, 8},
                              {"12 x 12", 12, 12},      {"fits the selection", 0, 0, true}};

} // namespace

DrawerFilter::DrawerFilter(QWidget* parent) : QWidget(parent) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    words_ = new QLineEdit(this);
    words_->setObjectName("find-paper");
    words_->setPlaceholderText("find a paper");
    words_->setAccessibleName("Look for papers by words");
    words_->setClearButtonEnabled(true);
    words_->setMinimumWidth(theme::px(96));
    words_->setMaximumWidth(theme::px(150));
    row->addWidget(words_, 1);
    colour_ = new ChoiceBox<std::optional<Rgb>>("Only papers of about this colour, on either side",
                                                {{"all colours", std::nullopt}}, this);
    colour_->setObjectName("find-colour");
    kind_ = new ChoiceBox<std::optional<Pattern>>("Only papers of this kind", {{"all kinds", std::nullopt}},
                                                  this);
    kind_->setObjectName("find-kind");
    room_ = new ChoiceBox<const RoomLeft*>("Only papers with at least this much left",
                                           {{"any size", nullptr}}, this);
    room_->setObjectName("find-room");
    only_ = new ChoiceBox<OnlyPapers>("All papers, those to use up first, or those not touched for a year",
                                      {{"all papers", OnlyPapers::All},
                                       {"to use up first", OnlyPapers::ToUseUp},
                                       {"not touched for a year", OnlyPapers::Untouched}},
                                      this);
    only_->setObjectName("find-only");
    for (QComboBox* box : std::initializer_list<QComboBox*>{colour_, kind_, room_, only_}) {
        box->setMaximumWidth(theme::px(100));
        box->setToolTip(box->accessibleName());
        row->addWidget(box);
        connect(box, &QComboBox::currentIndexChanged, this, &DrawerFilter::changed);
    }
    offer_families(*colour_);
    for (const auto& [words, kind] : every<Pattern>()) kind_->offer(words, kind);
    for (const RoomLeft& r : rooms) room_->offer(r.name, &r);
    connect(words_, &QLineEdit::textChanged, this, &DrawerFilter::changed);
}

void DrawerFilter::start() {
    words_->setFocus();
    words_->selectAll();
}

StashQuery DrawerFilter::query() const {
    StashQuery q;
    q.words = words_->text().toStdString();
    q.colour = colour_->value();
    q.colour_within = family_within;
    q.pattern = kind_->value();
    q.in_stock = room_->value() != nullptr;
    q.to_use_up = only_->value() == OnlyPapers::ToUseUp;
    if (only_->value() == OnlyPapers::Untouched)
        q.untouched_since = QDate::currentDate().addYears(-1).toString(Qt::ISODate).toStdString();
    return q;
}

Point DrawerFilter::least_room() const {
    constexpr double slack = 1; // mm: a sheet is rarely cut to the hair
    const RoomLeft* room = room_->value();
    if (!room || room->width <= 0) return {};
    return {room->width * mm_per_inch - slack, room->height * mm_per_inch - slack};
}

bool DrawerFilter::asks_for_selection() const {
    return room_->value() && room_->value()->for_selection;
}

} // namespace zesty
