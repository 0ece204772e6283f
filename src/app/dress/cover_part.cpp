#include "app/dress/cover_part.h"

#include "app/bench/wording.h"
#include "app/bench/worker.h"
#include "core/project/cure.h"
#include "core/project/findings.h"
#include "core/sections/hidden.h"
#include "core/sentences.h"

#include <QHBoxLayout>
#include <algorithm>

namespace zesty {

namespace {

QString in_words(const Cure& cure, const DressNow& now) {
    if (cure.moves.empty())
        return cure.looked_everywhere ? "No small move helps; make a photo smaller or turn it."
                                      : "No small move was found in the time there is; take openings or "
                                        "photos off the page, or move them by hand.";
    QStringList moves;
    for (const DressMove& m : cure.moves) moves << words(label_of(m, now)) + ".";
    if (cure.faults_left > 0 && !cure.looked_everywhere)
        moves << counted(cure.faults_left, "place is left; press again to look further.",
                         "places are left; press again to look further.");
    else if (cure.faults_left > 0)
        moves << counted(cure.faults_left, "place is left that no small move cures.",
                         "places are left that no small move cures.");
    return moves.join(" ");
}

} // namespace

CoverPart::CoverPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent)
    : PanelPart(document, state, actions, parent), worker_(worker) {
    says_ = line("coverage");
    auto* r = row(QString());
    r->addWidget(button(Act::Cure, "Cure by small moves", true));
    stop_button_ = push("Stop", "Leaves everything where it is", [this] {
        if (stop_) *stop_ = true;
    });
    stop_button_->hide();
    r->addWidget(stop_button_);
    r->addStretch(1);
    cured_ = line("cured");
    sections_ =
        new Rows("covered-sections", "Sections that something lies on, the most hidden first", 9, this);
    sections_->setToolTip("Choosing one lights its openings on the page");
    connect(sections_, &Rows::taken, this, [this] {
        const int row = sections_->in_hand();
        const Plan* plan = state_.plan();
        if (!plan || row < 0 || row >= static_cast<int>(shown_.size())) return;
        if (shown_[row] >= static_cast<int>(plan->sections.all.size())) return;
        const auto& openings = plan->sections.all[static_cast<std::size_t>(shown_[row])].openings;
        state_.select({openings.begin(), openings.end()});
    });
    column_->addWidget(sections_);
    connect(&document, &Document::project_changed, this, [this] {
        // What it looks for is of a page that is no more, and the plan of the new one waits for it.
        if (stop_) *stop_ = true;
        cured_->clear();
        refresh_if_shown();
    });
    connect(&state, &BenchState::plan_changed, this, &CoverPart::refresh_if_shown);
}

void CoverPart::cure() {
    const Project p = document_.project();
    if (stop_) *stop_ = true;
    cured_->setText("Looking for the smallest moves.");
    stop_ = std::make_shared<std::atomic<bool>>(false);
    stop_button_->show();
    lay_out_now(this);
    worker_.think(this, [this, p, stop = stop_, number = ++asked_](Planner& planner) {
        auto found = cure_coverage(
            p, [&](const Project& changed) { return planner.shapes(changed); },
            [stop] { return stop->load(); });
        QString says;
        if (!found)
            says =
                found.error().kind == ErrorKind::Stopped ? QString() : words(sentence(found.error().message));
        else if (const auto shapes = planner.shapes(p); shapes)
            says = in_words(*found, dress_now(p, *shapes));
        return std::function<void()>([this, p, found, says, number] {
            if (number != asked_) return;
            stop_button_->hide();
            if (found && !found->moves.empty() && document_.project() == p)
                document_.edit("Move what leaves slivers", found->project);
            cured_->setText(says);
            lay_out_now(this);
        });
    });
}

void CoverPart::refresh() {
    const Plan* plan = state_.plan();
    if (!plan) return;
    const CoverageFacts& coverage = plan->dress.coverage;
    std::size_t gone = 0;
    std::size_t slivers = 0;
    for (const CoveredOpening& c : coverage.openings) {
        gone += c.hidden >= hidden_share ? 1 : 0;
        slivers += c.sliver ? 1 : 0;
    }
    says_->setText(coverage.openings.empty()
                       ? QString("Nothing lies on any opening.")
                       : counted(coverage.openings.size(), "opening lies", "openings lie") +
                             QString(" under something: %1 hidden for good, %2 with slivers left.")
                                 .arg(gone)
                                 .arg(slivers));
    shown_.clear();
    for (std::size_t s = 0; s < coverage.of_section.size(); ++s)
        if (coverage.of_section[s] > 0) shown_.push_back(static_cast<int>(s));
    std::stable_sort(shown_.begin(), shown_.end(), [&](int a, int b) {
        return coverage.of_section[static_cast<std::size_t>(a)] >
               coverage.of_section[static_cast<std::size_t>(b)];
    });
    QStringList rows;
    for (const int s : shown_) {
        const Section& section = plan->sections.all[static_cast<std::size_t>(s)];
        rows << QString("%1: %2 hidden")
                    .arg(words(section.name.empty() ? section.label : section.name))
                    .arg(words(percent(coverage.of_section[static_cast<std::size_t>(s)])));
    }
    sections_->show_rows(rows);
}

} // namespace zesty
