#include "app/keep/record_part.h"

#include "app/bench/theme.h"
#include "app/bench/wording.h"
#include "core/build/step.h"
#include "core/project/drop_outs.h"
#include "core/sentences.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <utility>

namespace zesty {

namespace {

constexpr int story_high = 74, typing_pause_ms = 400;

QStringList tags_in(const QString& text) {
    QStringList out;
    for (const QString& one : text.split(',', Qt::SkipEmptyParts))
        if (const QString tag = one.simplified(); !tag.isEmpty()) out << tag;
    out.removeDuplicates();
    return out;
}

} // namespace

RecordPart::RecordPart(Document& document, BenchState& state, Actions& actions, KeepDesk& desk,
                       QWidget* parent)
    : PanelPart(document, state, actions, parent), desk_(desk) {
    title_ = line("record-title");
    build_notes();
    build_doing();
    says_ = line("record-says");
    pause_.setSingleShot(true);
    pause_.setInterval(typing_pause_ms);
    connect(&pause_, &QTimer::timeout, this, &RecordPart::take_what_is_typed);
    connect(&desk, &KeepDesk::about_to_pick, this, &RecordPart::take_what_is_typed);
    connect(&desk, &KeepDesk::changed, this, &RecordPart::refresh_if_shown);
    // Another page: what was typed for the one before went with it.
    connect(&document, &Document::path_changed, this, [this] {
        if (document_.history().count() > 0) return;
        pause_.stop();
        typed_in_ = nullptr;
    });
}

QLineEdit* RecordPart::note(QHBoxLayout* r, const char* name, const char* example,
                            std::string PageNotes::*of) {
    auto* field = new QLineEdit(this);
    field->setAccessibleName(name);
    field->setToolTip(name);
    field->setPlaceholderText(example);
    connect(field, &QLineEdit::textEdited, this, [this, field] { typed(field); });
    connect(field, &QLineEdit::editingFinished, this, [this, field] {
        typed(field);
        take_what_is_typed();
    });
    notes_.push_back({field, of});
    r->addWidget(field, 1);
    return field;
}

void RecordPart::build_notes() {
    story_ = new QPlainTextEdit(this);
    story_->setAccessibleName("Story");
    story_->setPlaceholderText("First wind of the autumn: the red kite got away twice.");
    story_->setFixedHeight(theme::px(story_high));
    story_->setTabChangesFocus(true);
    connect(story_, &QPlainTextEdit::textChanged, this, [this] {
        if (story_->hasFocus()) typed(story_);
    });
    column_->addWidget(story_);
    auto* r = row("Tags");
    tags_ = new QLineEdit(this);
    tags_->setAccessibleName("Tags, with commas between them");
    tags_->setToolTip(tags_->accessibleName());
    tags_->setPlaceholderText("kites, hill, grandma");
    connect(tags_, &QLineEdit::textEdited, this, [this] { typed(tags_); });
    connect(tags_, &QLineEdit::editingFinished, this, [this] {
        typed(tags_);
        take_what_is_typed();
    });
    r->addWidget(tags_, 1);
    r = row("Photos");
    note(r, "When the photos were taken", "12 October", &PageNotes::photos_of);
    r->addWidget(quiet("made"));
    note(r, "When the page was made", "2026-10-15", &PageNotes::made);
    r = row("Album");
    note(r, "Album", "Hill album", &PageNotes::album);
    note(r, "Place in the album", "after the fair", &PageNotes::place);
    r = row("Licence");
    note(r, "What the cut file's maker allows", "for our own pages", &PageNotes::licence);
    r = row("Next time");
    note(r, "What to do differently", "photos before the right wing", &PageNotes::next_time);
    times_ = line("record-times");
    sheets_ = new SheetMapView(this);
    column_->addWidget(sheets_);
}

void RecordPart::build_doing() {
    auto* r = row({});
    finish_ = button(Act::FinishPage, "Finish the page", true);
    some_ = button(Act::TakeWhatIsCut, "Take only what is cut");
    back_ = button(Act::PutBackPage, "Put everything back");
    for (QPushButton* b : {finish_, some_, back_}) r->addWidget(b);
    r->addStretch(1);
    drop_outs_ = new QCheckBox("Large drop-outs become scraps", this);
    drop_outs_->setToolTip(
        "What drops out of cuts made of your papers goes back into the drawer, where it is large enough");
    connect(drop_outs_, &QCheckBox::clicked, this, [this](bool on) {
        document_.change(on ? "Drop-outs become scraps" : "Drop-outs are thrown away",
                         [&](Project& p) { p.keep.drop_outs = on; });
    });
    column_->addWidget(drop_outs_);
    of_cuts_ =
        push("Add the cut's drop-outs to the drawer",
             "The cut's own cardstock is not in the stash: what drops out of it becomes embellishments, "
             "alike ones counted together",
             [this] { take_drop_outs_of_cuts(); });
    r = row({});
    r->addWidget(of_cuts_);
    r->addStretch(1);
    again_row_ = row_of_its_own("Again", r);
    r->addWidget(button(Act::OtherPapers, "Other papers"));
    r->addWidget(button(Act::OtherCut, "Other cut"));
    r->addStretch(1);
    r = row({});
    photo_ = button(Act::RealPhoto, "Photo of the real page");
    r->addWidget(photo_);
    forget_ = push("Remove record", "Takes the record off the shelf; no paper changes",
                   [this] { desk_.forget_record(); });
    r->addWidget(forget_);
    r->addStretch(1);
}

void RecordPart::typed(QWidget* in) {
    if (in != typed_in_) {
        take_what_is_typed();
        typed_in_ = in;
        drag_ = document_.new_drag();
    }
    pause_.start();
}

void RecordPart::take_what_is_typed() {
    pause_.stop();
    QWidget* const in = std::exchange(typed_in_, nullptr);
    if (!in) return;
    if (in == story_) {
        const std::string said = story_->toPlainText().toStdString();
        if (said != desk_.notes().story)
            desk_.change_notes(
                "Story", [&](PageNotes& notes) { notes.story = said; }, drag_);
    } else if (in == tags_) {
        std::vector<std::string> tags;
        for (const QString& tag : tags_in(tags_->text()))
            if (tags.size() < most_tags) tags.push_back(tag.toStdString());
        if (tags != desk_.notes().tags)
            desk_.change_notes(
                "Tags", [&](PageNotes& notes) { notes.tags = tags; }, drag_);
    }
    for (const auto& [field, of] : notes_) {
        const std::string said = field->text().simplified().toStdString();
        if (field == in && said != desk_.notes().*of)
            desk_.change_notes(
                field->accessibleName(), [&](PageNotes& notes) { notes.*of = said; }, drag_);
    }
    // Who goes on typing in the same field goes on with the same step.
    typed_in_ = in->hasFocus() ? in : nullptr;
}

void RecordPart::hideEvent(QHideEvent* event) {
    take_what_is_typed();
    PanelPart::hideEvent(event);
}

void RecordPart::show_times() {
    const PageRecord* r = desk_.record();
    QString said;
    if (r && r->facts && r->facts->planned > 0) {
        said = "Planned " + words(minutes_in_words(r->facts->planned));
        if (r->facts->worked > 0) said += ", took " + words(minutes_in_words(r->facts->worked));
        said += ".";
    }
    times_->setText(said);
    times_->setVisible(!said.isEmpty());
    sheets_->show_sheets(desk_.sheets());
}

void RecordPart::take_drop_outs_of_cuts() {
    state_.when_planned(this, [this](std::shared_ptr<const Plan> plan) {
        document_.change("Add drop-outs to the drawer",
                         [&](Project& p) { take_drop_outs(p, *plan, cuts_from_elsewhere(p)); });
    });
}

void RecordPart::refresh() {
    const PageRecord* r = desk_.record();
    const bool here = desk_.of_the_page();
    const Project& page = desk_.project();
    const QString name = words(here ? page.title : r->title);
    const std::string finished = here ? page.keep.finished : r->finished;
    title_->setText("<b>" + (name.isEmpty() ? QString("This page") : name.toHtmlEscaped()) + "</b>, " +
                    (finished.empty() ? (here && !page.keep.taken.empty() ? QString("partly taken")
                                                                          : QString("not finished yet"))
                                      : "finished " + words(date_in_words(finished))));
    const PageNotes& notes = desk_.notes();
    // A field somebody is typing in is theirs.
    const auto theirs = [&](const QWidget* field) { return pause_.isActive() && field == typed_in_; };
    if (!theirs(story_) && story_->toPlainText().toStdString() != notes.story) {
        const QSignalBlocker silent(story_);
        story_->setPlainText(words(notes.story));
    }
    for (const auto& [field, of] : notes_)
        if (!theirs(field) && field->text().simplified().toStdString() != notes.*of)
            field->setText(words(notes.*of));
    QStringList tags;
    for (const std::string& tag : notes.tags) tags << words(tag);
    if (!theirs(tags_) && tags_in(tags_->text()) != tags) tags_->setText(tags.join(", "));
    show_times();
    const FinishLook* look = desk_.look();
    finish_->setVisible(here && (page.keep.finished.empty() || (look && !look->all.nothing())));
    finish_->setEnabled(look && actions_[Act::FinishPage]->isEnabled());
    const bool to_finish = here && look && page.keep.finished.empty();
    some_->setVisible(to_finish && look->some_cut);
    back_->setVisible(here && (!page.keep.taken.empty() || !page.keep.finished.empty()));
    const std::size_t elsewhere = cuts_from_elsewhere(page).size();
    drop_outs_->setVisible(to_finish && elsewhere < page.set_out.cuts.size());
    drop_outs_->setChecked(page.keep.drop_outs);
    of_cuts_->setVisible(to_finish && elsewhere > 0);
    again_row_->setVisible(r != nullptr);
    photo_->setVisible(r != nullptr);
    forget_->setVisible(r != nullptr && !here);
    QStringList said;
    if (to_finish)
        for (const std::string& lacks : look->all.without) said << words(lacks);
    says_->setText(said.join(" "));
    says_->setVisible(!said.isEmpty());
}

} // namespace zesty
