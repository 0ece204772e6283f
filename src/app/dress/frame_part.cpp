#include "app/dress/frame_part.h"

#include "app/bench/wording.h"
#include "core/sentences.h"

#include <QHBoxLayout>

namespace zesty {

FramePart::FramePart(Document& document, BenchState& state, Actions& actions, QWidget* parent)
    : PanelPart(document, state, actions, parent) {
    auto* r = row("Frame");
    how_ = new ChoiceBox<LateFraming>("The frame that comes last",
                                      {{"none", LateFraming::None},
                                       {"page trimmed and mounted", LateFraming::Trimmed},
                                       {"strips over the page", LateFraming::Over}},
                                      this);
    how_->setObjectName("late-frame");
    how_->on_choice(this,
                    [this](LateFraming how) { change("Late frame", [&](LateFrame& f) { f.how = how; }); });
    r->addWidget(how_, 1);
    r = row("All round");
    all_ = length_field("How wide the frame is all round", late_reveal_limits, [this](double mm) {
        change("Width of the frame", [&](LateFrame& f) { f.corners.fill(mm); });
    });
    r->addWidget(all_);
    r->addWidget(quiet("or at each corner:"));
    r->addStretch(1);
    static constexpr std::array names{"Frame at the upper left", "Frame at the upper right",
                                      "Frame at the lower right", "Frame at the lower left"};
    for (std::size_t i = 0; i < corners_.size(); ++i)
        corners_[i] = length_field(names[i], late_reveal_limits, [this, i](double mm) {
            change("Corner of the frame", [&](LateFrame& f) { f.corners[i] = mm; });
        });
    r = row("Upper");
    r->addWidget(corners_[0]);
    r->addWidget(corners_[1]);
    r->addStretch(1);
    r = row("Lower");
    r->addWidget(corners_[3]);
    r->addWidget(corners_[2]);
    r->addStretch(1);
    r = row("Paper");
    paper_ = new PaperBox("Paper of the frame", this);
    paper_->on_choice(this, [this](const PaperPick& pick) {
        change("Paper of the frame", [&](LateFrame& f) { f.paper = pick.id; });
    });
    r->addWidget(paper_, 1);
    r = row("Its sides");
    side_paper_ = new PaperBox("Paper of the frame's sides", this);
    side_paper_->on_choice(this, [this](const PaperPick& pick) {
        change("Paper of the frame's sides", [&](LateFrame& f) { f.side_paper = pick.id; });
    });
    r->addWidget(side_paper_, 1);
    r = row("Behind");
    lip_ = length_field("What of the frame lies behind a page that is trimmed", late_lip_limits,
                        [this](double mm) { change("Lip of the frame", [&](LateFrame& f) { f.lip = mm; }); });
    r->addWidget(lip_);
    r->addWidget(quiet("of the frame under the page"));
    r->addStretch(1);
    says_ = line("frame-says");
    connect(&document, &Document::project_changed, this, &FramePart::refresh_if_shown);
    connect(&state, &BenchState::plan_changed, this, &FramePart::refresh_if_shown);
}

void FramePart::change(const QString& intention, const std::function<void(LateFrame&)>& apply) {
    document_.change(intention, [&](Project& p) { apply(p.dress.frame); });
}

QString FramePart::says() const {
    const Plan* plan = state_.plan();
    if (!plan || !plan->dress.frame)
        return "A frame can wait until the page is done. Cut with a sharp blade against a metal ruler, away "
               "from "
               "the hand.";
    const Units units = document_.project().units;
    const LateFrameFacts& f = *plan->dress.frame;
    QStringList out;
    for (const FramedThing& thing : f.hides)
        out << QString("%1 of %2").arg(words(format_length(thing.depth, units)), words(thing.name));
    QString said = out.isEmpty() ? QString("It hides nothing.") : "Under it: " + out.join(", ") + ".";
    if (f.bars > 0) said += " Bars of cuts: " + words(format_length(f.bars, units)) + ".";
    said +=
        " The widest even frame that spares the photos is " + words(format_length(f.most_even, units)) + ".";
    return said;
}

void FramePart::refresh() {
    const Project& p = document_.project();
    const LateFrame& f = p.dress.frame;
    how_->show_value(f.how);
    const bool framed = f.how != LateFraming::None;
    all_->setEnabled(framed);
    all_->show_length(f.corners[0], p.units);
    for (std::size_t i = 0; i < corners_.size(); ++i) {
        corners_[i]->setEnabled(framed);
        corners_[i]->show_length(f.corners[i], p.units);
    }
    paper_->setEnabled(framed);
    paper_->show_paper(p.stash, "paper from elsewhere", f.paper);
    side_paper_->setEnabled(framed);
    side_paper_->show_paper(p.stash, "the same", f.side_paper);
    lip_->setEnabled(f.how == LateFraming::Trimmed);
    lip_->show_length(f.lip, p.units);
    says_->setText(says());
    lay_out_now(this);
}

} // namespace zesty
