#include "app/dress/words_part.h"

#include "app/bench/pick_colour.h"
#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/dress/writing.h"
#include "core/sentences.h"
#include "core/setout/photos.h"
#include "core/setout/placed_cut.h"

#include <QHBoxLayout>
#include <QPlainTextEdit>
#include <QSpinBox>
#include <algorithm>
#include <cmath>

namespace zesty {

WordsPart::WordsPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    build_list();
    build_text();
    build_place();
    says_ = line("words");
    connect(&document, &Document::project_changed, this, &WordsPart::refresh_if_shown);
    connect(&state, &BenchState::plan_changed, this, &WordsPart::refresh_if_shown);
}

void WordsPart::build_list() {
    auto* r = row(QString());
    r->addWidget(button(Act::AddWriting, "Add journaling", true));
    date_ = push("Add date", "Writes the date of the page, in a corner of it", [this] { add_date(); });
    r->addWidget(date_);
    remove_ = new QPushButton("Remove", this);
    remove_->setToolTip("The journaling chosen in the list");
    connect(remove_, &QPushButton::clicked, this, [this] {
        const int i = chosen();
        document_.change("Remove journaling", [&](Project& p) {
            if (i >= 0 && i < static_cast<int>(p.dress.writings.size()))
                p.dress.writings.erase(p.dress.writings.begin() + i);
        });
    });
    r->addWidget(remove_);
    r->addStretch(1);
    list_ = new Rows("writings", "Journaling on the page", 2, this);
    connect(list_, &Rows::taken, this, [this] {
        typing_ = 0;
        refresh();
        emit chosen_changed();
    });
    column_->addWidget(list_);
}

void WordsPart::build_text() {
    text_ = new QPlainTextEdit(this);
    text_->setObjectName("writing-text");
    text_->setAccessibleName("What is written");
    text_->setPlaceholderText("What happened, who was there, what is worth remembering");
    text_->setTabChangesFocus(true);
    text_->setFixedHeight(theme::px(84));
    connect(text_, &QPlainTextEdit::textChanged, this, [this] {
        if (typing_ == 0) typing_ = document_.new_drag();
        const std::string typed = text_->toPlainText().toStdString();
        if (typed.size() > longest_writing) return;
        change(
            "Write", [&](Writing& w) { w.text = typed; }, typing_);
    });
    column_->addWidget(text_);
}

LengthEdit* WordsPart::field(const char* name, Limits limits, double Writing::*of) {
    return length_field(name, limits,
                        [this, name, of](double mm) { change(name, [&](Writing& w) { w.*of = mm; }); });
}

void WordsPart::build_room() {
    QHBoxLayout* r = nullptr;
    const auto degrees = [&](const char* name, int least, int most, double Writing::*of) {
        return degree_field(name, least, most,
                            [this, name, of](int deg) { change(name, [&](Writing& w) { w.*of = deg; }); });
    };
    size_row_ = row_of_its_own("Room", r);
    width_ = field("Width of the room for words", writing_side_limits, &Writing::width);
    height_ = field("Height of the room for words", writing_side_limits, &Writing::height);
    turn_ = degrees("Turn of the lines", -180, 180, &Writing::turn_deg);
    r->addWidget(width_);
    r->addWidget(new QLabel("x", this));
    r->addWidget(height_);
    r->addWidget(turn_);
    r->addStretch(1);
    arc_row_ = row_of_its_own("Radius", r);
    radius_ = field("Radius of the outermost line", writing_radius_limits, &Writing::radius);
    band_ = field("Depth of the band", writing_side_limits, &Writing::height);
    r->addWidget(radius_);
    r->addWidget(quiet("band"));
    r->addWidget(band_);
    r->addStretch(1);
    sweep_row_ = row_of_its_own("Begins at", r);
    from_ = degrees("Where the arc begins", -180, 180, &Writing::from_deg);
    sweep_ = degrees("How far round the arc goes", static_cast<int>(sweep_limits.least),
                     static_cast<int>(sweep_limits.most), &Writing::sweep_deg);
    r->addWidget(from_);
    r->addWidget(quiet("goes on for"));
    r->addWidget(sweep_);
    r->addStretch(1);
}

void WordsPart::build_place() {
    auto* r = row("On");
    shape_ = new ChoiceBox<WritingShape>("What it is written on",
                                         {{"lines", WritingShape::Lines},
                                          {"an arc or ring", WritingShape::Arc},
                                          {"the back of the page", WritingShape::Back}},
                                         this);
    shape_->on_choice(this, [this](WritingShape shape) {
        change("What it is written on", [&](Writing& w) { w.shape = shape; });
    });
    r->addWidget(shape_, 1);
    r = row("Lines of");
    line_height_ = field("Height of the lines", line_height_limits, &Writing::line_height);
    r->addWidget(line_height_);
    pen_ = new QPushButton("Pen...", this);
    pen_->setToolTip("Colour of the pen");
    connect(pen_, &QPushButton::clicked, this, &WordsPart::pick_pen);
    r->addWidget(pen_);
    r->addStretch(1);
    build_room();
    r = row("Middle at");
    const auto place = [&](const char* name, double Point::*way) {
        const auto move = [this, way](double mm) {
            document_.change("Move the journaling", [&](Project& p) {
                if (chosen() < 0) return;
                Writing& w = p.dress.writings[static_cast<std::size_t>(chosen())];
                Point by;
                by.*way = mm - on_page(w, p.set_out).centre.*way;
                w = moved_writing(w, p.set_out, by);
            });
        };
        return length_field(name, place_limits, move, 84);
    };
    x_ = place("Middle of the journaling, from the left", &Point::x);
    y_ = place("Middle of the journaling, from the top", &Point::y);
    r->addWidget(x_);
    r->addWidget(y_);
    r->addStretch(1);
    r = row("Goes with");
    with_ = new ChoiceBox<int>("The photo that the journaling moves along with", this);
    with_->on_choice(this, [this](int photo) {
        document_.change("What the journaling goes with", [&](Project& p) {
            if (chosen() < 0) return;
            Writing& w = p.dress.writings[static_cast<std::size_t>(chosen())];
            w = belonging_to(w, p.set_out, photo);
        });
    });
    r->addWidget(with_, 1);
}

void WordsPart::change(const QString& intention, const std::function<void(Writing&)>& apply, int drag) {
    const int i = chosen();
    document_.change(
        intention,
        [&](Project& p) {
            if (i >= 0 && i < static_cast<int>(p.dress.writings.size()))
                apply(p.dress.writings[static_cast<std::size_t>(i)]);
        },
        drag);
}

void WordsPart::pick_pen() {
    const int i = chosen();
    if (i < 0) return;
    const Rgb now = document_.project().dress.writings[static_cast<std::size_t>(i)].pen;
    if (const auto pen = pick_colour(this, now, "Colour of the pen"))
        change("Colour of the pen", [&](Writing& w) { w.pen = *pen; });
}

void WordsPart::add() {
    document_.change("Add journaling", [&](Project& p) {
        if (p.dress.writings.size() >= most_writings) return;
        Writing w;
        w.centre = p.set_out.page.leaves().front().centre();
        for (const RoomWanted& room : p.set_out.rooms) {
            const bool taken = std::any_of(p.dress.writings.begin(), p.dress.writings.end(),
                                           [&](const Writing& other) { return room.centre == other.centre; });
            if (room.what != RoomFor::Journaling || !room.centre || taken) continue;
            w.centre = *room.centre;
            w.width = room.width;
            w.height = room.height;
            break;
        }
        p.dress.writings.push_back(w);
    });
    choose(static_cast<int>(document_.project().dress.writings.size()) - 1);
    text_->setFocus();
}

void WordsPart::add_date() {
    document_.change("Write the date", [&](Project& p) {
        if (p.dress.writings.size() >= most_writings) return;
        p.dress.writings.push_back(date_writing(p.set_out));
    });
    choose(static_cast<int>(document_.project().dress.writings.size()) - 1);
}

int WordsPart::chosen() const {
    const int i = list_->in_hand();
    return i < static_cast<int>(document_.project().dress.writings.size()) ? i : -1;
}

void WordsPart::choose(int writing) {
    refresh();
    list_->setCurrentRow(writing);
}

void WordsPart::show_photos(const Writing& w) {
    const auto& photos = document_.project().set_out.photos;
    with_->offer({{"nothing", -1}});
    int with = -1;
    for (std::size_t i = 0; i < photos.size(); ++i) {
        with_->offer(words(name_of(photos[i], i)), static_cast<int>(i));
        if (w.with_photo > 0 && photos[i].id == w.with_photo) with = static_cast<int>(i);
    }
    with_->show_value(with);
}

QString WordsPart::says(int row) const {
    if (row < 0)
        return "Words are what is missed most, years later. Say where they go before anything is glued.";
    const Plan* plan = state_.plan();
    if (!plan || plan->dress.writings.size() != document_.project().dress.writings.size()) return {};
    const WritingFacts& f = plan->dress.writings[static_cast<std::size_t>(row)];
    return words(
        count_of(f.lines.size(), "line", "lines") + ", " +
        format_length(f.length, document_.project().units) + " in all, room for about " +
        std::to_string(f.holds) + " words" +
        (f.words > 0 ? "; " + count_of(static_cast<std::size_t>(f.words), "word is", "words are") + " needed."
                     : "."));
}

void WordsPart::refresh() {
    const auto& writings = document_.project().dress.writings;
    const Units units = document_.project().units;
    QStringList rows;
    for (std::size_t k = 0; k < writings.size(); ++k) {
        const QString text = words(writings[k].text).simplified();
        rows << (text.isEmpty() ? QString("Journaling %1").arg(k + 1) : text.left(40));
    }
    list_->show_rows(rows);
    const int row = chosen();
    const Writing none;
    const Writing& w = row < 0 ? none : writings[static_cast<std::size_t>(row)];
    date_->setEnabled(!document_.project().set_out.date.empty());
    for (QWidget* part : std::initializer_list<QWidget*>{remove_, text_, shape_, pen_, line_height_,
                                                         size_row_, arc_row_, sweep_row_, x_, y_, with_})
        part->setEnabled(row >= 0);
    const QSignalBlocker quiet_text(text_);
    if (text_->toPlainText().toStdString() != w.text) text_->setPlainText(words(w.text));
    shape_->show_value(w.shape);
    line_height_->show_length(w.line_height, units);
    pen_->setIcon([&] {
        QPixmap swatch(14, 14);
        swatch.fill(QColor(w.pen.r, w.pen.g, w.pen.b));
        return QIcon(swatch);
    }());
    width_->show_length(w.width, units);
    height_->show_length(w.height, units);
    band_->show_length(w.height, units);
    radius_->show_length(w.radius, units);
    for (const auto& [box, value] :
         {std::pair(from_, w.from_deg), std::pair(sweep_, w.sweep_deg), std::pair(turn_, w.turn_deg)}) {
        const QSignalBlocker quiet(box);
        box->setValue(static_cast<int>(std::lround(value)));
    }
    const Point there = on_page(w, document_.project().set_out).centre;
    x_->show_length(there.x, units);
    y_->show_length(there.y, units);
    show_photos(w);
    size_row_->setVisible(w.shape != WritingShape::Arc);
    arc_row_->setVisible(w.shape == WritingShape::Arc);
    sweep_row_->setVisible(w.shape == WritingShape::Arc);
    says_->setText(says(row));
    lay_out_now(this);
}

} // namespace zesty
