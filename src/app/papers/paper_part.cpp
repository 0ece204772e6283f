#include "app/papers/paper_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/papers/palette_strip.h"
#include "app/papers/paper_stock.h"
#include "core/match/pattern_room.h"
#include "core/project/papers_named.h"
#include "core/stash/sharing.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QSpinBox>
#include <algorithm>
#include <cmath>

namespace zesty {

PaperPart::PaperPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent)
    : PanelPart(document, state, actions, parent), worker_(worker) {
    none_ = line("none");
    none_->setText("Pick a paper in the drawer to see and change what is known of it.");
    facts_ = new QWidget(this);
    auto* facts = new QVBoxLayout(facts_);
    facts->setContentsMargins(0, 0, 0, 0);
    facts->setSpacing(6);
    column_->addWidget(facts_);
    auto* outer = column_;
    column_ = facts;
    build_facts();
    build_pattern();
    build_look();
    build_wishes();
    build_place();
    build_stock();
    column_ = outer;
    build_files();
    connect(&state, &BenchState::plan_changed, this, &PaperPart::refresh_if_shown);
    connect(&state.drawer(), &InDrawer::changed, this, &PaperPart::refresh_if_shown);
}

const Paper* PaperPart::picked() const {
    const auto& stash = document_.project().stash;
    const int paper = state_.drawer().picked();
    return stash && paper >= 0 && paper < static_cast<int>(stash->papers.size()) ? &stash->papers[paper]
                                                                                 : nullptr;
}

void PaperPart::change(const QString& intention, const std::function<void(Paper&)>& apply) {
    const Paper* now = picked();
    if (!now) return;
    Paper next = *now;
    apply(next);
    document_.change_papers(intention, [&](const Stash& stash) { return with_paper(stash, next); });
}

void PaperPart::change_face(const QString& intention, const std::function<void(PaperFace&)>& apply) {
    change(intention, [&](Paper& p) {
        const Side side = p.has(state_.drawer().side_up(state_.drawer().picked()))
                              ? state_.drawer().side_up(state_.drawer().picked())
                              : Side::A;
        PaperFace face = p.face(side);
        apply(face);
        if (side == Side::A)
            p.set_front(face);
        else
            p.back = face;
    });
}

void PaperPart::build_facts() {
    auto* r = row("Name");
    name_ = new QLineEdit(this);
    name_->setObjectName("paper-name");
    name_->setAccessibleName("Name of the paper");
    name_->setMaxLength(80);
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        if (name_->text().trimmed().isEmpty()) return;
        change("Name the paper", [this](Paper& p) { p.name = name_->text().trimmed().toStdString(); });
    });
    r->addWidget(name_, 1);
    r = row("Side");
    side_ = new ChoiceRow<Side>("Side on show", {{"A", Side::A}, {"B", Side::B}}, this);
    side_->on_choice(this, [this](Side side) {
        const Paper* p = picked();
        if (p && p->has(Side::B) && state_.drawer().side_up(state_.drawer().picked()) != side)
            state_.drawer().turn_over(state_.drawer().picked());
        refresh_if_shown();
    });
    r->addWidget(side_);
    side_b_ = new QPushButton("Side B...", this);
    side_b_->setToolTip("A picture of side B: the sheet alone, edge to edge");
    connect(side_b_, &QPushButton::clicked, this, [this] { emit ask_picture(PictureFor::SideB); });
    r->addWidget(side_b_);
}

void PaperPart::build_pattern() {
    auto* r = row("Pattern");
    pattern_ = new ChoiceBox<Pattern>("Kind of pattern", every<Pattern>(), this);
    pattern_->setObjectName("paper-pattern");
    pattern_->on_choice(this, [this](Pattern kind) {
        change_face("Kind of pattern", [kind](PaperFace& f) { f.pattern = kind; });
    });
    r->addWidget(pattern_, 1);
    direction_ = new ChoiceBox<Direction>("Which way up",
                                          {{"any way up", Direction::Free},
                                           {"upside down too", Direction::Half},
                                           {"one way up", Direction::Fixed}},
                                          this);
    direction_->on_choice(this, [this](Direction way) {
        change_face("Which way up", [way](PaperFace& f) { f.direction = way; });
    });
    r->addWidget(direction_, 1);
    r = row("Repeats");
    repeat_ = new LengthEdit("Length after which the pattern repeats", 0, 1000, this);
    repeat_->setFixedWidth(theme::px(78));
    connect(repeat_, &LengthEdit::length_entered, this, [this](double mm) {
        change_face("Length after which the pattern repeats", [mm](PaperFace& f) { f.repeat = mm; });
    });
    r->addWidget(repeat_);
    auto* trimmed = new QLabel("strip", this);
    trimmed->setProperty("quiet", true);
    r->addWidget(trimmed);
    strip_ = new LengthEdit("Branding strip along the lower edge, trimmed off", 0, 100, this);
    strip_->setFixedWidth(theme::px(78));
    strip_->setToolTip("Branding strip along the lower edge, trimmed off before anything is cut");
    connect(strip_, &LengthEdit::length_entered, this,
            [this](double mm) { change("Branding strip", [mm](Paper& p) { p.strip = mm; }); });
    r->addWidget(strip_);
    r->addStretch(1);
    readable_ = line("readable");
}

/// Which way stripes run, the colours with their shares, and what cannot be seen in a picture.
void PaperPart::build_look() {
    auto* r = row("Colours");
    palette_ = new PaletteStrip(this);
    connect(palette_, &PaletteStrip::changed, this, [this](const std::vector<PaletteColour>& palette) {
        change_face("Colours of a paper", [&](PaperFace& f) { f.palette = palette; });
    });
    connect(palette_, &PaletteStrip::colour_changed, this, [this](Rgb colour) {
        change_face("Colour of a paper", [&](PaperFace& f) { f.colour = colour; });
    });
    r->addWidget(palette_, 1);
    angle_ = new QSpinBox(this);
    angle_->setRange(0, 359);
    angle_->setSuffix("\u00b0");
    angle_->setFixedWidth(theme::px(64));
    angle_->setAccessibleName("Angle of stripes, or the way an ombre gets darker");
    angle_->setToolTip("Clockwise from the right: the way stripes run, or an ombre gets darker");
    connect(angle_, &QSpinBox::valueChanged, this, [this](int deg) {
        change_face("Angle of a pattern", [deg](PaperFace& f) { f.angle_deg = deg; });
    });
    r->addWidget(angle_);
    r = row("Paper");
    finish_ = new ChoiceBox<std::optional<Finish>>("Finish", {{"any finish", std::nullopt}}, this);
    for (const auto& [words, finish] : every<Finish>()) finish_->offer(words, finish);
    finish_->on_choice(this, [this](std::optional<Finish> finish) {
        change("Finish of a paper", [finish](Paper& p) { p.finish = finish; });
    });
    r->addWidget(finish_, 1);
    weight_ = new QSpinBox(this);
    weight_->setRange(0, 2000);
    weight_->setSingleStep(10);
    weight_->setSuffix(" g/m\u00b2");
    weight_->setSpecialValueText("any weight");
    weight_->setAccessibleName("Weight");
    connect(weight_, &QSpinBox::valueChanged, this,
            [this](int grams) { change("Weight of a paper", [grams](Paper& p) { p.weight = grams; }); });
    r->addWidget(weight_, 1);
}

void PaperPart::build_wishes() {
    auto* r = row("Wanted");
    role_ = new ChoiceBox<std::optional<PaperRole>>("What the paper is for",
                                                    {{"as it comes", std::nullopt},
                                                     {"to be used up", PaperRole::UseUp},
                                                     {"to be spared", PaperRole::Spare},
                                                     {"to tie the page together", PaperRole::Tie}},
                                                    this);
    role_->setObjectName("paper-role");
    role_->on_choice(this, [this](std::optional<PaperRole> role) {
        const Paper* p = picked();
        if (!p) return;
        document_.change("What the paper is for", [&](Project& project) {
            if (role)
                project.match.roles[p->id] = *role;
            else
                project.match.roles.erase(p->id);
        });
    });
    r->addWidget(role_, 1);
    r = row("Beside");
    apart_ = new ChoiceBox<std::string>("Papers it must not lie beside", this);
    apart_->setToolTip("Papers it must not lie beside; choose one to add it, and once more to allow it");
    apart_->on_choice(this, [this](const std::string other) {
        const Paper* p = picked();
        if (!p || other.empty()) return;
        document_.change("Which papers stay apart", [&](Project& project) {
            const std::pair<std::string, std::string> pair = std::minmax(p->id, other);
            const bool now = std::count(project.match.apart.begin(), project.match.apart.end(), pair) > 0;
            keep_apart(project.match, p->id, other, !now);
        });
    });
    r->addWidget(apart_, 1);
}

void PaperPart::build_place() {
    auto* r = row("Kept in");
    kept_in_ = new QLineEdit(this);
    kept_in_->setAccessibleName("Where the paper is kept");
    connect(kept_in_, &QLineEdit::editingFinished, this, [this] {
        change("Where it is kept", [this](Paper& p) { p.kept_in = kept_in_->text().toStdString(); });
    });
    r->addWidget(kept_in_, 1);
    notes_ = new QLineEdit(this);
    notes_->setAccessibleName("Notes");
    notes_->setPlaceholderText("notes");
    connect(notes_, &QLineEdit::editingFinished, this,
            [this] { change("Notes", [this](Paper& p) { p.notes = notes_->text().toStdString(); }); });
    r->addWidget(notes_, 1);
}

void PaperPart::build_stock() {
    stock_ = new PaperStock(this);
    column_->addWidget(stock_);
    connect(stock_, &PaperStock::changed, this,
            [this](const QString& intention, const std::vector<SheetStock>& sheets) {
                change(intention, [&](Paper& p) { p.sheets = sheets; });
            });
    connect(stock_, &PaperStock::ask_scrap, this, &PaperPart::ask_scrap);
}

bool PaperPart::crops() const {
    return crop_->isChecked();
}

void PaperPart::build_files() {
    use_up_ = new QCheckBox("Use this paper up before others", this);
    use_up_->setObjectName("use-up");
    use_up_->setToolTip("On every page; \"Wanted\" is for this page alone");
    connect(use_up_, &QCheckBox::clicked, this,
            [this](bool on) { change("Use a paper up first", [on](Paper& p) { p.use_up = on; }); });
    column_->addWidget(use_up_);
    crop_ = new QCheckBox("Crop the sheet out of its picture", this);
    crop_->setObjectName("crop");
    crop_->setToolTip(
        "For photos and scans with a plain ground all round the sheet; turn and slant are taken out");
    column_->addWidget(crop_);
    auto* r = row(QString());
    const auto add = [&](const QString& text, const QString& says, const char* name, auto slot) {
        auto* b = new QPushButton(text, this);
        b->setToolTip(says);
        b->setAccessibleName(says);
        b->setObjectName(name);
        connect(b, &QPushButton::clicked, this, slot);
        r->addWidget(b);
        return b;
    };
    add("New...", "A new paper from its picture", "new-paper",
        [this] { emit ask_picture(PictureFor::NewPaper); });
    gone_ = add("Remove", "Take the paper out of the stash", "remove-paper", [this] {
        const Paper* p = picked();
        if (!p) return;
        document_.change_papers("Remove a paper",
                                [id = p->id](const Stash& now) { return without_paper(now, id); });
    });
    fussy_ = add("Fussy cuts", "Find motifs in the picture of this paper, to be cut out by hand", "fussy-cut",
                 [this] { state_.drawer().cut_out(!state_.drawer().cuts_out()); });
    r = row(QString());
    same_ = new ChoiceBox<std::string>("Another paper that is the same", this);
    same_->setObjectName("merge-paper");
    same_->setToolTip(
        "Two entries for one paper: the sheets of the other join this one, and the other is removed");
    same_->on_choice(this, [this](const std::string other) {
        const Paper* p = picked();
        if (!p || other.empty()) return;
        const std::string into = p->id;
        document_.change("Merge two papers", [&](Project& project) { merge_papers(project, into, other); });
    });
    r->addWidget(same_, 1);
}

void PaperPart::take_picture(const Stash& read) {
    Paper fresh = read.papers.front();
    if (expected_ == PictureFor::NewPaper || !picked()) {
        document_.change_papers("Add a paper", [&](const Stash& now) {
            Stash next = now;
            adopt(next, fresh, read.pictures);
            return next;
        });
        return;
    }
    document_.change_papers("Picture of a paper", [&](const Stash& now) {
        // Under a name that is free: other papers keep theirs.
        Stash next = now;
        adopt(next, fresh, read.pictures);
        const PaperFace face = next.papers.back().face(Side::A);
        next.papers.pop_back();
        Paper& paper = next.papers[static_cast<std::size_t>(now.find(picked()->id))];
        if (expected_ == PictureFor::SideB)
            paper.back = face;
        else
            paper.set_front(face);
        return next;
    });
}

void PaperPart::take_scrap(const Polygon& outline) {
    change("Add a scrap", [&](Paper& p) { p.sheets.push_back({outline, 1, true}); });
}

void PaperPart::refresh() {
    const Paper* p = picked();
    none_->setVisible(!p);
    facts_->setVisible(p != nullptr);
    gone_->setEnabled(p != nullptr);
    fussy_->setEnabled(p && !p->picture.empty());
    if (!p) return;
    const Project& project = document_.project();
    const Side side = p->has(state_.drawer().side_up(state_.drawer().picked()))
                          ? state_.drawer().side_up(state_.drawer().picked())
                          : Side::A;
    const PaperFace face = p->face(side);
    for (auto [edit, text] :
         {std::pair{name_, p->name}, std::pair{kept_in_, p->kept_in}, std::pair{notes_, p->notes}})
        if (!edit->hasFocus()) edit->setText(words(text));
    side_->show_value(side);
    side_->setEnabled(p->has(Side::B));
    pattern_->show_value(face.pattern);
    direction_->show_value(face.direction);
    palette_->show_face(face);
    for (auto [spin, value] : {std::pair{angle_, face.angle_deg}, std::pair{weight_, p->weight}}) {
        const QSignalBlocker quiet(spin);
        spin->setValue(static_cast<int>(std::lround(value)));
    }
    angle_->setEnabled(face.pattern == Pattern::Stripe || face.pattern == Pattern::Ombre);
    finish_->show_value(p->finish);
    use_up_->setChecked(p->use_up);
    repeat_->show_length(face.repeat, project.units);
    const std::string readable = about_pattern(face, project.units);
    readable_->setVisible(!readable.empty());
    readable_->setText("The pattern is " + words(readable) + ".");
    strip_->show_length(p->strip, project.units);
    const auto role = project.match.roles.find(p->id);
    role_->show_value(role == project.match.roles.end() ? std::nullopt : std::optional(role->second));
    std::vector<Choice<std::string>> others;
    std::size_t ruled = 0;
    for (const Paper& other : project.stash->papers) {
        if (other.id == p->id) continue;
        const std::pair<std::string, std::string> pair = std::minmax(p->id, other.id);
        const bool now = std::count(project.match.apart.begin(), project.match.apart.end(), pair) > 0;
        ruled += now;
        others.push_back({(now ? QString("apart: ") : QString()) + words(other.name), other.id});
    }
    others.insert(others.begin(),
                  {ruled ? "any paper but " + QString::number(ruled) : QString("any paper"), ""});
    apart_->offer(others);
    std::vector<Choice<std::string>> same{{"is the same as...", ""}};
    for (const Paper& other : project.stash->papers)
        if (other.id != p->id) same.push_back({words(other.name), other.id});
    same_->offer(same);
    stock_->show_sheets(p->sheets, project.units);
}

} // namespace zesty
