#include "app/dress/height_part.h"

#include "app/bench/wording.h"
#include "core/dress/glue.h"
#include "core/dress/pile.h"
#include "core/project/findings.h"
#include "core/sentences.h"

#include <QHBoxLayout>
#include <QSpinBox>
#include <set>

namespace zesty {

namespace {

const std::vector<Choice<Mount>>& mounts() {
    static const std::vector<Choice<Mount>> all{{"glued flat", Mount::Glued},
                                                {"on thin foam, 1 mm", Mount::Thin},
                                                {"on foam, 2 mm", Mount::Normal},
                                                {"on double foam, 4 mm", Mount::Double},
                                                {"foot glued, tip on foam", Mount::Tip}};
    return all;
}

QString in_words(Mount how) {
    for (const Choice<Mount>& c : mounts())
        if (c.value == how) return c.words;
    return {};
}

/// Of a Project, const or not; null where it is not there.
template <class P> auto* mounting_in(P& p, Lying what, int index) {
    const auto i = static_cast<std::size_t>(index);
    const auto of = [i](auto& all) { return i < all.size() ? &all[i].held : nullptr; };
    switch (what) {
    case Lying::Photo:
    case Lying::Mat:
        return of(p.set_out.photos);
    case Lying::Layer:
        return of(p.dress.layers);
    case Lying::Embellishment:
        return of(p.dress.embellishments);
    case Lying::Title:
        return of(p.dress.titles);
    case Lying::Cut:
        break;
    }
    return of(p.set_out.cuts);
}

} // namespace

HeightPart::HeightPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    seen_row_ = new ChoiceRow<Seen>("What the page shows",
                                    {{"Heights and foam", Seen::Height}, {"Glue map", Seen::Glue}}, this);
    seen_row_->show_value(seen_);
    seen_row_->on_choice(this, [this](Seen seen) {
        seen_ = seen;
        refresh_if_shown();
        emit seen_changed();
    });
    column_->addWidget(seen_row_);
    rows_ = new Rows("held-things", "What can be raised", 4, this);
    connect(rows_, &Rows::taken, this, [this] { refresh(); });
    column_->addWidget(rows_);
    auto* r = row("Held");
    how_ = new ChoiceBox<Mount>("How it is held", mounts(), this);
    how_->setObjectName("held-how");
    how_->on_choice(this,
                    [this](Mount how) { change("Hold it differently", [&](Mounting& m) { m.how = how; }); });
    r->addWidget(how_, 1);
    foot_name_ = quiet("foot at");
    r->addWidget(foot_name_);
    foot_ = degree_field("Where its foot is: 0 is to the right, 90 below", -360, 360, [this](int deg) {
        change("Turn its foot", [&](Mounting& m) { m.foot_deg = deg; });
    });
    r->addWidget(foot_);
    r = row("Album");
    album_ = length_field("What the album's pocket takes above the base", album_limits, [this](double mm) {
        document_.change("What the album takes", [&](Project& p) { p.dress.album_takes = mm; });
    });
    r->addWidget(album_);
    r->addWidget(quiet("high"));
    free_ = push("Leave a part free", "Drag a circle on the page where neither glue nor foam goes",
                 [this] { want_free_part(!wants_free_part_); });
    free_->setCheckable(true);
    r->addWidget(free_);
    no_free_ = push("None", "Removes all parts left free", [this] {
        document_.change("No parts left free", [](Project& p) { p.dress.free_parts.clear(); });
    });
    no_free_->setAccessibleName("Leave no part free");
    r->addWidget(no_free_);
    r->addStretch(1);
    says_ = line("height-says");
    says_->setTextFormat(Qt::RichText);
    connect(&document, &Document::project_changed, this, &HeightPart::refresh_if_shown);
    connect(&state, &BenchState::plan_changed, this, &HeightPart::refresh_if_shown);
}

std::vector<HeightPart::Held> HeightPart::things() const {
    std::vector<Held> out;
    const Plan* plan = state_.plan();
    if (!plan) return out;
    const Project& p = *plan->of;
    const DressNow now = dress_now(p, *plan);
    for (const LyingThing& thing : pile_of(now)) {
        if (thing.what == Lying::Mat) continue;
        QString name = words(name_of(thing, now));
        if (!name.isEmpty()) name[0] = name[0].toUpper();
        out.push_back({thing.what, thing.index, name});
    }
    for (std::size_t i = 0; i < p.dress.titles.size(); ++i)
        out.push_back({Lying::Title, static_cast<int>(i), "Title \"" + words(p.dress.titles[i].text) + "\""});
    std::reverse(out.begin(), out.end()); // what lies on top first
    return out;
}

void HeightPart::change(const QString& intention, const std::function<void(Mounting&)>& apply) {
    const int i = rows_->in_hand();
    if (i < 0 || i >= static_cast<int>(shown_.size())) return;
    const Held thing = shown_[static_cast<std::size_t>(i)];
    document_.change(intention, [&](Project& p) {
        if (Mounting* held = mounting_in(p, thing.what, thing.index)) apply(*held);
    });
}

void HeightPart::hold_next() {
    change("Hold it differently", [](Mounting& m) {
        m.how = static_cast<Mount>((static_cast<int>(m.how) + 1) % count_of_values<Mount>);
    });
}

void HeightPart::want_free_part(bool wanted) {
    wants_free_part_ = wanted;
    free_->setChecked(wanted);
}

void HeightPart::choose(Lying what, int index) {
    refresh();
    for (std::size_t i = 0; i < shown_.size(); ++i)
        if (shown_[i].what == what && shown_[i].index == index) rows_->setCurrentRow(static_cast<int>(i));
}

QString HeightPart::says() const {
    const Plan* plan = state_.plan();
    if (!plan) return {};
    const Units units = document_.project().units;
    const auto length = [&](double mm) { return words(format_long(mm, units)); };
    const HeightFacts& h = plan->dress.heights;
    QStringList out;
    if (seen_ == Seen::Height) {
        out << QString("Highest %1, of %2 that fit.")
                   .arg(words(format_mm(h.highest)), words(format_mm(document_.project().dress.album_takes)));
        for (const FoamTotal& foam : h.foam) {
            QStringList parts;
            if (foam.length > 0) parts << length(foam.length) + " in strips";
            if (foam.pads > 0) parts << counted(static_cast<std::size_t>(foam.pads), "pad", "pads");
            out << QString("Foam of %1: %2.").arg(QString("%1 mm").arg(foam.thickness), parts.join(", "));
        }
        if (h.full > 0)
            out << QString("That is %1 less than foam all over.")
                       .arg(words(percent(std::max(0.0, 1 - h.planned / h.full))));
        out << "On the page: yellow low, green high, <span style='color:#b02a4b'>berry too high</span>.";
    } else {
        QStringList uses;
        for (const GlueUse& use : plan->dress.glue.uses)
            uses << (use.what == Adhesive::Dots
                         ? counted(static_cast<std::size_t>(use.dots), "glue dot", "glue dots")
                         : length(use.length) + " of " + name_of(use.what));
        out << (uses.isEmpty() ? QString("Nothing is to be glued yet.") : uses.join(", ") + ".");
        std::set<std::string> tucks;
        for (const GlueMap& map : plan->dress.glue.cuts) tucks.insert(map.tucks.begin(), map.tucks.end());
        if (!tucks.empty())
            out << words(sentence(in_a_row({tucks.begin(), tucks.end()}) + " can still be tucked"));
        out << "<span style='color:#3e7c4f'>Green: glue now</span>; <span style='color:#8a6700'>yellow: once "
               "what slides "
               "through is tucked</span>; <span style='color:#b02a4b'>crosses: no glue</span>.";
    }
    return out.join(" ");
}

void HeightPart::refresh() {
    shown_ = things();
    const Project& p = document_.project();
    QStringList rows;
    for (const Held& thing : shown_) {
        const Mounting* held = mounting_in(p, thing.what, thing.index);
        rows << thing.name + ": " + (held ? in_words(held->how) : QString());
    }
    rows_->show_rows(rows);
    const int i = rows_->in_hand();
    const Mounting* held = nullptr;
    if (i >= 0 && i < static_cast<int>(shown_.size())) {
        const Held& thing = shown_[static_cast<std::size_t>(i)];
        held = mounting_in(p, thing.what, thing.index);
    }
    how_->setEnabled(held != nullptr);
    how_->show_value(held ? held->how : Mount::Glued);
    const bool tip = held && held->how == Mount::Tip;
    foot_->setVisible(tip);
    foot_name_->setVisible(tip);
    const QSignalBlocker blocked(foot_);
    foot_->setValue(held ? static_cast<int>(held->foot_deg) : 90);
    album_->show_length(p.dress.album_takes, p.units);
    no_free_->setVisible(!p.dress.free_parts.empty());
    says_->setText(says());
}

} // namespace zesty
