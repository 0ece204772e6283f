#include "app/papers_panel.h"

#include "app/theme.h"
#include "app/wording.h"

#include <QComboBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QPainter>
#include <QProgressBar>
#include <QSlider>
#include <algorithm>
#include <cmath>

namespace zesty {

namespace {
constexpr std::pair<const char*, double> light_ends[] = {
    {"the top", -90},   {"the top right", -45},   {"the right", 0},  {"the bottom right", 45},
    {"the bottom", 90}, {"the bottom left", 135}, {"the left", 180}, {"the top left", -135}};
} // namespace

PapersPanel::PapersPanel(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : Panel("Which paper where?", document, state, actions, parent) {
    auto* r = row(QString());
    propose_ = button(Act::Propose, "Propose papers", true);
    propose_->setObjectName("propose");
    propose_->setIcon(theme::icon("sparkles", Qt::white));
    r->addWidget(propose_);
    doing_ = new QLabel(this);
    doing_->setProperty("quiet", true);
    r->addWidget(doing_, 1);
    bar_ = new QProgressBar(this);
    bar_->setTextVisible(false);
    bar_->setRange(0, 100);
    bar_->setAccessibleName("Progress of the proposal");
    column_->addWidget(bar_);

    build_style();

    offer_ = new QWidget(this);
    offer_->setObjectName("offer");
    offer_->setStyleSheet("#offer { background: #FFFEFB; border: 2px solid #E86A17; border-radius: 6px; }");
    auto* o = new QVBoxLayout(offer_);
    o->setContentsMargins(12, 10, 12, 10);
    offer_text_ = new QLabel(offer_);
    offer_text_->setWordWrap(true);
    o->addWidget(offer_text_);
    auto* choices = new QHBoxLayout;
    auto* take = button(Act::TakeProposal, "Take it", true);
    take->setObjectName("take");
    choices->addWidget(take);
    choices->addWidget(button(Act::Clear, "Put it back"));
    choices->addStretch(1);
    o->addLayout(choices);
    column_->addWidget(offer_);

    column_->addSpacing(4);
    selection_ = new QLabel(this);
    selection_->setProperty("strong", true);
    column_->addWidget(selection_);
    has_ = line("has");
    r = row(QString());
    r->addWidget(button(Act::Give, "Give picked paper"));
    r->addWidget(button(Act::TakeAway, "Take away"));
    lock_ = new QPushButton("Keep", this);
    lock_->setCheckable(true);
    lock_->setProperty("segment", true);
    lock_->setAccessibleName("Keep this paper when proposing");
    lock_->setToolTip("Keep this paper when proposing: what you give by hand is kept");
    connect(lock_, &QPushButton::clicked, this, &PapersPanel::lock_changed);
    r->addWidget(lock_);
    r->addStretch(1);
    others_ = new QWidget(this);
    column_->addWidget(others_);
    connect(&state, &BenchState::plan_changed, this, &PapersPanel::refresh_if_shown);
    connect(&state, &BenchState::offer_changed, this, &PapersPanel::refresh_if_shown);
    connect(&state, &BenchState::selection_changed, this, &PapersPanel::refresh_if_shown);
    show_proposing(false);
}

void PapersPanel::build_style() {
    auto* r = row("Colours");
    r->addWidget(new QLabel("scatter", this));
    drift_ = new QSlider(Qt::Horizontal, this);
    drift_->setRange(0, 100);
    drift_->setSingleStep(10);
    drift_->setMinimumHeight(24);
    drift_->setAccessibleName("Scatter papers, or let light drift into dark");
    drift_->setToolTip("How a proposal spreads colours: scattered over the page, or from light to dark");
    connect(drift_, &QSlider::sliderPressed, this, [this] { slide_number_ = document_.new_drag(); });
    connect(drift_, &QSlider::sliderReleased, this, [this] { slide_number_ = 0; });
    connect(drift_, &QSlider::valueChanged, this, [this](int v) {
        document_.change(
            "How colours are spread", [&](Project& p) { p.style.drift = v / 100.0; }, slide_number_);
    });
    r->addWidget(drift_, 1);
    r->addWidget(new QLabel("drift", this));
    r = row("Light at");
    light_ = new QComboBox(this);
    light_->setAccessibleName("Where the light end of the page is");
    for (const auto& [name, deg] : light_ends) light_->addItem(name, deg);
    connect(light_, &QComboBox::currentIndexChanged, this, [this](int i) {
        document_.change("Where the light end is",
                         [&](Project& p) { p.style.light_deg = light_->itemData(i).toDouble(); });
    });
    r->addWidget(light_, 1);
}

void PapersPanel::show_proposing(bool on) {
    proposing_ = on;
    propose_->setText(on ? "Stop" : "Propose papers");
    bar_->setVisible(on);
    bar_->setValue(0);
    doing_->setText("");
    refresh_if_shown();
}

void PapersPanel::show_progress(double fraction, const QString& what) {
    if (!proposing_) return;
    bar_->setValue(static_cast<int>(100 * fraction));
    doing_->setText(what);
}

/// Other papers for the section, those that would touch no copy of themselves first.
void PapersPanel::refresh_others(const Plan& plan, int section) {
    delete others_->layout();
    qDeleteAll(others_->findChildren<QWidget*>(QString(), Qt::FindDirectChildrenOnly));
    auto* grid = new QGridLayout(others_);
    grid->setContentsMargins(0, 2, 0, 0);
    grid->setSpacing(4);
    const auto& stash = document_.project().stash;
    if (section < 0 || !stash) return;
    const auto beside = [&](int paper) {
        return std::any_of(plan.neighbours.begin(), plan.neighbours.end(), [&](const Neighbours& n) {
            return (n.a == section && plan.paper_of_section[n.b] == paper) ||
                   (n.b == section && plan.paper_of_section[n.a] == paper);
        });
    };
    std::vector<int> papers;
    for (int p = 0; p < static_cast<int>(stash->papers.size()); ++p)
        if (p != plan.paper_of_section[section]) papers.push_back(p);
    std::stable_sort(papers.begin(), papers.end(), [&](int a, int b) { return beside(a) < beside(b); });
    for (std::size_t i = 0; i < papers.size() && i < 8; ++i) {
        const int paper = papers[i];
        const Paper& info = stash->papers[paper];
        auto* b = new QPushButton(words(info.name), others_);
        QPixmap sample(36, 36);
        QPainter painter(&sample);
        painter.scale(1.6, 1.6);
        painter.fillRect(QRectF(0, 0, 36, 36), state_.textures().brush(paper, {}, 1.6));
        painter.end();
        sample.setDevicePixelRatio(2);
        b->setIcon(sample);
        b->setProperty("quiet", true);
        b->setStyleSheet(
            QString("text-align: left; padding: 3px 6px;%1").arg(beside(paper) ? "color:#B02A4B;" : ""));
        b->setToolTip(beside(paper) ? "A neighbour already has it" : "No neighbour has it");
        b->setAccessibleName("Give " + words(info.name) + (beside(paper) ? ", a neighbour has it" : ""));
        connect(b, &QPushButton::clicked, this, [this, id = words(info.id)] { emit give(id); });
        grid->addWidget(b, static_cast<int>(i) / 2, static_cast<int>(i) % 2);
    }
}

void PapersPanel::refresh() {
    const Plan* plan = state_.plan();
    const MatchStyle& style = document_.project().style;
    if (!drift_->isSliderDown()) {
        const QSignalBlocker quiet(drift_);
        drift_->setValue(static_cast<int>(std::lround(100 * style.drift)));
    }
    {
        const QSignalBlocker quiet(light_);
        light_->setCurrentIndex(std::max(0, light_->findData(style.light_deg)));
    }
    light_->setEnabled(style.drift > 0);
    offer_->setVisible(state_.offer().has_value());
    if (!plan || !plan->cut) {
        selection_->setText("");
        has_->setText("Open a drawing and a stash first.");
        return;
    }
    if (state_.offer()) {
        const std::size_t shorts = plan->short_patches.size();
        offer_text_->setText(QString("<b>A proposal is on the page.</b> %1; %2; %3.")
                                 .arg(price(*plan),
                                      shorts ? counted(shorts, "patch is short", "patches are short")
                                             : QString("every patch fits"),
                                      plan->alike.empty()
                                          ? QString("no neighbours alike")
                                          : counted(plan->alike.size(), "pair alike", "pairs alike")));
    }
    lock_->setEnabled(false);
    lock_->setChecked(false);
    if (state_.selected().empty()) {
        selection_->setText("Nothing selected");
        has_->setText(plan->papers.empty()
                          ? "Open a stash in the drawer: without paper there is nothing to choose."
                          : "Select openings to give them a paper, or drag one from the drawer.");
        refresh_others(*plan, -1);
        return;
    }
    const int opening = *state_.selected().begin();
    const int section = plan->section_of_opening[opening];
    const Section& s = plan->sections[section];
    selection_->setText(state_.selected().size() == 1 ? QString("Opening %1").arg(opening + 1)
                                                      : QString("%1 openings").arg(state_.selected().size()));
    const int paper = plan->paper_of_section[section];
    const Project& project = state_.offer() ? state_.offer()->project : document_.project();
    has_->setText(!takes_paper(s.treatment)
                      ? (s.treatment == Treatment::Open ? "Left open: the base shows."
                                                        : "A print goes behind it, no paper.")
                  : state_.selected().size() > 1 ? "Giving a paper gives it to all of them."
                                                 : about_opening(project, *plan, opening).section(": ", 1));
    lock_->setEnabled(paper >= 0 && !state_.offer());
    lock_->setChecked(s.locked);
    refresh_others(*plan, state_.offer() || !takes_paper(s.treatment) ? -1 : section);
}

} // namespace zesty
