#include "app/papers/propose_part.h"

#include "app/bench/pick_colour.h"
#include "app/bench/theme.h"
#include "app/bench/wording.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QProgressBar>
#include <QSlider>
#include <algorithm>
#include <cmath>

namespace zesty {

namespace {
constexpr std::pair<const char*, double> light_ends[] = {
    {"the top", -90},   {"the top right", -45},   {"the right", 0},  {"the bottom right", 45},
    {"the bottom", 90}, {"the bottom left", 135}, {"the left", 180}, {"the top left", -135}};
constexpr std::size_t most_zones = 5;
constexpr int whole_slider = 1000;
} // namespace

ProposePart::ProposePart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    auto* r = row(QString());
    propose_ = button(Act::Propose, "Propose papers", true);
    propose_->setObjectName("propose");
    propose_->setIcon(theme::icon("sparkles", Qt::white));
    r->addWidget(propose_);
    mood_ = new ChoiceBox<std::optional<Mood>>("What the proposals are to be like",
                                               {{"of each kind", std::nullopt}}, this);
    mood_->setObjectName("mood");
    mood_->setToolTip(mood_->accessibleName());
    for (const Mood mood : {Mood::WithPhoto, Mood::Quiet, Mood::Bold, Mood::Warm, Mood::Cool, Mood::FewPapers,
                            Mood::ManyPapers, Mood::ScrapsFirst, Mood::MoreDrift, Mood::MoreScatter})
        mood_->offer(name_of(mood), mood);
    r->addWidget(mood_, 1);
    doing_ = new QLabel(this);
    doing_->setProperty("quiet", true);
    column_->addWidget(doing_);
    doing_->hide();
    bar_ = new QProgressBar(this);
    bar_->setTextVisible(false);
    bar_->setRange(0, 100);
    bar_->setAccessibleName("Progress of the proposals");
    column_->addWidget(bar_);
    build_style();
    build_zones();
    build_offer();
    hint_ = line("hint");
    connect(&state, &BenchState::plan_changed, this, &ProposePart::refresh_if_shown);
    connect(&state.offers(), &Offers::changed, this, &ProposePart::refresh_if_shown);
    connect(&state, &BenchState::selection_changed, this, &ProposePart::refresh_if_shown);
    connect(&state.offers(), &Offers::compared_changed, this, &ProposePart::refresh_if_shown);
    show_proposing(false);
}

void ProposePart::build_style() {
    auto* r = row("Colours");
    r->addWidget(new QLabel("scatter", this));
    drift_ = new QSlider(Qt::Horizontal, this);
    drift_->setObjectName("drift");
    drift_->setRange(0, 100);
    drift_->setSingleStep(10);
    drift_->setMinimumHeight(theme::px(24));
    drift_->setAccessibleName("Scatter papers, or let light drift into dark");
    drift_->setToolTip("How a proposal spreads colours: scattered over the page, or each tone in its place");
    connect(drift_, &QSlider::sliderPressed, this, [this] { slide_number_ = document_.new_drag(); });
    connect(drift_, &QSlider::sliderReleased, this, [this] { slide_number_ = 0; });
    connect(drift_, &QSlider::valueChanged, this, [this](int v) {
        document_.change(
            "How colours are spread", [&](Project& p) { p.match.style.drift = v / 100.0; }, slide_number_);
    });
    r->addWidget(drift_, 1);
    r->addWidget(new QLabel("drift", this));
    r = row("Tones");
    map_ = new ChoiceBox<ToneMap>("What the tones follow when colours drift",
                                  {{"light to dark", ToneMap::Gradient},
                                   {"zones of colour", ToneMap::Zones},
                                   {"the base paper", ToneMap::Background}},
                                  this);
    map_->setObjectName("map");
    map_->on_choice(this, [this](ToneMap map) {
        document_.change("What tones follow", [&](Project& p) {
            p.match.style.map = map;
            if (p.match.style.map == ToneMap::Zones && p.match.style.zones.empty())
                p.match.style.zones = {{0xF0, 0xDC, 0xA8}, {0x5B, 0x8A, 0xA8}};
        });
    });
    r->addWidget(map_, 1);
    auto* from = new QLabel("from", this);
    from->setProperty("quiet", true);
    r->addWidget(from);
    light_ = new ChoiceBox<double>("Where the light end of the page is", this);
    for (const auto& [name, deg] : light_ends) light_->offer(name, deg);
    light_->on_choice(this, [this](double deg) {
        document_.change("Where the light end is", [&](Project& p) { p.match.style.light_deg = deg; });
    });
    r->addWidget(light_, 1);
}

void ProposePart::build_zones() {
    zones_ = new QWidget(this);
    zones_->setObjectName("zones");
    auto* r = new QHBoxLayout(zones_);
    r->setContentsMargins(0, 0, 0, 0);
    r->setSpacing(4);
    column_->addWidget(zones_);
}

/// One button for each band; a click changes its colour.
void ProposePart::show_zones() {
    const MatchStyle& style = document_.project().match.style;
    zones_->setVisible(style.map == ToneMap::Zones);
    if (style.map != ToneMap::Zones) return;
    qDeleteAll(zones_->findChildren<QWidget*>(QString(), Qt::FindDirectChildrenOnly));
    for (std::size_t z = 0; z < style.zones.size(); ++z) {
        auto* b = new QPushButton(zones_);
        b->setAccessibleName(QString("Colour of zone %1").arg(z + 1));
        b->setToolTip(QString("Zone %1, counted from the light end: click for another colour").arg(z + 1));
        b->setStyleSheet(
            QString("background: %1; min-height: 16px;").arg(words(format_colour(style.zones[z]))));
        connect(b, &QPushButton::clicked, this, [this, z] {
            const auto colour =
                pick_colour(this, document_.project().match.style.zones[z], "Colour of the zone");
            if (!colour) return;
            document_.change("Colour of a zone", [&](Project& p) { p.match.style.zones[z] = *colour; });
        });
        zones_->layout()->addWidget(b);
    }
    const auto step = [&](const QString& text, const QString& name, bool enabled, auto change) {
        auto* b = new QPushButton(text, zones_);
        b->setAccessibleName(name);
        b->setToolTip(name);
        b->setFixedWidth(theme::px(32));
        b->setEnabled(enabled);
        connect(b, &QPushButton::clicked, this, [this, name, change] {
            document_.change(name, [&](Project& p) { change(p.match.style.zones); });
        });
        zones_->layout()->addWidget(b);
    };
    step("-", "Remove a zone", style.zones.size() > 1, [](std::vector<Rgb>& z) { z.pop_back(); });
    step("+", "Add a zone", style.zones.size() < most_zones,
         [](std::vector<Rgb>& z) { z.push_back(z.back()); });
}

void ProposePart::build_offer() {
    offer_ = new QWidget(this);
    offer_->setObjectName("offer");
    offer_->setStyleSheet("#offer { background: #FFFEFB; border: 2px solid #E86A17; border-radius: 6px; }");
    auto* o = new QVBoxLayout(offer_);
    o->setContentsMargins(12, 10, 12, 10);
    o->setSpacing(8);
    offer_text_ = new QLabel(offer_);
    offer_text_->setWordWrap(true);
    o->addWidget(offer_text_);
    auto* choices = new QHBoxLayout;
    auto* take = button(Act::TakeProposal, "Take proposal", true);
    take->setObjectName("take");
    choices->addWidget(take);
    for_selection_ = button(Act::TakeForSelection, "For the selection");
    choices->addWidget(for_selection_);
    o->addLayout(choices);
    auto* ways = new QHBoxLayout;
    look_ = button(Act::SideBySide, "On the page");
    look_->setObjectName("look-closer");
    ways->addWidget(look_);
    ways->addWidget(button(Act::NextProposal, "Next"));
    auto* more = new QPushButton("More like it", offer_);
    more->setObjectName("more-like");
    more->setToolTip("Other ways to use the papers of this proposal");
    connect(more, &QPushButton::clicked, this, &ProposePart::more_like_shown);
    ways->addWidget(more);
    choices->addWidget(button(Act::Clear, "Discard"));
    ways->addStretch(1);
    o->addLayout(ways);
    auto* compared = new QHBoxLayout;
    with_ = new ChoiceBox<int>("What the proposal is compared with", offer_);
    with_->setObjectName("compare-with");
    with_->setMinimumWidth(theme::px(92));
    with_->on_choice(this, [this](int number) {
        state_.offers().compare_with(number);
        if (!state_.offers().compared_at()) compare_->setValue(whole_slider / 2);
    });
    compared->addWidget(with_);
    compare_ = new QSlider(Qt::Horizontal, offer_);
    compare_->setObjectName("compare");
    compare_->setRange(0, whole_slider);
    compare_->setSingleStep(whole_slider / 20);
    compare_->setMinimumHeight(theme::px(24));
    compare_->setAccessibleName("Compare across the page");
    compare_->setToolTip("Left of the line the proposal on show, right of it what it is compared with");
    connect(compare_, &QSlider::valueChanged, this, [this](int v) {
        state_.offers().show_side_by_side(false);
        state_.offers().compare_at(v == whole_slider ? std::nullopt
                                                     : std::optional(static_cast<double>(v) / whole_slider));
    });
    compared->addWidget(compare_, 1);
    o->addLayout(compared);
    column_->addWidget(offer_);
}

void ProposePart::show_proposing(bool on) {
    proposing_ = on;
    propose_->setText(on ? "Stop" : "Propose papers");
    bar_->setVisible(on);
    bar_->setValue(0);
    doing_->setText("");
    doing_->setVisible(on);
    refresh_if_shown();
}

void ProposePart::show_progress(double fraction, const QString& what) {
    if (!proposing_) return;
    bar_->setValue(static_cast<int>(100 * fraction));
    doing_->setText(what);
}

void ProposePart::show_offer() {
    const Offer* offer = state_.offers().shown();
    offer_->setVisible(offer != nullptr);
    if (!offer) return;
    QStringList lines;
    lines << QString("<b>Proposal %1 of %2, %3</b>")
                 .arg(state_.offers().number() + 1)
                 .arg(state_.offers().all().size())
                 .arg(offer->idea);
    // On the cards they stand below the pictures.
    if (!state_.offers().side_by_side()) lines << offer->reasons.join("; ").toHtmlEscaped() + ".";
    offer_text_->setText(lines.join("<br>"));
    look_->setText(state_.offers().side_by_side() ? "On the page" : "Side by side");
    look_->setEnabled(state_.offers().all().size() > 1 || state_.offers().side_by_side());
    for_selection_->setVisible(!state_.selected().empty());
    with_->offer({{"with now", -1}});
    for (int i = 0; i < static_cast<int>(state_.offers().all().size()); ++i)
        if (i != state_.offers().number()) with_->offer(QString("with %1").arg(i + 1), i);
    with_->show_value(state_.offers().compared_with_number());
    const QSignalBlocker quiet(compare_);
    compare_->setValue(
        static_cast<int>(std::lround(whole_slider * state_.offers().compared_at().value_or(1.0))));
}

void ProposePart::refresh() {
    const Plan* plan = state_.plan();
    const MatchStyle& style = document_.project().match.style;
    if (!drift_->isSliderDown()) {
        const QSignalBlocker quiet(drift_);
        drift_->setValue(static_cast<int>(std::lround(100 * style.drift)));
    }
    light_->show_value(style.light_deg);
    map_->show_value(style.map);
    light_->setEnabled(style.drift > 0 && style.map != ToneMap::Background);
    map_->setEnabled(style.drift > 0);
    show_zones();
    show_offer();
    hint_->setVisible(!state_.offers().shown());
    if (!plan || !plan->sections.cut)
        hint_->setText("Open a drawing and a stash first.");
    else if (plan->papers.uses.empty())
        hint_->setText("Add papers in the drawer: without paper there is nothing to choose.");
    else if (style.drift > 0 && style.map == ToneMap::Background &&
             document_.project().set_out.page.base_paper.empty())
        hint_->setText("Tones follow the picture of the base paper: choose one under Aims.");
    else
        hint_->setText("Several proposals are worked out, each proved to fit. What you gave by hand stays; "
                       "select openings to give them a paper yourself.");
}

} // namespace zesty
