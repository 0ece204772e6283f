#include "app/bench/drawer_filter.h"

#include "app/bench/theme.h"
#include "core/geometry/lengths.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QPixmap>

namespace zesty {

namespace {

constexpr std::pair<const char*, Rgb> colours[] = {
    {"reds", {0xB8, 0x3A, 0x36}},   {"oranges", {0xE0, 0x7F, 0x36}}, {"yellows", {0xE9, 0xC8, 0x62}},
    {"greens", {0x5E, 0x9A, 0x62}}, {"blues", {0x4E, 0x86, 0xB4}},   {"purples", {0x83, 0x5B, 0xA0}},
    {"pinks", {0xD9, 0x8A, 0xA4}},  {"browns", {0x8A, 0x62, 0x44}},  {"whites", {0xF6, 0xF3, 0xEC}},
    {"greys", {0x8E, 0x8C, 0x8A}},  {"blacks", {0x2A, 0x28, 0x2C}}};
constexpr double near_enough = 26; ///< delta E 2000: a family of colours

struct Room {
    const char* name;
    double width, height; ///< in
    bool in_stock;
};
constexpr Room rooms[] = {{"any size", 0, 0, false},    {"something left", 0, 0, true},
                          {"4 x 6 and up", 4, 6, true}, {"6 x 6 and up", 6, 6, true},
                          {"8 x 8 and up", 8, 8, true}, {"12 x 12", 12, 12, true}};

} // namespace

DrawerFilter::DrawerFilter(QWidget* parent) : QWidget(parent) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    words_ = new QLineEdit(this);
    words_->setObjectName("find-paper");
    words_->setPlaceholderText("name, place or note");
    words_->setAccessibleName("Look for papers by words");
    words_->setClearButtonEnabled(true);
    words_->setMaximumWidth(170);
    row->addWidget(words_, 1);
    const auto chooser = [&](const char* name, const QString& says) {
        auto* box = new QComboBox(this);
        box->setObjectName(name);
        box->setAccessibleName(says);
        box->setToolTip(says);
        row->addWidget(box);
        connect(box, &QComboBox::currentIndexChanged, this, &DrawerFilter::changed);
        return box;
    };
    colour_ = chooser("find-colour", "Only papers of about this colour, on either side");
    kind_ = chooser("find-kind", "Only papers of this kind");
    room_ = chooser("find-room", "Only papers of which so much is left");
    const QSignalBlocker quiet(this);
    colour_->addItem("all colours");
    for (const auto& [name, c] : colours) {
        QPixmap dot(12, 12);
        dot.fill(QColor(c.r, c.g, c.b));
        colour_->addItem(dot, name);
    }
    kind_->addItem("all kinds");
    for (const Pattern p :
         {Pattern::Solid, Pattern::Small, Pattern::Large, Pattern::Stripe, Pattern::Ombre, Pattern::Picture})
        kind_->addItem(name_of(p));
    for (const Room& r : rooms) room_->addItem(r.name);
    connect(words_, &QLineEdit::textChanged, this, &DrawerFilter::changed);
}

void DrawerFilter::start() {
    words_->setFocus();
    words_->selectAll();
}

bool DrawerFilter::shows_all() const {
    return words_->text().isEmpty() && colour_->currentIndex() <= 0 && kind_->currentIndex() <= 0 &&
           room_->currentIndex() <= 0;
}

StashQuery DrawerFilter::query() const {
    StashQuery q;
    q.words = words_->text().toStdString();
    if (const int i = colour_->currentIndex(); i > 0) q.colour = colours[i - 1].second;
    q.colour_within = near_enough;
    if (const int i = kind_->currentIndex(); i > 0) q.pattern = static_cast<Pattern>(i - 1);
    if (const int i = room_->currentIndex(); i > 0) {
        q.width = rooms[i].width * mm_per_inch - 1;
        q.height = rooms[i].height * mm_per_inch - 1;
        q.in_stock = rooms[i].in_stock;
    }
    return q;
}

} // namespace zesty
