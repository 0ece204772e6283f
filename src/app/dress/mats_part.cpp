#include "app/dress/mats_part.h"

#include "app/bench/wording.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/setout/photos.h"
#include "core/setout/placed_cut.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <algorithm>

namespace zesty {

MatsPart::MatsPart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    which_ = new QLabel(this);
    which_->setObjectName("matted-photo");
    which_->setProperty("strong", true);
    which_->setTextFormat(Qt::PlainText);
    column_->addWidget(which_);
    auto* r = row(QString());
    r->addWidget(button(Act::AddMat, "Add photo mat", true));
    remove_ = push("Remove", "Removes the photo mat chosen in the list", [this] {
        const int m = mats_->in_hand();
        const int i = photo();
        document_.change("Remove a photo mat", [&](Project& p) {
            auto& mats = p.set_out.photos[static_cast<std::size_t>(i)].mats;
            if (m >= 0 && m < static_cast<int>(mats.size())) mats.erase(mats.begin() + m);
        });
    });
    remove_->setAccessibleName("Remove photo mat");
    r->addWidget(remove_);
    r->addWidget(button(Act::NextInHand, "Next photo"));
    r->addStretch(1);
    mats_ = new Rows("mats", "Photo mats, from the photo outwards", 2, this);
    connect(mats_, &Rows::taken, this, [this] { refresh(); });
    column_->addWidget(mats_);
    build_mat();
    says_ = line("mat-says");
    connect(&document, &Document::project_changed, this, &MatsPart::refresh_if_shown);
    connect(&state, &BenchState::plan_changed, this, &MatsPart::refresh_if_shown);
    connect(&state.in_hand(), &InHand::changed, this, &MatsPart::refresh_if_shown);
}

void MatsPart::build_mat() {
    auto* r = row("Paper");
    paper_ = new PaperBox("Paper of the photo mat", this);
    paper_->on_choice(this, [this](const PaperPick& pick) {
        change("Paper of the photo mat", [&](PhotoMat& m) {
            m.paper = pick.id;
            m.side = pick.side;
        });
    });
    r->addWidget(paper_, 1);
    r = row("Border");
    border_ =
        length_field("Border of the photo mat beyond what lies on it", mat_border_limits, [this](double mm) {
            change("Border of the photo mat", [&](PhotoMat& m) { m.border = mm; });
        });
    r->addWidget(border_);
    span_ = new ChoiceBox<MatSpan>("Which part of the photo the photo mat lies behind",
                                   {{"behind the whole photo", MatSpan::Whole},
                                    {"its left half", MatSpan::Left},
                                    {"its right half", MatSpan::Right},
                                    {"its upper half", MatSpan::Upper},
                                    {"its lower half", MatSpan::Lower}},
                                   this);
    span_->on_choice(this, [this](MatSpan span) {
        change("Which part the photo mat lies behind", [&](PhotoMat& m) { m.span = span; });
    });
    r->addWidget(span_, 1);
    r = row("Moved by");
    const auto way = [&](const char* name, double Point::*of) {
        return length_field(name, mat_shift_limits, [this, of](double mm) {
            change("Move the photo mat", [&](PhotoMat& m) { m.shift.*of = mm; });
        });
    };
    shift_x_ = way("How far the photo mat is moved along the photo's width", &Point::x);
    shift_y_ = way("How far the photo mat is moved along the photo's height", &Point::y);
    r->addWidget(shift_x_);
    r->addWidget(shift_y_);
    r->addStretch(1);
    r = row("Edges");
    torn_ = tick("Torn, with", "The edges are torn; so much more is cut all round",
                 [this](bool on) { change("Tear the photo mat", [&](PhotoMat& m) { m.torn = on; }); });
    tear_ = length_field("Allowance for tearing", tear_limits, [this](double mm) {
        change("Allowance for tearing", [&](PhotoMat& m) { m.tear = mm; });
    });
    r->addWidget(torn_);
    r->addWidget(tear_);
    r->addStretch(1);
    r = row(QString());
    see_through_ = tick("See-through", "Vellum or acetate: what lies below shows", [this](bool on) {
        change("See-through photo mat", [&](PhotoMat& m) { m.see_through = on; });
    });
    gut_ = tick("Gut it", "Its hidden middle is taken out and used where it is seen",
                [this](bool on) { change("Gut the photo mat", [&](PhotoMat& m) { m.gut = on; }); });
    r->addWidget(see_through_);
    r->addWidget(gut_);
    r->addStretch(1);
}

int MatsPart::photo() const {
    return state_.in_hand().photo(document_.project());
}

void MatsPart::change(const QString& intention, const std::function<void(PhotoMat&)>& apply) {
    const int i = photo();
    const int m = mats_->in_hand();
    document_.change(intention, [&](Project& p) {
        if (i < 0 || m < 0) return;
        auto& mats = p.set_out.photos[static_cast<std::size_t>(i)].mats;
        if (m < static_cast<int>(mats.size())) apply(mats[static_cast<std::size_t>(m)]);
    });
}

void MatsPart::add_mat() {
    const int i = photo();
    document_.change(i < 0 ? "A photo mat for every photo" : "Add a photo mat", [&](Project& p) {
        for (std::size_t k = 0; k < p.set_out.photos.size(); ++k) {
            auto& mats = p.set_out.photos[k].mats;
            if ((i >= 0 && static_cast<int>(k) != i) || mats.size() >= most_mats) continue;
            PhotoMat next;
            if (!mats.empty()) next = mats.back();
            mats.push_back(next);
        }
    });
    refresh();
    mats_->setCurrentRow(mats_->count() - 1);
}

QString MatsPart::says(const Photo& shown, int mat) const {
    const Plan* plan = state_.plan();
    const Units units = document_.project().units;
    if (!plan) return {};
    QStringList out;
    for (const DressPiece& piece : plan->dress.pieces) {
        if (piece.photo != photo() || piece.mat != mat) continue;
        const Box b = bounds(piece.outline);
        QString cut = "Cut " + words(format_size(b.width(), b.height(), units));
        if (shown.round) cut += " round";
        if (piece.placed) cut += " from " + words(piece.sheet);
        if (!piece.outline.holes.empty()) {
            const Box hole = bounds(piece.outline.holes.front());
            cut += "; its middle leaves " + words(format_size(hole.width(), hole.height(), units));
        }
        out << cut + ".";
    }
    for (const MatFacts& m : plan->dress.mats)
        if (m.photo == photo() && m.mat == mat)
            out << words(percent(m.border_seen)) + " of its border is seen.";
    return out.join(" ");
}

void MatsPart::show_mat(const Photo& shown) {
    const auto& stash = document_.project().stash;
    const Units units = document_.project().units;
    const int m = mats_->in_hand();
    const PhotoMat none;
    const PhotoMat& mat = m < 0 ? none : shown.mats[static_cast<std::size_t>(m)];
    for (QWidget* w : std::initializer_list<QWidget*>{remove_, paper_, border_, span_, shift_x_, shift_y_,
                                                      torn_, tear_, see_through_, gut_})
        w->setEnabled(m >= 0);
    paper_->show_side(stash, "paper from elsewhere", {mat.paper, mat.side});
    border_->show_length(mat.border, units);
    span_->show_value(mat.span);
    shift_x_->show_length(mat.shift.x, units);
    shift_y_->show_length(mat.shift.y, units);
    torn_->setChecked(mat.torn);
    tear_->show_length(mat.tear, units);
    tear_->setEnabled(m >= 0 && mat.torn);
    see_through_->setChecked(mat.see_through);
    gut_->setChecked(mat.gut);
    gut_->setEnabled(m >= 0 && !mat.see_through);
    says_->setText(m < 0
                       ? "A photo mat is paper behind the photo that shows as a border, 1/16 to 1/4 in wide."
                       : says(shown, m));
}

void MatsPart::refresh() {
    const Project& p = document_.project();
    const int i = photo();
    const Photo none;
    const Photo& shown = i < 0 ? none : p.set_out.photos[static_cast<std::size_t>(i)];
    which_->setText(
        i >= 0 ? words(name_of(shown, static_cast<std::size_t>(i)) + ", " + size_in_words(shown, p.units))
        : p.set_out.photos.empty() ? QString("No photo on the page yet")
                                   : QString("Every photo; click one for its own photo mats"));
    QStringList rows;
    for (std::size_t m = 0; m < shown.mats.size(); ++m) {
        const PhotoMat& mat = shown.mats[m];
        const int paper = p.stash && !mat.paper.empty() ? p.stash->find(mat.paper) : -1;
        rows << QString("%1: %2, %3")
                    .arg(m + 1)
                    .arg(paper < 0 ? QString("paper from elsewhere")
                                   : words(p.stash->papers[static_cast<std::size_t>(paper)].name))
                    .arg(words(format_length(mat.border, p.units)));
    }
    mats_->show_rows(rows);
    show_mat(shown);
    lay_out_now(this);
}

} // namespace zesty
