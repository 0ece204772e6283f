#include "app/papers/opening_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "core/project/edits.h"
#include "core/stash/side_names.h"

#include <QDoubleValidator>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QPainter>
#include <algorithm>

namespace zesty {

namespace {
constexpr std::size_t others_shown = 5;
} // namespace

OpeningPart::OpeningPart(Document& document, BenchState& state, Actions& actions, Worker& worker,
                         QWidget* parent)
    : PanelPart(document, state, actions, parent), worker_(worker) {
    selection_ = new QLabel(this);
    selection_->setProperty("strong", true);
    column_->addWidget(selection_);
    has_ = line("has");
    auto* r = row(QString());
    r->addWidget(button(Act::Give, "Give picked paper"));
    r->addWidget(button(Act::TakeAway, "Take away"));
    lock_ = new QPushButton("Lock", this);
    lock_->setObjectName("keep");
    lock_->setCheckable(true);
    lock_->setProperty("segment", true);
    lock_->setAccessibleName("Lock this paper");
    lock_->setToolTip("Proposals leave a locked paper alone; what you give by hand is locked");
    connect(lock_, &QPushButton::clicked, this, &OpeningPart::lock_changed);
    r->addWidget(lock_);
    r->addStretch(1);
    why_ = line("why");
    others_ = new QWidget(this);
    others_->setObjectName("others");
    column_->addWidget(others_);
    build_rules();
    build_pattern();
    connect(&state, &BenchState::plan_changed, this, &OpeningPart::refresh_if_shown);
    connect(&state.offers(), &Offers::changed, this, &OpeningPart::refresh_if_shown);
    connect(&state, &BenchState::selection_changed, this, &OpeningPart::refresh_if_shown);
    connect(&state.tools(), &PageTools::changed, this, &OpeningPart::refresh_if_shown);
}

void OpeningPart::build_rules() {
    auto* r = row(QString());
    const auto rule = [&](const QString& text, const QString& says, auto slot) {
        auto* b = new QPushButton(text, this);
        b->setAccessibleName(says);
        b->setToolTip(says);
        connect(b, &QPushButton::clicked, this, slot);
        r->addWidget(b);
        return b;
    };
    never_ = rule("Never here", "This paper must never be here", [this] {
        change("Never this paper here", [](PaperChoice& c) {
            if (c.paper.empty()) return;
            c.never.push_back(c.paper);
            std::sort(c.never.begin(), c.never.end());
            c.paper.clear();
            c.locked = false;
        });
    });
    const auto follow = [this](const QString& intention, bool facing) {
        const Plan* plan = state_.plan();
        if (!plan || state_.selected().size() < 2) return;
        const Spot leader = plan->sections.all[selected_section()].id;
        change(intention, [&](PaperChoice& c) {
            c.same_as = leader;
            c.facing = facing;
        });
        document_.change(intention, [&](Project& p) {
            change_sections(p, {leader}, [](PaperChoice& c) {
                c.same_as.reset();
                c.facing = false;
            });
        });
    };
    same_ = rule("Same", "All selected get whatever paper the first gets",
                 [follow] { follow("The same paper", false); });
    facing_ = rule("Mirrored", "The same paper, stripes slanting the other way",
                   [follow] { follow("Same paper, mirrored", true); });
    own_ = rule("No rules", "Lets them have papers of their own again", [this] {
        change("No rules", [](PaperChoice& c) {
            c.same_as.reset();
            c.facing = false;
            c.never.clear();
        });
    });
    r->addStretch(1);
}

void OpeningPart::build_pattern() {
    auto* r = row(QString());
    auto* slant = new QLabel("Slant", this);
    slant->setProperty("quiet", true);
    r->addWidget(slant);
    slant_ = new QLineEdit(this);
    slant_->setFixedWidth(theme::px(52));
    slant_->setObjectName("slant");
    slant_->setPlaceholderText("deg");
    slant_->setAccessibleName("Slant of the pattern in degrees, clockwise from level");
    slant_->setToolTip("Slant of the pattern in degrees, clockwise from level; empty for any");
    slant_->setValidator(new QDoubleValidator(-360, 360, 1, slant_));
    connect(slant_, &QLineEdit::editingFinished, this, [this] {
        const std::optional<double> deg =
            slant_->text().isEmpty() ? std::nullopt : std::optional(slant_->text().toDouble());
        change("Slant of the pattern", [&](PaperChoice& c) { c.pattern.slant_deg = deg; });
    });
    r->addWidget(slant_);
    run_on_ = new QPushButton("Run on", this);
    run_on_->setCheckable(true);
    run_on_->setProperty("segment", true);
    run_on_->setToolTip("The pattern runs on from patch to patch of the section");
    connect(run_on_, &QPushButton::clicked, this, [this](bool on) {
        change(on ? "Let the pattern run on" : "Let the pattern break under the bars",
               [&](PaperChoice& c) { c.pattern.run_on = on; });
    });
    r->addWidget(run_on_);
    move_ = new QPushButton("Move", this);
    move_->setCheckable(true);
    move_->setProperty("segment", true);
    move_->setObjectName("move-pattern");
    move_->setToolTip(
        "Drag the pattern in an opening, or push it with the arrow keys: the patch is cut where it "
        "looks like that");
    connect(move_, &QPushButton::clicked, this, [this](bool on) {
        state_.tools().take(on ? PageTools::Tool::MovePattern : PageTools::Tool::None);
    });
    r->addWidget(move_);
    plain_ = new QPushButton("Reset", this);
    plain_->setToolTip("Resets slant, tone, motif and running on");
    connect(plain_, &QPushButton::clicked, this,
            [this] { change("Reset the pattern", [](PaperChoice& c) { c.pattern = {}; }); });
    r->addWidget(plain_);
    r->addStretch(1);
}

int OpeningPart::selected_section() const {
    const Plan* plan = state_.plan();
    if (!plan || !plan->sections.cut || state_.selected().empty()) return -1;
    return plan->sections.of_opening[*state_.selected().begin()];
}

template <class Change> void OpeningPart::change(const QString& intention, Change apply) {
    const Plan* plan = state_.plan();
    if (!plan || !plan->sections.cut || state_.selected().empty() || state_.offers().shown()) return;
    std::vector<Spot> sections;
    for (int o : state_.selected()) sections.push_back(plan->sections.all[plan->sections.of_opening[o]].id);
    document_.change(intention, [&](Project& p) { change_sections(p, sections, apply); });
}

/// Worked out on the other thread: every paper is tried on its sheets.
void OpeningPart::ask_why(int section) {
    const quint64 number = ++*asked_;
    worker_.think(this,
                  [this, project = state_.plan()->of, section, number,
                   asked = asked_](Planner& planner) -> std::function<void()> {
                      const StopToken stop = [asked, number] { return *asked != number; };
                      if (stop()) return [] {};
                      auto why = planner.why(*project, section, stop);
                      if (!why) return [] {};
                      return [this, number, answer = std::make_shared<WhyPaper>(std::move(*why))] {
                          if (number == *asked_) show_others(answer.get());
                      };
                  });
}

void OpeningPart::show_others(const WhyPaper* why) {
    delete others_->layout();
    qDeleteAll(others_->findChildren<QWidget*>(QString(), Qt::FindDirectChildrenOnly));
    auto* rows = new QVBoxLayout(others_);
    rows->setContentsMargins(0, 2, 0, 0);
    rows->setSpacing(2);
    const auto stash = why ? state_.plan()->of->stash : nullptr;
    if (!stash) {
        why_->clear();
        return;
    }
    QStringList reasons;
    for (const std::string& r : why->reasons) reasons << words(r);
    why_->setText(reasons.isEmpty() ? QString() : "Why: " + reasons.join(", ") + ".");
    std::size_t shown = 0;
    for (const OtherPaper& other : why->others) {
        if (shown++ == others_shown) break;
        const Paper& info = stash->papers[other.face.paper];
        const QString name = words(brief_name_and_side(info, other.face.side));
        auto* b = new QPushButton(others_);
        auto* inside = new QHBoxLayout(b);
        inside->setContentsMargins(40, 0, 8, 0);
        auto* left = new QLabel(name, b);
        auto* right = new QLabel(words(other.words), b);
        right->setProperty("quiet", true);
        for (QLabel* l : {left, right}) l->setAttribute(Qt::WA_TransparentForMouseEvents);
        inside->addWidget(left);
        inside->addStretch(1);
        inside->addWidget(right);
        QPixmap sample(44, 36);
        QPainter painter(&sample);
        painter.scale(1.6, 1.6);
        painter.fillRect(QRectF(0, 0, 44, 36),
                         state_.textures()->brush(other.face.paper, {}, 1.6, other.face.side));
        painter.end();
        sample.setDevicePixelRatio(2);
        b->setIcon(sample);
        b->setIconSize({22, 18});
        b->setFixedHeight(theme::px(28));
        b->setProperty("quiet", true);
        b->setStyleSheet("text-align: left; padding: 3px 8px;");
        b->setEnabled(!other.never);
        b->setAccessibleName(QString("Give %1: %2").arg(name, words(other.words)));
        connect(b, &QPushButton::clicked, this,
                [this, id = words(info.id), side = other.face.side] { emit give(id, side); });
        rows->addWidget(b);
    }
}

void OpeningPart::refresh() {
    const Plan* plan = state_.plan();
    const int section = selected_section();
    const bool any = section >= 0;
    const bool free = any && !state_.offers().shown();
    lock_->setEnabled(false);
    lock_->setChecked(false);
    move_->setChecked(state_.tools().tool() == PageTools::Tool::MovePattern);
    for (QWidget* w : std::initializer_list<QWidget*>{never_, own_, slant_, run_on_, move_, plain_})
        w->setEnabled(free);
    for (QWidget* w : {same_, facing_}) w->setEnabled(free && state_.selected().size() > 1);
    if (!any) {
        ++*asked_;
        show_others(nullptr);
        selection_->setText("Nothing selected");
        has_->setText(plan && plan->papers.uses.empty()
                          ? "Add papers in the drawer: without paper there is nothing to choose."
                          : "Select openings to give them a paper, or drag one from the drawer.");
        return;
    }
    const int opening = *state_.selected().begin();
    const Section& s = plan->sections.all[section];
    const PaperChoice& choice = document_.project().match.choice(s.id);
    selection_->setText(state_.selected().size() == 1 ? QString("Opening %1").arg(opening + 1)
                                                      : QString("%1 openings").arg(state_.selected().size()));
    const int paper = plan->papers.of_section[section];
    QString has = !takes_paper(s.treatment)
                      ? (s.treatment == Treatment::Open ? "Left open: the base shows."
                                                        : "A photo goes behind it, no paper.")
                  : state_.selected().size() > 1 ? "Giving a paper gives it to all of them."
                                                 : about_opening(*plan->of, *plan, opening).section(": ", 1);
    if (choice.same_as)
        has += QString(" %1 %2.").arg(choice.facing ? "Has the mirrored paper of section"
                                                    : "Has the paper of section",
                                      QString::number(choice.same_as->opening + 1));
    if (!choice.never.empty()) has += " Ruled out: " + counted(choice.never.size(), "paper", "papers") + ".";
    has_->setText(has);
    never_->setEnabled(free && paper >= 0);
    lock_->setEnabled(paper >= 0 && !state_.offers().shown());
    lock_->setChecked(choice.locked);
    if (!slant_->hasFocus())
        slant_->setText(choice.pattern.slant_deg ? QString::number(*choice.pattern.slant_deg) : QString());
    run_on_->setChecked(choice.pattern.run_on);
    plain_->setEnabled(free && choice.pattern != PatternWish{});
    if (state_.offers().shown() || !takes_paper(s.treatment) || plan->papers.uses.empty()) {
        ++*asked_;
        show_others(nullptr);
    } else if (plan->sheets.done) {
        ask_why(section);
    }
}

} // namespace zesty
