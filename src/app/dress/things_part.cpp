#include "app/dress/things_part.h"

#include "app/bench/tried_out.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "core/geometry/measure.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"
#include "core/setout/placed_cut.h"
#include "core/stash/new_paper.h"
#include "core/stash/new_things.h"
#include "io/paint/letters.h"
#include "io/read_file.h"
#include "io/trace/offcut.h"

#include <QHBoxLayout>
#include <QIcon>
#include <QLineEdit>
#include <QPainter>
#include <QSpinBox>
#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr int place_width = 96; ///< px: "23 19/32 in"

QString fit_in_words(const ThingFit& fit, Units units) {
    if (fit.fits) return "fits, " + words(format_length(fit.clearance, units)) + " around it";
    return words(format_length(fit_clearance - fit.clearance, units)) + " too large";
}

} // namespace

ThingsPart::ThingsPart(Document& document, BenchState& state, Actions& actions, Worker& worker,
                       QWidget* parent)
    : PanelPart(document, state, actions, parent), worker_(worker) {
    build_stock();
    says_ = line("things-say");
    build_new();
    connect(&document, &Document::project_changed, this, [this] {
        if (stop_) *stop_ = true; // what was asked is about a page that is not there any more
        refresh_if_shown();
    });
    connect(&state, &BenchState::plan_changed, this, &ThingsPart::refresh_if_shown);
}

void ThingsPart::build_stock() {
    stock_ = new Rows("embellishments", "Embellishments of the drawer", 3, this);
    connect(stock_, &Rows::taken, this, [this] { refresh(); });
    column_->addWidget(stock_);
    auto* r = row(QString());
    r->addWidget(button(Act::PutEmbellishment, "Add to page", true));
    r->addWidget(button(Act::WhereItFits, "Where does it fit?"));
    r->addStretch(1);
    r = row(QString());
    r->addWidget(button(Act::WhatFits, "What fits there?"));
    r->addStretch(1);
    found_ = new Rows("found-fits", "What was found, the best first", 3, this);
    found_->setToolTip("Enter or a double click puts what fits there");
    found_->hide();
    connect(found_, &QListWidget::itemActivated, this, [this] { put_found(); });
    column_->addWidget(found_);
    put_found_ =
        push("Put it there", "Puts the one chosen above where it was found to fit", [this] { put_found(); });
    put_found_->hide();
    column_->addWidget(put_found_, 0, Qt::AlignLeft);
    placed_ = new Rows("placed-embellishments", "Embellishments on the page", 2, this);
    connect(placed_, &Rows::taken, this, [this] {
        refresh();
        emit in_hand_changed();
    });
    column_->addWidget(placed_);
    r = row("Middle at");
    const auto place = [&](const char* name, double Point::*way) {
        return length_field(
            name, place_limits,
            [this, way](double mm) {
                const int i = on_page();
                document_.change("Move the embellishment", [&](Project& p) {
                    if (i >= 0) p.dress.embellishments[static_cast<std::size_t>(i)].centre.*way = mm;
                });
            },
            place_width);
    };
    x_ = place("Middle of the embellishment, from the left", &Point::x);
    y_ = place("Middle of the embellishment, from the top", &Point::y);
    turn_ = degree_field("Turn of the embellishment", -180, 180, [this](int deg) {
        const int i = on_page();
        document_.change("Turn the embellishment", [&](Project& p) {
            if (i >= 0) p.dress.embellishments[static_cast<std::size_t>(i)].turn_deg = deg;
        });
    });
    take_off_ = push("Remove", "Takes the embellishment chosen on the page off it", [this] {
        const int i = on_page();
        document_.change("Remove an embellishment", [&](Project& p) {
            if (i >= 0) p.dress.embellishments.erase(p.dress.embellishments.begin() + i);
        });
    });
    take_off_->setAccessibleName("Remove the embellishment from the page");
    for (LengthEdit* field : {x_, y_}) r->addWidget(field);
    r->addStretch(1);
    r = row("Turned");
    r->addWidget(turn_);
    r->addWidget(take_off_);
    r->addStretch(1);
}

void ThingsPart::build_new() {
    auto* r = row("New");
    new_name_ = new QLineEdit(this);
    new_name_->setAccessibleName("Name of the new embellishment");
    new_name_->setPlaceholderText("such as Brass dot");
    new_name_->setMaxLength(60);
    r->addWidget(new_name_, 1);
    new_kind_ =
        new ChoiceBox<EmbellishmentKind>("Kind of the new embellishment", every<EmbellishmentKind>(), this);
    r->addWidget(new_kind_);
    r = row("Size");
    new_width_ = length_field(
        "Width of the new embellishment", thing_side_limits,
        [this](double mm) {
            width_typed_ = mm;
            scanned_ = {};
        },
        66);
    new_height_ = length_field(
        "Height of the new embellishment", thing_side_limits,
        [this](double mm) {
            height_typed_ = mm;
            scanned_ = {};
        },
        66);
    count_ = new QSpinBox(this);
    count_->setRange(1, 9999);
    count_->setAccessibleName("How many of the new embellishment there are");
    count_->setToolTip("How many there are");
    r->addWidget(new_width_);
    r->addWidget(quiet("x"));
    r->addWidget(new_height_);
    r->addStretch(1);
    r = row("There are");
    r->addWidget(count_);
    r->addWidget(
        push("Add to drawer", "Puts it among the embellishments of the drawer", [this] { add_to_drawer(); }));
    r->addStretch(1);
    r = row(QString());
    r->addWidget(push("From a scan...", "Takes size and outline from a picture of it beside a square of 1 in",
                      [this] { emit ask_scan(); }));
    r->addStretch(1);
}

void ThingsPart::add_to_drawer() {
    const std::string name = new_name_->text().trimmed().toStdString();
    if (name.empty()) {
        says_->setText("Give it a name first.");
        return;
    }
    document_.change_papers("Add an embellishment", [&](const Stash& now) {
        Stash out = now;
        Embellishment e;
        e.name = name;
        e.id = free_id_among(out.embellishments, id_from(name));
        e.kind = new_kind_->value();
        e.outline = scanned_.outer.empty() ? outline_of_size(e.kind, width_typed_, height_typed_) : scanned_;
        e.count = count_->value();
        e.in_stash = true;
        out.embellishments.push_back(std::move(e));
        return out;
    });
    new_name_->clear();
    scanned_ = {};
    stock_->setCurrentRow(stock_->count() - 1);
}

void ThingsPart::take_scan(const QString& path) {
    constexpr qint64 most_bytes = 64LL << 20;
    says_->setText("Measuring the scan.");
    worker_.think(this, [this, path](Planner&) {
        const auto bytes = read_as(path, TriedAs::Picture, [&] { return read_file(path, most_bytes); });
        const auto outline = bytes ? measured_offcut(*bytes, mm_per_inch)
                                   : Result<Polygon>(tl::make_unexpected(bytes.error()));
        return std::function<void()>([this, outline] {
            if (!outline) {
                says_->setText(words(sentence(outline.error().message)));
                return;
            }
            scanned_ = about_its_middle(*outline);
            const Box box = bounds(scanned_);
            width_typed_ = box.width();
            height_typed_ = box.height();
            const Units units = document_.project().units;
            new_width_->show_length(width_typed_, units);
            new_height_->show_length(height_typed_, units);
            says_->setText("Its outline is measured; give it a name and add it to the drawer.");
        });
    });
}

const Embellishment* ThingsPart::chosen() const {
    const Stash& stash = stash_at_hand(document_.project());
    const int row = stock_->in_hand();
    return row >= 0 && row < static_cast<int>(stash.embellishments.size())
               ? &stash.embellishments[static_cast<std::size_t>(row)]
               : nullptr;
}

void ThingsPart::put(const std::string& id, Point at, double turn_deg) {
    document_.change("Add an embellishment to the page", [&](Project& p) {
        if (p.dress.embellishments.size() < most_placed) p.dress.embellishments.push_back({id, at, turn_deg});
    });
    take_on_page(static_cast<int>(document_.project().dress.embellishments.size()) - 1);
}

void ThingsPart::put_found() {
    const int row = found_->in_hand();
    if (row < 0) return;
    const auto i = static_cast<std::size_t>(row);
    if (!places_for_.empty() && i < places_found_.size() && places_found_[i].fit.fits)
        put(places_for_, places_found_[i].fit.centre, places_found_[i].fit.turn_deg);
    else if (places_for_.empty() && i < things_found_.size() && things_found_[i].fit.fits)
        put(things_found_[i].id, things_found_[i].fit.centre, things_found_[i].fit.turn_deg);
}

void ThingsPart::put_on_page() {
    if (const Embellishment* e = chosen()) {
        const std::string id = e->id;
        put(id, clicked_.value_or(document_.project().set_out.page.leaves().front().centre()), 0);
    }
}

int ThingsPart::on_page() const {
    const int i = placed_->in_hand();
    return i < static_cast<int>(document_.project().dress.embellishments.size()) ? i : -1;
}

void ThingsPart::take_on_page(int placed) {
    refresh();
    placed_->setCurrentRow(placed);
}

/// The one before is given up.
std::shared_ptr<std::atomic<bool>> ThingsPart::begin_question() {
    if (stop_) *stop_ = true;
    return stop_ = std::make_shared<std::atomic<bool>>(false);
}

void ThingsPart::ask_what_fits() {
    state_.when_planned(this, [this](std::shared_ptr<const Plan> plan) { what_fits_in(std::move(plan)); });
}

void ThingsPart::what_fits_in(std::shared_ptr<const Plan> plan) {
    std::optional<Point> at = clicked_;
    if (!state_.selected().empty()) at = plan->middle_of(*state_.selected().begin());
    if (!at) {
        says_->setText("Click the opening or the free place first.");
        return;
    }
    const auto place = place_at(*plan->of, *plan, *at);
    place_ = place;
    emit in_hand_changed();
    if (!place) {
        says_->setText("Something lies there already.");
        return;
    }
    says_->setText("Trying what there is.");
    worker_.think(this, [this, plan, place, stop = begin_question(), number = ++asked_](Planner&) {
        auto found = what_fits(*plan->of, *plan, *place, [stop] { return stop->load(); });
        return std::function<void()>([this, found = std::move(found), number] {
            if (number != asked_ || stop_->load()) return;
            things_found_ = found;
            places_for_.clear();
            show_found();
        });
    });
}

void ThingsPart::ask_where_it_fits() {
    const Embellishment* e = chosen();
    if (!e) return;
    says_->setText("Trying every place.");
    state_.when_planned(this, [this, id = e->id](std::shared_ptr<const Plan> plan) {
        worker_.think(this, [this, plan, id, stop = begin_question(), number = ++asked_](Planner&) {
            auto found = where_it_fits(*plan->of, *plan, id, [stop] { return stop->load(); });
            return std::function<void()>([this, id, found = std::move(found), number] {
                if (number != asked_ || stop_->load()) return;
                places_found_ = found;
                places_for_ = id;
                show_found();
            });
        });
    });
}

void ThingsPart::show_found() {
    const Units units = document_.project().units;
    const Stash& stash = stash_at_hand(document_.project());
    QStringList rows;
    std::size_t fitting = 0;
    if (places_for_.empty())
        for (const FittingThing& t : things_found_) {
            const Embellishment* e = stash.embellishment(t.id);
            rows << words(e ? e->name : t.id) + ": " + fit_in_words(t.fit, units);
            fitting += t.fit.fits ? 1 : 0;
        }
    else
        for (const FittingPlace& p : places_found_) {
            rows << (p.place.opening >= 0 ? QString("Opening %1: ").arg(p.place.opening + 1)
                                          : QString("Free part of the base: ")) +
                        fit_in_words(p.fit, units);
            fitting += p.fit.fits ? 1 : 0;
        }
    found_->show_rows(rows);
    found_->setCurrentRow(0);
    found_->setVisible(!rows.isEmpty());
    put_found_->setVisible(fitting > 0);
    says_->setText(places_for_.empty()
                       ? counted(fitting, "embellishment fits there.", "embellishments fit there.")
                       : counted(fitting, "place has room for it.", "places have room for it."));
    lay_out_now(this);
}

QString ThingsPart::row_of(const Embellishment& e) const {
    const auto& placed = document_.project().dress.embellishments;
    const auto used = std::count_if(placed.begin(), placed.end(),
                                    [&](const PlacedEmbellishment& x) { return x.id == e.id; });
    const Box b = bounds(e.outline);
    const QString counts = used > e.count ? QString("%1 short").arg(used - e.count)
                           : used > 0     ? QString("%1 here, %2 left").arg(used).arg(e.count - used)
                                          : QString("%1 left").arg(e.count);
    return words(e.name) + ": " + counts + "; " +
           words(format_size(b.width(), b.height(), document_.project().units));
}

/// Each as it looks, once for each stash.
void ThingsPart::show_pictures(const Stash& stash) {
    constexpr int side = 18; // px
    constexpr std::size_t most_pictured = 400;
    const auto textures = state_.textures();
    const unsigned number = textures ? textures->number() : 0;
    if (pictured_ == document_.project().stash && pictured_with_ == number &&
        stock_->count() == pictured_rows_)
        return;
    pictured_ = document_.project().stash;
    pictured_with_ = number;
    pictured_rows_ = stock_->count();
    stock_->setIconSize({side, side});
    for (std::size_t i = 0; i < stash.embellishments.size() && i < most_pictured; ++i) {
        const Embellishment& e = stash.embellishments[i];
        const Box box = bounds(e.outline);
        QPixmap picture(QSize(side, side) * devicePixelRatioF());
        picture.setDevicePixelRatio(devicePixelRatioF());
        picture.fill(Qt::transparent);
        QPainter painter(&picture);
        painter.setRenderHint(QPainter::Antialiasing);
        painter.translate(side / 2.0, side / 2.0);
        const double scale = (side - 3) / std::max(1e-6, std::max(box.width(), box.height()));
        painter.scale(scale, scale);
        paint_embellishment(painter, e,
                            textures ? textures->embellishment(e, pixels_per_mm(painter)) : QImage());
        painter.end();
        stock_->item(static_cast<int>(i))->setIcon(QIcon(picture));
    }
}

void ThingsPart::refresh() {
    const Project& p = document_.project();
    const Stash& stash = stash_at_hand(p);
    QStringList rows;
    for (const Embellishment& e : stash.embellishments) rows << row_of(e);
    stock_->show_rows(rows);
    show_pictures(stash);
    rows.clear();
    for (const PlacedEmbellishment& e : p.dress.embellishments) {
        const Embellishment* of = stash.embellishment(e.id);
        rows << words(of ? of->name : e.id);
    }
    placed_->show_rows(rows);
    const int i = on_page();
    for (QWidget* w : std::initializer_list<QWidget*>{x_, y_, turn_, take_off_}) w->setEnabled(i >= 0);
    static const PlacedEmbellishment none;
    const PlacedEmbellishment& e = i < 0 ? none : p.dress.embellishments[static_cast<std::size_t>(i)];
    x_->show_length(e.centre.x, p.units);
    y_->show_length(e.centre.y, p.units);
    {
        const QSignalBlocker quiet(turn_);
        turn_->setValue(static_cast<int>(std::lround(e.turn_deg)));
    }
    new_width_->show_length(width_typed_, p.units);
    new_height_->show_length(height_typed_, p.units);
    if (says_->text().isEmpty())
        says_->setText(
            "Click a place on the page, then ask what fits there; or choose one and ask where it fits.");
}

} // namespace zesty
