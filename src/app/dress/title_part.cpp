#include "app/dress/title_part.h"

#include "app/bench/wording.h"
#include "core/dress/title.h"
#include "core/project/findings.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QSpinBox>
#include <algorithm>
#include <cmath>

namespace zesty {

namespace {
constexpr std::size_t most_compared = 4;
} // namespace

TitlePart::TitlePart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    build_words();
    build_path();
    build_more();
    says_ = line("title-says");
    connect(&document, &Document::project_changed, this, &TitlePart::refresh_if_shown);
    connect(&state, &BenchState::plan_changed, this, &TitlePart::refresh_if_shown);
}

void TitlePart::build_words() {
    auto* r = row(QString());
    r->addWidget(button(Act::AddTitle, "Add title", true));
    remove_ = push("Remove title", "Takes the title chosen in the list off the page", [this] {
        const int i = chosen();
        document_.change("Remove a title", [&](Project& p) {
            if (i >= 0) p.dress.titles.erase(p.dress.titles.begin() + i);
        });
    });
    r->addWidget(remove_);
    r->addStretch(1);
    titles_ = new Rows("titles", "Titles on the page", 1, this);
    connect(titles_, &Rows::taken, this, [this] {
        typing_ = 0;
        refresh();
        emit chosen_changed();
    });
    column_->addWidget(titles_);
    text_ = new QLineEdit(this);
    text_->setObjectName("title-text");
    text_->setAccessibleName("Words of the title");
    text_->setPlaceholderText("such as Windy uphill");
    text_->setMaxLength(static_cast<int>(longest_title) / 4);
    connect(text_, &QLineEdit::textEdited, this, [this](const QString& typed) {
        if (typing_ == 0) typing_ = document_.new_drag();
        change(
            "Words of the title", [&](PageTitle& t) { t.text = typed.toStdString(); }, typing_);
    });
    column_->addWidget(text_);
    sets_ = new Rows("letter-sets", "Letters of the drawer, with how the title comes out in them", 3, this);
    sets_->setToolTip("Choosing one sets the title in it");
    connect(sets_, &Rows::taken, this, [this] {
        const int row = sets_->in_hand();
        if (showing_ || row < 0 || row >= static_cast<int>(set_ids_.size())) return;
        const std::string id = set_ids_[static_cast<std::size_t>(row)];
        change("Letters of the title", [&](PageTitle& t) { t.sets = {id}; });
    });
    column_->addWidget(sets_);
}

void TitlePart::take_edge(TitleOn on) {
    const auto& selected = state_.selected();
    const Plan* plan = state_.plan();
    change("What the title stands on", [&](PageTitle& t) {
        t.path.on = on;
        if (on == TitleOn::Opening && plan && !selected.empty())
            t.path.opening = plan->sections.spots[static_cast<std::size_t>(*selected.begin())];
        const auto& cuts = document_.project().set_out.cuts;
        const int cut = state_.in_hand().cut(document_.project());
        if (on == TitleOn::CutEdge && cut >= 0) t.path.cut = cuts[static_cast<std::size_t>(cut)].id;
    });
}

void TitlePart::build_path() {
    auto* r = row("On");
    on_ = new ChoiceBox<TitleOn>("What the title stands on",
                                 {{"a line", TitleOn::Line},
                                  {"a circle", TitleOn::Circle},
                                  {"the edge of the selected opening", TitleOn::Opening},
                                  {"the outer edge of the cut", TitleOn::CutEdge}},
                                 this);
    on_->on_choice(this, [this](TitleOn on) { take_edge(on); });
    r->addWidget(on_, 1);
    const auto length = [&](const char* name, Limits limits, double TitlePath::*of) {
        return length_field(name, limits, [this, name, of](double mm) {
            change(name, [&](PageTitle& t) { t.path.*of = mm; });
        });
    };
    const auto degrees = [&](const char* name, int least, int most, double TitlePath::*of) {
        return degree_field(name, least, most, [this, name, of](int deg) {
            change(name, [&](PageTitle& t) { t.path.*of = deg; });
        });
    };
    line_row_ = row_of_its_own("Line", r);
    length_ = length("Length of the title's line", title_length_limits, &TitlePath::length);
    turn_ = degrees("Slope of the title's line", -180, 180, &TitlePath::turn_deg);
    r->addWidget(length_);
    r->addWidget(turn_);
    r->addStretch(1);
    circle_row_ = row_of_its_own("Radius", r);
    radius_ = length("Radius of the title's circle", writing_radius_limits, &TitlePath::radius);
    from_ =
        degrees("Where on the circle the title begins, 0 is to the right", -180, 180, &TitlePath::from_deg);
    sweep_ = degrees("How far round the title may go; less than 0 against the clock", -360, 360,
                     &TitlePath::sweep_deg);
    r->addWidget(radius_);
    r->addWidget(from_);
    r->addWidget(sweep_);
    r->addStretch(1);
    edge_row_ = row_of_its_own("Edge", r);
    edge_length_ = length("How much of the edge the title may take", title_length_limits, &TitlePath::length);
    offset_ = length("How far outside of the edge the title stands, less than 0 inside", title_offset_limits,
                     &TitlePath::offset);
    start_ = new QSpinBox(this);
    start_->setRange(0, 100);
    start_->setSuffix(" %");
    start_->setAccessibleName("Where on the edge the title begins, clockwise from the top");
    start_->setToolTip(start_->accessibleName());
    connect(start_, &QSpinBox::valueChanged, this, [this](int percent) {
        change("Where the title begins", [&](PageTitle& t) { t.path.start = percent / 100.0; });
    });
    r->addWidget(edge_length_);
    r->addWidget(start_);
    r->addWidget(offset_);
    r->addStretch(1);
}

void TitlePart::build_more() {
    auto* r = row("Spacing");
    spacing_ =
        length_field("Space between letters beyond what is usual", title_spacing_limits, [this](double mm) {
            change("Spacing of the title", [&](PageTitle& t) { t.spacing = mm; });
        });
    r->addWidget(spacing_);
    r->addWidget(quiet("cut"));
    height_ = length_field(
        "Height of letters that are cut by machine; 0 for the set's own", title_height_limits,
        [this](double mm) { change("Height of the title", [&](PageTitle& t) { t.height = mm; }); });
    r->addWidget(height_);
    r->addWidget(quiet("high"));
    r->addStretch(1);
    r = row(QString());
    block_ = tick("A line for each word", "The words stand below each other",
                  [this](bool on) { change("Lines of the title", [&](PageTitle& t) { t.block = on; }); });
    label_ = tick("Label under it", "A plain label makes it readable on a busy ground",
                  [this](bool on) { change("Label of the title", [&](PageTitle& t) { t.label = on; }); });
    r->addWidget(block_);
    r->addWidget(label_);
    r->addStretch(1);
}

void TitlePart::change(const QString& intention, const std::function<void(PageTitle&)>& apply, int drag) {
    const int i = chosen();
    document_.change(
        intention,
        [&](Project& p) {
            if (i >= 0 && i < static_cast<int>(p.dress.titles.size()))
                apply(p.dress.titles[static_cast<std::size_t>(i)]);
        },
        drag);
}

void TitlePart::add() {
    document_.change("Add a title", [&](Project& p) {
        if (p.dress.titles.size() >= most_titles) return;
        PageTitle title;
        const Box page = p.set_out.page.leaves().front();
        title.path.centre = {page.centre().x, page.y0 + page.height() / 6};
        for (const RoomWanted& room : p.set_out.rooms) {
            if (room.what != RoomFor::Title || !room.centre) continue;
            title.path.centre = *room.centre + Point{0, room.height / 2};
            title.path.length = room.width;
            break;
        }
        if (!stash_at_hand(p).letters.empty()) title.sets = {stash_at_hand(p).letters.front().id};
        p.dress.titles.push_back(title);
    });
    choose(static_cast<int>(document_.project().dress.titles.size()) - 1);
    text_->setFocus();
}

int TitlePart::chosen() const {
    const int i = titles_->in_hand();
    return i < static_cast<int>(document_.project().dress.titles.size()) ? i : -1;
}

void TitlePart::choose(int title) {
    refresh();
    titles_->setCurrentRow(title);
}

QString TitlePart::figures(const TitleFacts& t) const {
    const Units units = document_.project().units;
    QStringList out{words(format_length(t.height, units))};
    for (const auto& [piece, count] : t.missing) out << QString("%1: %2 short").arg(words(piece)).arg(count);
    if (t.overhang > 0.2) out << words(format_length(t.overhang, units)) + " over";
    if (t.missing.empty() && t.overhang <= 0.2) out << "fits";
    if (t.contrast < readable_contrast) out << "faint here";
    return out.join(", ");
}

void TitlePart::show_sets(int title) {
    const Plan* plan = state_.plan();
    const Project& p = plan ? *plan->of : document_.project();
    const Stash& stash = stash_at_hand(p);
    set_ids_.clear();
    QStringList rows;
    int now = -1;
    if (plan && title >= 0 && title < static_cast<int>(plan->dress.titles.size())) {
        const PageTitle& of = p.dress.titles[static_cast<std::size_t>(title)];
        const DressNow dress = dress_now(p, *plan);
        const auto pile = pile_of(dress);
        // The one it has first, then the others in the order of the drawer, four at once.
        std::vector<const LetterSet*> sets;
        for (const LetterSet& set : stash.letters) sets.push_back(&set);
        std::stable_partition(sets.begin(), sets.end(), [&](const LetterSet* s) {
            return !of.sets.empty() && s->id == of.sets.front();
        });
        for (const LetterSet* set : sets) {
            if (set_ids_.size() == most_compared) break;
            set_ids_.push_back(set->id);
            rows << words(set->name) + ": " +
                        figures(title_as_read(dress, pile, static_cast<std::size_t>(title), set->id));
            if (of.sets.size() == 1 && of.sets.front() == set->id)
                now = static_cast<int>(set_ids_.size()) - 1;
        }
    }
    showing_ = true;
    sets_->show_rows(rows);
    {
        const QSignalBlocker quiet(sets_);
        sets_->setCurrentRow(now);
    }
    showing_ = false;
}

void TitlePart::show_title(const PageTitle& t, bool any) {
    const Units units = document_.project().units;
    for (QWidget* w : std::initializer_list<QWidget*>{remove_, text_, sets_, on_, line_row_, circle_row_,
                                                      edge_row_, spacing_, height_, block_, label_})
        w->setEnabled(any);
    line_row_->setVisible(t.path.on == TitleOn::Line);
    circle_row_->setVisible(t.path.on == TitleOn::Circle);
    edge_row_->setVisible(t.path.on == TitleOn::Opening || t.path.on == TitleOn::CutEdge);
    if (text_->text().toStdString() != t.text) text_->setText(words(t.text));
    on_->show_value(t.path.on);
    length_->show_length(t.path.length, units);
    edge_length_->show_length(t.path.length, units);
    radius_->show_length(t.path.radius, units);
    offset_->show_length(t.path.offset, units);
    spacing_->show_length(t.spacing, units);
    height_->show_length(t.height, units);
    for (const auto& [box, value] :
         {std::pair(turn_, t.path.turn_deg), std::pair(from_, t.path.from_deg),
          std::pair(sweep_, t.path.sweep_deg), std::pair(start_, t.path.start * 100)}) {
        const QSignalBlocker quiet(box);
        box->setValue(static_cast<int>(std::lround(value)));
    }
    block_->setChecked(t.block);
    block_->setEnabled(any && t.path.on == TitleOn::Line);
    label_->setChecked(t.label);
}

void TitlePart::refresh() {
    const Project& p = document_.project();
    QStringList rows;
    for (std::size_t i = 0; i < p.dress.titles.size(); ++i)
        rows << (p.dress.titles[i].text.empty() ? QString("Title %1").arg(i + 1)
                                                : words(p.dress.titles[i].text));
    titles_->show_rows(rows);
    const int i = chosen();
    static const PageTitle none;
    show_title(i < 0 ? none : p.dress.titles[static_cast<std::size_t>(i)], i >= 0);
    show_sets(i);
    const Plan* plan = state_.plan();
    if (i < 0)
        says_->setText(
            "A title is laid out before anything is glued: letters run out, and the last one often "
            "has no room.");
    else if (stash_at_hand(p).letters.empty())
        says_->setText(
            "There are no letters in the drawer yet; Letters, above, adds a set. Until then widths are "
            "those of plain lettering.");
    else if (plan && i < static_cast<int>(plan->dress.titles.size())) {
        const TitleFacts& t = plan->dress.titles[static_cast<std::size_t>(i)];
        says_->setText(words(format_length(t.length, p.units) + " of " + format_length(t.room, p.units) +
                             "; " + count_of(static_cast<std::size_t>(t.most_lines), "bar", "bars") +
                             " below a letter; it differs from its ground by " +
                             std::to_string(std::lround(t.contrast)) + " of 100 in lightness."));
    }
    lay_out_now(this);
}

} // namespace zesty
