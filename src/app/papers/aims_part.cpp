#include "app/papers/aims_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/stash/colour_words.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDoubleValidator>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QSlider>
#include <algorithm>
#include <array>
#include <cmath>

namespace zesty {

namespace {

struct Aim {
    const char* name;
    const char* says;
    double MatchWeights::*weight;
};
constexpr std::array aims{
    Aim{"Neighbours differ", "Papers side by side look different", &MatchWeights::differ},
    Aim{"Spread out", "Every paper all over the page, no colour too much in one spot", &MatchWeights::spread},
    Aim{"Pattern fits opening", "Large patterns in large openings, and stripes side by side the same way",
        &MatchWeights::pattern},
    Aim{"Stands out", "Papers stand out from the cut and the base", &MatchWeights::behind},
    Aim{"Clear of photo", "Papers beside a photo keep clear of its colours", &MatchWeights::photo},
    Aim{"Scraps first", "Scraps before sheets, few new sheets", &MatchWeights::thrift}};

} // namespace

AimsPart::AimsPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    build_weights();
    build_slants();
    build_hidden_stock();
    connect(&state, &BenchState::plan_changed, this, &AimsPart::refresh_if_shown);
}

void AimsPart::build_weights() {
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(10);
    grid->setVerticalSpacing(2);
    for (std::size_t i = 0; i < aims.size(); ++i) {
        auto* name = new QLabel(aims[i].name, this);
        auto* slider = new QSlider(Qt::Horizontal, this);
        slider->setObjectName(QString("aim%1").arg(i));
        slider->setRange(0, 200);
        slider->setSingleStep(20);
        slider->setMinimumHeight(theme::px(22));
        slider->setAccessibleName(aims[i].name);
        slider->setToolTip(
            QString("%1: left not at all, middle as usual, right twice as much").arg(aims[i].says));
        name->setToolTip(aims[i].says);
        connect(slider, &QSlider::sliderPressed, this, [this] { slide_number_ = document_.new_drag(); });
        connect(slider, &QSlider::sliderReleased, this, [this] { slide_number_ = 0; });
        connect(slider, &QSlider::valueChanged, this, [this, i](int v) {
            document_.change(
                QString("How much counts: %1").arg(aims[i].name),
                [&](Project& p) { p.match.style.weights.*aims[i].weight = v / 100.0; }, slide_number_);
        });
        grid->addWidget(name, static_cast<int>(i), 0);
        grid->addWidget(slider, static_cast<int>(i), 1);
        weights_.push_back(slider);
    }
    column_->addLayout(grid);
}

void AimsPart::build_slants() {
    auto* r = row("Stripes");
    rule_ = new ChoiceBox<SlantRule>("How stripes slant on the page",
                                     {{"as they fit", SlantRule::AsTheyFit},
                                      {"all at one slant", SlantRule::Parallel},
                                      {"facing in mirrored cuts", SlantRule::Facing}},
                                     this);
    rule_->setObjectName("slants");
    rule_->on_choice(this, [this](SlantRule rule) {
        document_.change("How stripes slant", [&](Project& p) { p.match.slants.rule = rule; });
    });
    r->addWidget(rule_, 1);
    angle_ = new QLineEdit(this);
    angle_->setFixedWidth(theme::px(52));
    angle_->setAccessibleName("Slant of stripes in degrees, clockwise from level");
    angle_->setToolTip("Degrees, clockwise from level");
    angle_->setValidator(new QDoubleValidator(-360, 360, 1, angle_));
    connect(angle_, &QLineEdit::editingFinished, this, [this] {
        document_.change("Slant of stripes",
                         [&](Project& p) { p.match.slants.angle_deg = angle_->text().toDouble(); });
    });
    r->addWidget(angle_);
}

void AimsPart::build_hidden_stock() {
    const auto chooser = [&](const QString& name, const QString& says, auto set) {
        auto* r = row(name);
        auto* box = new ChoiceBox<std::string>(says, this);
        box->setToolTip(says);
        box->on_choice(this, [this, says, set](const std::string& id) {
            document_.change(says, [&](Project& p) { set(p, id); });
        });
        r->addWidget(box, 1);
        return box;
    };
    base_ = chooser("Base of", "Paper of the base",
                    [](Project& p, const std::string& id) { p.set_out.page.base_paper = id; });
    cut_ = chooser("Cut of", "Paper the cut in hand is made of", [this](Project& p, const std::string& id) {
        if (PlacedCut* cut = state_.in_hand().placed(p)) cut->paper = id;
    });
    auto* colours = row("Colours");
    const auto colour = [&](const QString& hint, const QString& says, std::optional<Rgb> PlacedCut::*of) {
        auto* edit = new QLineEdit(this);
        edit->setPlaceholderText(hint);
        edit->setAccessibleName(says);
        edit->setToolTip(says + ": in words, such as dark brown, or #rrggbb; empty for none");
        connect(edit, &QLineEdit::editingFinished, this, [this, edit, says, of] {
            const auto typed = colour_called(edit->text().trimmed().toStdString());
            const bool none = edit->text().trimmed().isEmpty();
            edit->setStyleSheet(typed || none ? "" : "border: 1px solid #B02A4B;");
            if (!typed && !none) return;
            // What is shown in words is not set anew to what the words mean.
            const int cut = state_.in_hand().cut(document_.project());
            const auto now =
                cut < 0 ? std::nullopt : document_.project().set_out.cuts[static_cast<std::size_t>(cut)].*of;
            if (now && edit->text() == words(colour_words(*now))) return;
            document_.change(says, [&](Project& p) {
                if (PlacedCut* placed = state_.in_hand().placed(p)) placed->*of = typed;
            });
        });
        colours->addWidget(edit, 1);
        return edit;
    };
    cut_colour_ = colour("the cut", "Colour of the cut, where it is not from the stash", &PlacedCut::colour);
    edge_colour_ = colour("its edges", "Edges of the cut coloured by hand", &PlacedCut::edge);
    const auto box = [&](const QString& text, const QString& says, auto set) {
        auto* check = new QCheckBox(text, this);
        check->setToolTip(says);
        connect(check, &QCheckBox::clicked, this,
                [this, says, set](bool on) { document_.change(says, [&](Project& p) { set(p, on); }); });
        column_->addWidget(check);
        return check;
    };
    gut_ = box("Use the middle of the frame", "Cut the middle out of the frame and use it",
               [](Project& p, bool on) { p.set_out.page.gut = on; });
    under_photos_ = box("Use the base under photos", "Cut what photos hide out of the base and use it",
                        [](Project& p, bool on) { p.set_out.page.under_photos = on; });
}

void AimsPart::refresh() {
    const Project& project = document_.project();
    for (std::size_t i = 0; i < aims.size(); ++i) {
        if (weights_[i]->isSliderDown()) continue;
        const QSignalBlocker quiet(weights_[i]);
        weights_[i]->setValue(
            static_cast<int>(std::lround(100 * (project.match.style.weights.*aims[i].weight))));
    }
    rule_->show_value(project.match.slants.rule);
    if (!angle_->hasFocus()) angle_->setText(QString::number(project.match.slants.angle_deg));
    angle_->setEnabled(project.match.slants.rule != SlantRule::AsTheyFit);
    const int cut = state_.in_hand().cut(project);
    for (const auto& [box, now] :
         {std::pair{base_, project.set_out.page.base_paper},
          std::pair{cut_, cut < 0 ? std::string() : project.set_out.cuts[cut].paper}}) {
        box->offer({{"a paper not in the drawer", ""}});
        if (project.stash)
            for (const Paper& p : project.stash->papers) box->offer(words(p.name), p.id);
        box->show_value(now);
    }
    cut_->setEnabled(cut >= 0);
    for (const auto& [edit, of] :
         {std::pair{cut_colour_, &PlacedCut::colour}, std::pair{edge_colour_, &PlacedCut::edge}}) {
        edit->setEnabled(cut >= 0);
        const auto now = cut < 0 ? std::nullopt : project.set_out.cuts[static_cast<std::size_t>(cut)].*of;
        if (!edit->hasFocus()) edit->setText(now ? words(colour_words(*now)) : QString());
    }
    gut_->setChecked(project.set_out.page.gut);
    gut_->setEnabled(project.set_out.page.framed() && project.set_out.page.frame == FrameKind::Whole);
    under_photos_->setChecked(project.set_out.page.under_photos);
    under_photos_->setEnabled(!project.set_out.page.base_paper.empty());
}

} // namespace zesty
