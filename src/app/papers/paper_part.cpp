#include "app/papers/paper_part.h"

#include "app/bench/wording.h"
#include "core/geometry/measure.h"
#include "core/project/stash_at_hand.h"

#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QSpinBox>
#include <algorithm>

namespace zesty {

namespace {
constexpr std::size_t stock_rows = 4;
constexpr std::pair<const char*, double> usual_sheets[] = {
    {"12 x 12 in sheet", 12}, {"8 x 8 in pad sheet", 8}, {"6 x 6 in pad sheet", 6}};
} // namespace

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
    document_.change(intention, [&](Project& p) {
        p.stash = std::make_shared<const Stash>(with_paper(*p.stash, std::move(next)));
    });
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
    repeat_ = new LengthEdit("After which the pattern begins anew", 0, 1000, this);
    repeat_->setFixedWidth(78);
    connect(repeat_, &LengthEdit::length_entered, this, [this](double mm) {
        change_face("After what the pattern repeats", [mm](PaperFace& f) { f.repeat = mm; });
    });
    r->addWidget(repeat_);
    auto* trimmed = new QLabel("strip", this);
    trimmed->setProperty("quiet", true);
    r->addWidget(trimmed);
    strip_ = new LengthEdit("Branding strip along the lower edge, trimmed off", 0, 100, this);
    strip_->setFixedWidth(78);
    strip_->setToolTip("Branding strip along the lower edge, trimmed off before anything is cut");
    connect(strip_, &LengthEdit::length_entered, this,
            [this](double mm) { change("Branding strip", [mm](Paper& p) { p.strip = mm; }); });
    r->addWidget(strip_);
    r->addStretch(1);
}

void PaperPart::build_wishes() {
    auto* r = row("Wanted");
    role_ = new ChoiceBox<std::optional<PaperRole>>("What the paper is wanted for",
                                                    {{"as it comes", std::nullopt},
                                                     {"to be used up", PaperRole::UseUp},
                                                     {"to be spared", PaperRole::Spare},
                                                     {"to tie the page", PaperRole::Tie}},
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
    apart_ = new ChoiceBox<std::string>("Papers it must not lie beside", this);
    apart_->setToolTip("Papers it must not lie beside; choose one to add it, again to allow it");
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
    stock_ = new QWidget(this);
    stock_->setObjectName("stock");
    column_->addWidget(stock_);
    auto* r = row(QString());
    auto* more = new ChoiceBox<double>("Add a sheet", {{"Add a sheet...", 0}}, this);
    for (const auto& [name, in] : usual_sheets) more->offer(name, in * mm_per_inch);
    more->on_choice(this, [this, more](const double side) {
        more->show_value(0);
        if (side <= 0) return;
        change("Add a sheet", [side](Paper& p) {
            const SheetStock one{{ring_of(Box{0, 0, side, side}), {}}, 1, false};
            for (SheetStock& s : p.sheets)
                if (s.outline == one.outline) {
                    ++s.count;
                    return;
                }
            p.sheets.push_back(one);
        });
    });
    r->addWidget(more, 1);
    scrap_ = new QPushButton("Scrap from a scan...", this);
    scrap_->setToolTip("A picture of a scrap beside a square of 1 in on a ground of another colour");
    connect(scrap_, &QPushButton::clicked, this, &PaperPart::ask_scrap);
    r->addWidget(scrap_);
}

bool PaperPart::crops() const {
    return crop_->isChecked();
}

void PaperPart::build_files() {
    crop_ = new QCheckBox("Pictures show the sheet on a ground: crop them", this);
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
    gone_ = add("Remove", "Take the paper out of this stash", "remove-paper", [this] {
        const Paper* p = picked();
        if (!p) return;
        document_.change("Remove a paper", [id = p->id](Project& project) {
            project.stash = std::make_shared<const Stash>(without_paper(*project.stash, id));
        });
    });
    add("Mine", "Open your own papers", "load-own", [this] { emit load_own(); });
    add("Keep", "Write these papers among your own", "keep-own", [this] { emit keep_own(); });
    r->addStretch(1);
}

void PaperPart::take_picture(const Stash& read) {
    Paper fresh = read.papers.front();
    if (expected_ == PictureFor::NewPaper || !picked()) {
        document_.change("Add a paper", [&](Project& p) {
            const Stash& now = stash_at_hand(p);
            fresh.id = free_id(now, fresh.id);
            p.stash = std::make_shared<const Stash>(with_paper(now, fresh, read.pictures));
        });
        return;
    }
    Paper next = *picked();
    if (expected_ == PictureFor::SideB)
        next.back = fresh.face(Side::A);
    else
        next.set_front(fresh.face(Side::A));
    document_.change("Picture of a paper", [&](Project& p) {
        p.stash = std::make_shared<const Stash>(with_paper(*p.stash, next, read.pictures));
    });
}

void PaperPart::take_scrap(const Polygon& outline) {
    change("Add a scrap", [&](Paper& p) { p.sheets.push_back({outline, 1, true}); });
}

/// How many there are of each kind of sheet.
void PaperPart::show_stock(const Paper& paper) {
    delete stock_->layout();
    qDeleteAll(stock_->findChildren<QWidget*>(QString(), Qt::FindDirectChildrenOnly));
    auto* grid = new QGridLayout(stock_);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setVerticalSpacing(2);
    for (std::size_t i = 0; i < paper.sheets.size(); ++i) {
        if (i == stock_rows) {
            grid->addWidget(new QLabel(QString("and %1 more kinds").arg(paper.sheets.size() - i), stock_),
                            static_cast<int>(i), 0);
            break;
        }
        const SheetStock& s = paper.sheets[i];
        const Box b = bounds(s.outline);
        const QString size = words(format_size(b.width(), b.height(), document_.project().units));
        auto* count = new QSpinBox(stock_);
        count->setRange(0, 999);
        count->setValue(s.count);
        count->setAccessibleName("How many of " + size);
        connect(count, &QSpinBox::valueChanged, this, [this, i](int n) {
            change("How many sheets", [&](Paper& p) {
                if (i < p.sheets.size()) p.sheets[i].count = n;
            });
        });
        grid->addWidget(new QLabel(size + (s.irregular ? ", a scrap" : ""), stock_), static_cast<int>(i), 0);
        grid->addWidget(count, static_cast<int>(i), 1, Qt::AlignRight);
    }
}

void PaperPart::refresh() {
    const Paper* p = picked();
    none_->setVisible(!p);
    facts_->setVisible(p != nullptr);
    gone_->setEnabled(p != nullptr);
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
    repeat_->show_length(face.repeat, project.units);
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
    others.insert(others.begin(), {ruled ? QString("apart from %1").arg(ruled) : QString("beside any"), ""});
    apart_->offer(others);
    show_stock(*p);
}

} // namespace zesty
