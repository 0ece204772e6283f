#include "app/set_out_panel.h"

#include "app/theme.h"
#include "app/wording.h"
#include "core/geometry/lengths.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QSlider>

namespace zesty {

namespace {

struct NamedPage {
    const char* name;
    double width;
    double height;
};
constexpr NamedPage pages[] = {
    {"12 x 12", 304.8, 304.8}, {"8.5 x 11", 215.9, 279.4}, {"6 x 12", 152.4, 304.8}};

/// Drag numbers of sliders; the page's own count up from 1.
int next_slide = 1'000'000;

} // namespace

SetOutPanel::SetOutPanel(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : Panel("How large?", document, state, actions, parent) {
    build_cut();
    column_->addSpacing(6);
    build_page();
    connect(&state, &BenchState::plan_changed, this, &SetOutPanel::refresh_if_shown);
    connect(&state, &BenchState::in_hand_changed, this, &SetOutPanel::refresh_if_shown);
    connect(&document, &Document::project_changed, this, &SetOutPanel::refresh_if_shown);
}

void SetOutPanel::build_page() {
    auto* r = row("Page");
    pages_ = new Segments("Page", {pages[0].name, pages[1].name, pages[2].name}, this);
    connect(pages_, &Segments::chosen, this, [this](int i) {
        document_.change("Choose the page", [&](Project& p) {
            p.page.width = pages[i].width;
            p.page.height = pages[i].height;
        });
    });
    r->addWidget(pages_, 1);
    r = row("");
    page_width_ = new LengthEdit("Width of the page", 10, 3000, this);
    page_height_ = new LengthEdit("Height of the page", 10, 3000, this);
    connect(page_width_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Width of the page", [&](Project& p) { p.page.width = mm; });
    });
    connect(page_height_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Height of the page", [&](Project& p) { p.page.height = mm; });
    });
    r->addWidget(page_width_);
    r->addWidget(new QLabel("x", this));
    r->addWidget(page_height_);
    r = row("Frame");
    reveal_ = new LengthEdit("Reveal of the frame", 0, 1000, this);
    connect(reveal_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Reveal of the frame", [&](Project& p) { p.page.reveal = Sides::even(mm); });
    });
    r->addWidget(reveal_);
    auto* shows = new QLabel("shows round the base", this);
    shows->setProperty("quiet", true);
    r->addWidget(shows, 1);
    base_ = line("base");
}

void SetOutPanel::build_cut() {
    auto* r = row("Size by");
    rule_ = new Segments("Size by", {"Border", "Width", "Height"}, this);
    connect(rule_, &Segments::chosen, this, &SetOutPanel::choose_rule);
    r->addWidget(rule_, 1);
    r = row("");
    length_ = new LengthEdit("Border, width or height", -3000, 3000, this);
    length_->setObjectName("length");
    length_->setFixedWidth(104);
    connect(length_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Size the cut", [&](Project& p) {
            if (PlacedCut* c = state_.in_hand(p)) c->place.length = mm;
        });
    });
    r->addWidget(length_);
    slider_ = new QSlider(Qt::Horizontal, this);
    slider_->setAccessibleName("Size of the cut");
    slider_->setToolTip("Size of the cut");
    slider_->setRange(10, 400);
    slider_->setMinimumHeight(24);
    slider_->setObjectName("size");
    connect(slider_, &QSlider::sliderPressed, this, [this] { slide_number_ = next_slide++; });
    connect(slider_, &QSlider::sliderReleased, this, [this] { slide_number_ = 0; });
    connect(slider_, &QSlider::valueChanged, this, &SetOutPanel::slide);
    r->addWidget(slider_, 1);
    facts_ = new QLabel(this);
    facts_->setObjectName("facts");
    facts_->setTextFormat(Qt::RichText);
    column_->addWidget(facts_);
    r = row("Turn");
    turn_ = new QLineEdit(this);
    turn_->setAccessibleName("Turn in degrees");
    turn_->setToolTip("Turn of the cut in degrees, clockwise");
    turn_->setFixedWidth(58);
    connect(turn_, &QLineEdit::editingFinished, this, [this] {
        bool good = false;
        const double deg = turn_->text().remove("deg").trimmed().toDouble(&good);
        if (good)
            document_.change("Turn the cut", [&](Project& p) {
                if (PlacedCut* c = state_.in_hand(p)) c->place.turn_deg = std::remainder(deg, 360.0);
            });
        refresh();
    });
    r->addWidget(turn_);
    r->addWidget(button(Act::TurnLeft, "-15"));
    r->addWidget(button(Act::TurnRight, "+15"));
    r->addWidget(button(Act::Centre, "Middle"));
    r->addStretch(1);
    r = row("");
    mirrored_ = new QCheckBox("Mirrored, left to right", this);
    connect(mirrored_, &QCheckBox::clicked, actions_[Act::Mirror], &QAction::trigger);
    mirrored_->setToolTip(actions_[Act::Mirror]->toolTip());
    r->addWidget(mirrored_, 1);
}

void SetOutPanel::choose_rule(int index) {
    const SetOut* in_hand = state_.set_out_in_hand(document_.project());
    if (!in_hand) return;
    const Box b = in_hand->cut_box;
    document_.change("Size the cut by something else", [&](Project& p) {
        PlacedCut* c = state_.in_hand(p);
        if (!c) return;
        c->place.rule = static_cast<SizeRule>(index);
        const double border = std::min(p.page.full_width() - b.width(), p.page.height - b.height()) / 2;
        c->place.length = index == 0 ? border : index == 1 ? b.width() : b.height();
    });
}

void SetOutPanel::slide(int value) {
    const SetOut* in_hand = state_.set_out_in_hand(document_.project());
    if (!in_hand) return;
    const Box b = in_hand->cut_box;
    const double factor = value / std::max(b.width(), b.height());
    document_.change(
        "Size the cut",
        [&](Project& p) {
            PlacedCut* c = state_.in_hand(p);
            if (!c) return;
            if (c->place.rule == SizeRule::Margin) {
                // The border that gives that size.
                const Box box{0, 0, b.width() * factor, b.height() * factor};
                c->place.length =
                    std::min(p.page.full_width() - box.width(), p.page.height - box.height()) / 2;
            } else {
                c->place.length = (c->place.rule == SizeRule::Width ? b.width() : b.height()) * factor;
            }
        },
        slide_number_);
}

void SetOutPanel::refresh() {
    const Project& p = document_.project();
    int named = -1;
    for (int i = 0; i < 3; ++i)
        if (std::abs(p.page.width - pages[i].width) < 0.05 &&
            std::abs(p.page.height - pages[i].height) < 0.05)
            named = i;
    pages_->show_choice(named);
    page_width_->show_length(p.page.width, p.units);
    page_height_->show_length(p.page.height, p.units);
    reveal_->show_length(p.page.reveal.most(), p.units);
    base_->setText(about_base(p));
    const int i = state_.cut_in_hand(p);
    const CutPlacement place = i < 0 ? CutPlacement{} : p.cuts[i].place;
    rule_->show_choice(static_cast<int>(place.rule));
    length_->show_length(place.length, p.units);
    turn_->setText(QString::number(place.turn_deg, 'g', 5) + " deg");
    mirrored_->setChecked(place.mirrored);
    const SetOut* in_hand = state_.set_out_in_hand(p);
    const bool cut = in_hand != nullptr;
    for (QWidget* w : std::initializer_list<QWidget*>{rule_, length_, slider_, turn_, mirrored_})
        w->setEnabled(cut);
    if (!cut) {
        facts_->setText("<span style='color:#6B6670'>Open a drawing to see what its size does.</span>");
        return;
    }
    const SetOut& s = *in_hand;
    if (!slider_->isSliderDown()) {
        const QSignalBlocker quiet(slider_);
        slider_->setValue(static_cast<int>(std::lround(std::max(s.cut_box.width(), s.cut_box.height()))));
    }
    QString text =
        QString("<table cellspacing='0' cellpadding='1'><tr><td style='color:#6B6670'>Cut&nbsp;&nbsp;</td>"
                "<td><b>%1</b></td></tr>")
            .arg(words(format_size(s.size.x, s.size.y, p.units)));
    const auto fact = [&](const QString& name, const QString& value) {
        text += QString("<tr><td style='color:#6B6670'>%1&nbsp;&nbsp;</td><td>%2</td></tr>").arg(name, value);
    };
    if (std::isfinite(s.thinnest_bar))
        fact("Thinnest bar", "<b>" + words(format_mm(s.thinnest_bar)) + "</b>");
    if (s.smallest >= 0)
        fact("Smallest opening", QString("<b>%1</b> across, number %2")
                                     .arg(words(format_mm(s.smallest_opening)))
                                     .arg(s.smallest + 1));
    fact("Blade travels", words(format_length(s.cut_length, p.units)));
    facts_->setText(text + "</table>");
}

} // namespace zesty
