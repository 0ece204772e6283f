#include "app/setout/cuts_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/setout/sizing.h"

#include <QCheckBox>
#include <QFrame>
#include <QHBoxLayout>
#include <QSlider>
#include <algorithm>

namespace zesty {

CutsPart::CutsPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    build_question();
    build_list();
    build_size();
    build_turn();
    connect(&state, &BenchState::plan_changed, this, &CutsPart::refresh_if_shown);
    connect(&state.in_hand(), &InHand::changed, this, &CutsPart::refresh_if_shown);
    connect(&document, &Document::project_changed, this, &CutsPart::refresh_if_shown);
}

void CutsPart::build_question() {
    question_ = new QFrame(this);
    question_->setObjectName("ask-size");
    question_->setStyleSheet(
        "QFrame#ask-size { background: #FFFEFB; border: 1px solid #E0A800; border-radius: 6px; }");
    auto* column = new QVBoxLayout(question_);
    column->setContentsMargins(10, 8, 10, 8);
    question_says_ = new WrappedLabel(question_);
    column->addWidget(question_says_);
    auto* r = new QHBoxLayout;
    r->addWidget(new QLabel("Longer side", question_));
    size_answer_ =
        new LengthEdit("How long the cut is on its longer side", least_cut, greatest_cut, question_);
    size_answer_->setFixedWidth(theme::px(92));
    connect(size_answer_, &LengthEdit::length_entered, this, &CutsPart::answer_size);
    r->addWidget(size_answer_);
    auto* leave = new QPushButton("Fill the page", question_);
    leave->setToolTip("Leaves the cut as large as the page allows with its border");
    connect(leave, &QPushButton::clicked, this, [this] {
        asks_about_ = -1;
        refresh_question();
    });
    r->addWidget(leave, 1);
    column->addLayout(r);
    question_->hide();
    column_->addWidget(question_);
}

void CutsPart::ask_size(int cut_id) {
    asks_about_ = cut_id;
    refresh_question();
    size_answer_->setFocus();
    size_answer_->selectAll();
}

void CutsPart::answer_size(double longer_side) {
    const SetOut* now = state_.set_out_in_hand(document_.project());
    if (asks_about_ < 0 || !now) return;
    document_.change("Say how large the cut is", [&](Project& p) {
        PlacedCut* c = state_.in_hand().placed(p);
        if (!c || c->id != asks_about_) return;
        c->place.rule = now->size.x >= now->size.y ? SizeRule::Width : SizeRule::Height;
        c->place =
            resized(c->place, *now, p.set_out.page, longer_side / std::max({now->size.x, now->size.y, 1e-9}));
    });
    asks_about_ = -1;
    refresh_question();
}

void CutsPart::refresh_question() {
    const Project& p = document_.project();
    const int i = state_.in_hand().cut(p);
    const bool asks = i >= 0 && p.set_out.cuts[static_cast<std::size_t>(i)].id == asks_about_;
    question_->setVisible(asks);
    if (!asks) return;
    const PlacedCut& cut = p.set_out.cuts[static_cast<std::size_t>(i)];
    question_says_->setText(
        "How large is <b>" +
        words(p.set_out.drawings[static_cast<std::size_t>(cut.drawing)]->name).toHtmlEscaped() +
        "</b>? Its file does not say.");
    if (const SetOut* now = state_.set_out_in_hand(p); now)
        size_answer_->show_length(std::max(now->size.x, now->size.y), p.units);
}

void CutsPart::build_list() {
    auto* head = new QHBoxLayout;
    which_ = new QLabel(this);
    which_->setProperty("strong", true);
    which_->setObjectName("cut");
    which_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    head->addWidget(which_, 1);
    head->addWidget(button(Act::NextInHand, "Next"));
    column_->addLayout(head);
    auto* r = row(QString());
    r->addWidget(button(Act::AddCut, "Add"));
    r->addWidget(button(Act::CopyCut, "Copy"));
    r->addWidget(button(Act::FaceCut, "Mirrored copy"));
    r = row(QString());
    auto* pieces = new QPushButton("Parts of it...", this);
    pieces->setToolTip("Which pieces and layers are used, whether they are cut from papers, and the shadow");
    connect(pieces, &QPushButton::clicked, this, &CutsPart::pieces_wanted);
    r->addWidget(pieces);
    r->addWidget(button(Act::TakeOff, "Remove from page"));
    r->addStretch(1);
}

void CutsPart::build_size() {
    auto* r = row("Size by");
    rule_ = new ChoiceRow<SizeRule>("Size by",
                                    {{"Border", SizeRule::Margin},
                                     {"Width", SizeRule::Width},
                                     {"Height", SizeRule::Height},
                                     {"Frame", SizeRule::Frame}},
                                    this);
    rule_->on_choice(this, [this](SizeRule rule) { choose_rule(rule); });
    r->addWidget(rule_, 1);
    r = row("");
    length_ = new LengthEdit("Border, width, height or gap to the frame", -3000, 3000, this);
    length_->setObjectName("length");
    length_->setFixedWidth(theme::px(104));
    connect(length_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Size the cut", [&](Project& p) {
            if (PlacedCut* c = state_.in_hand().placed(p)) c->place = sized(c->place, c->place.rule, mm);
        });
    });
    r->addWidget(length_);
    slider_ = new QSlider(Qt::Horizontal, this);
    slider_->setAccessibleName("Size of the cut");
    slider_->setToolTip("Size of the cut");
    slider_->setRange(10, 400);
    slider_->setMinimumHeight(theme::px(24));
    slider_->setObjectName("size");
    connect(slider_, &QSlider::sliderPressed, this, [this] { slide_number_ = document_.new_drag(); });
    connect(slider_, &QSlider::sliderReleased, this, [this] { slide_number_ = 0; });
    connect(slider_, &QSlider::valueChanged, this, &CutsPart::slide);
    r->addWidget(slider_, 1);
    facts_ = new QLabel(this);
    facts_->setObjectName("facts");
    facts_->setTextFormat(Qt::RichText);
    column_->addWidget(facts_);
}

void CutsPart::build_turn() {
    auto* r = row("Turn");
    turn_ = new QLineEdit(this);
    turn_->setAccessibleName("Turn in degrees");
    turn_->setToolTip("Turn of the cut in degrees, clockwise");
    turn_->setFixedWidth(theme::px(58));
    connect(turn_, &QLineEdit::editingFinished, this, [this] {
        bool good = false;
        const double deg = turn_->text().remove("deg").trimmed().toDouble(&good);
        if (good)
            document_.change("Turn the cut", [&](Project& p) {
                if (PlacedCut* c = state_.in_hand().placed(p)) c->place.turn_deg = std::remainder(deg, 360.0);
            });
        refresh();
    });
    r->addWidget(turn_);
    r->addWidget(button(Act::TurnLeft, "-15"));
    r->addWidget(button(Act::TurnRight, "+15"));
    r->addWidget(button(Act::Centre, "Middle"));
    r->addStretch(1);
    r = row("Middle at");
    x_ = place("Middle of the cut, from the left", &Point::x);
    y_ = place("Middle of the cut, from the top", &Point::y);
    r->addWidget(x_);
    r->addWidget(y_);
    r->addStretch(1);
    r = row("");
    mirrored_ = new QCheckBox("Mirrored, left to right", this);
    connect(mirrored_, &QCheckBox::clicked, actions_[Act::Mirror], &QAction::trigger);
    mirrored_->setToolTip(actions_[Act::Mirror]->toolTip());
    r->addWidget(mirrored_, 1);
    r = row("Scan");
    scan_ = new LengthEdit("Side of the square beside the scanned cut", scan_square_limits.least,
                           scan_square_limits.most, this);
    scan_->setFixedWidth(theme::px(76));
    connect(scan_, &LengthEdit::length_entered, this, [this](double mm) {
        document_.change("Square beside a scan", [&](Project& p) { p.set_out.usual.scan_square = mm; });
    });
    r->addWidget(scan_);
    auto* beside = new QLabel("square", this);
    beside->setProperty("quiet", true);
    r->addWidget(beside, 1);
    r->addWidget(button(Act::AddScan, "Add scan"));
}

LengthEdit* CutsPart::place(const char* name, double Point::*way) {
    auto* edit = new LengthEdit(name, place_limits.least, place_limits.most, this);
    edit->setToolTip(name);
    edit->setFixedWidth(theme::px(92));
    connect(edit, &LengthEdit::length_entered, this, [this, way](double mm) {
        const SetOut* now = state_.set_out_in_hand(document_.project());
        if (!now) return;
        const Point middle = now->cut_box.centre();
        document_.change("Move the cut", [&](Project& p) {
            if (PlacedCut* c = state_.in_hand().placed(p)) c->place.shift.*way += mm - middle.*way;
        });
    });
    return edit;
}

void CutsPart::choose_rule(SizeRule rule) {
    const SetOut* in_hand = state_.set_out_in_hand(document_.project());
    if (!in_hand) return;
    document_.change("Size the cut by something else", [&](Project& p) {
        PlacedCut* c = state_.in_hand().placed(p);
        if (!c) return;
        c->place.rule = rule;
        c->place = resized(c->place, *in_hand, p.set_out.page, 1);
    });
}

void CutsPart::slide(int value) {
    const SetOut* in_hand = state_.set_out_in_hand(document_.project());
    if (!in_hand) return;
    const double factor = value / std::max(in_hand->size.x, in_hand->size.y);
    document_.change(
        "Size the cut",
        [&](Project& p) {
            if (PlacedCut* c = state_.in_hand().placed(p))
                c->place = resized(c->place, *in_hand, p.set_out.page, factor);
        },
        slide_number_);
}

void CutsPart::refresh() {
    const Project& p = document_.project();
    const int i = state_.in_hand().cut(p);
    which_->setText(i < 0 ? QString("No cut yet")
                          : QString("Cut %1 of %2: %3")
                                .arg(i + 1)
                                .arg(p.set_out.cuts.size())
                                .arg(words(p.set_out
                                               .drawings[static_cast<std::size_t>(
                                                   p.set_out.cuts[static_cast<std::size_t>(i)].drawing)]
                                               ->name)));
    const CutPlacement place = i < 0 ? CutPlacement{} : p.set_out.cuts[static_cast<std::size_t>(i)].place;
    rule_->show_value(place.rule);
    turn_->setText(QString::number(place.turn_deg, 'g', 5) + " deg");
    mirrored_->setChecked(place.mirrored);
    scan_->show_length(p.set_out.usual.scan_square, p.units);
    refresh_question();
    const SetOut* in_hand = state_.set_out_in_hand(p);
    length_->show_length(in_hand ? ruling_length(place, *in_hand) : place.length, p.units);
    for (QWidget* w : std::initializer_list<QWidget*>{rule_, length_, slider_, turn_, mirrored_, x_, y_})
        w->setEnabled(in_hand != nullptr);
    const Point middle = in_hand ? in_hand->cut_box.centre() : p.set_out.page.whole().centre();
    x_->show_length(middle.x, p.units);
    y_->show_length(middle.y, p.units);
    if (!in_hand) {
        facts_->setText("<span style='color:#6B6670'>Open a drawing to see what its size does.</span>");
        return;
    }
    show_facts(p, *in_hand);
}

void CutsPart::show_facts(const Project& p, const SetOut& s) {
    if (!slider_->isSliderDown()) {
        const QSignalBlocker quiet(slider_);
        slider_->setValue(static_cast<int>(std::lround(std::max(s.size.x, s.size.y))));
    }
    QString text =
        QString("<table cellspacing='0' cellpadding='1'><tr><td style='color:#6B6670'>Cut&nbsp;&nbsp;</td>"
                "<td><b>%1</b></td></tr>")
            .arg(words(format_size(s.size.x, s.size.y, p.units)));
    const auto fact = [&](const QString& name, const QString& value) {
        text += QString("<tr><td style='color:#6B6670'>%1&nbsp;&nbsp;</td><td>%2</td></tr>").arg(name, value);
    };
    if (std::isfinite(s.thinnest_bar))
        fact("Thinnest bar", "<b>" + words(format_length(s.thinnest_bar, p.units)) + "</b>");
    if (s.smallest >= 0)
        fact("Smallest opening", QString("<b>%1</b> across, number %2")
                                     .arg(words(format_length(s.smallest_opening, p.units)))
                                     .arg(s.smallest + 1));
    fact("Blade travels", words(format_length(s.cut_length, p.units)));
    facts_->setText(text + "</table>");
}

} // namespace zesty
