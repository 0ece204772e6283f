#include "app/keep/record_part.h"

#include "app/bench/wording.h"
#include "core/build/step.h"
#include "core/sentences.h"

#include <QFocusEvent>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QPlainTextEdit>

namespace zesty {

namespace {

constexpr int story_high = 74;

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
    connect(&desk, &KeepDesk::changed, this, &RecordPart::refresh_if_shown);
}

RecordPart::~RecordPart() {
    story_->removeEventFilter(this);
}

QLineEdit* RecordPart::note(QHBoxLayout* r, const char* name, const char* example,
                            std::string PageNotes::*of) {
    auto* field = new QLineEdit(this);
    field->setAccessibleName(name);
    field->setToolTip(name);
    field->setPlaceholderText(example);
    connect(field, &QLineEdit::editingFinished, this, [this, field, name, of] {
        const std::string said = field->text().simplified().toStdString();
        if (said == desk_.notes().*of) return;
        desk_.change_notes(name, [&](PageNotes& notes) { notes.*of = said; });
    });
    notes_.emplace_back(field, of);
    r->addWidget(field, 1);
    return field;
}

void RecordPart::build_notes() {
    story_ = new QPlainTextEdit(this);
    story_->setAccessibleName("Story");
    story_->setPlaceholderText("First wind of the autumn: the red kite got away twice.");
    story_->setFixedHeight(story_high);
    story_->setTabChangesFocus(true);
    story_->installEventFilter(this);
    column_->addWidget(story_);
    auto* r = row("Tags");
    tags_ = new QLineEdit(this);
    tags_->setAccessibleName("Tags, with commas between them");
    tags_->setToolTip(tags_->accessibleName());
    tags_->setPlaceholderText("kites, hill, grandma");
    connect(tags_, &QLineEdit::editingFinished, this, [this] {
        std::vector<std::string> tags;
        for (const QString& tag : tags_in(tags_->text()))
            if (tags.size() < most_tags) tags.push_back(tag.toStdString());
        if (tags != desk_.notes().tags)
            desk_.change_notes("Tags", [&](PageNotes& notes) { notes.tags = tags; });
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
}

void RecordPart::build_doing() {
    auto* r = row({});
    finish_ = button(Act::FinishPage, "Finish the page", true);
    some_ = button(Act::TakeWhatIsCut, "Take only what is cut");
    back_ = button(Act::PutBackPage, "Put everything back");
    for (QPushButton* b : {finish_, some_, back_}) r->addWidget(b);
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

bool RecordPart::eventFilter(QObject* watched, QEvent* event) {
    if (watched == story_ && event->type() == QEvent::FocusOut) story_written();
    return PanelPart::eventFilter(watched, event);
}

void RecordPart::story_written() {
    const std::string said = story_->toPlainText().toStdString();
    if (said == desk_.notes().story) return;
    desk_.change_notes("Story", [&](PageNotes& notes) { notes.story = said; });
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
    const std::string uid = here ? std::string() : r->uid;
    if (shown_ != uid || !story_->hasFocus())
        if (story_->toPlainText().toStdString() != notes.story) story_->setPlainText(words(notes.story));
    shown_ = uid;
    for (const auto& [field, of] : notes_)
        if (!field->hasFocus() || !field->isModified()) field->setText(words(notes.*of));
    QStringList tags;
    for (const std::string& tag : notes.tags) tags << words(tag);
    if (!tags_->hasFocus() || !tags_->isModified()) tags_->setText(tags.join(", "));
    show_times();
    const FinishLook* look = desk_.look();
    finish_->setVisible(here && (page.keep.finished.empty() || (look && !look->all.nothing())));
    finish_->setEnabled(look != nullptr);
    some_->setVisible(here && look && look->some_cut && page.keep.finished.empty());
    back_->setVisible(here && (!page.keep.taken.empty() || !page.keep.finished.empty()));
    again_row_->setVisible(r != nullptr);
    photo_->setVisible(r != nullptr);
    forget_->setVisible(r != nullptr && !here);
    QStringList said;
    if (here && look && page.keep.finished.empty())
        for (const std::string& lacks : look->all.without) said << words(lacks);
    says_->setText(said.join(" "));
    says_->setVisible(!said.isEmpty());
}

} // namespace zesty
