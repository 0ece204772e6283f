#include "app/keep/share_part.h"

#include "app/bench/wording.h"

#include <QHBoxLayout>

namespace zesty {

SharePart::SharePart(Document& document, BenchState& state, Actions& actions, KeepDesk& desk, QWidget* parent)
    : PanelPart(document, state, actions, parent), desk_(desk) {
    auto* r = row("Records");
    one_ = button(Act::WriteRecord, "This page");
    all_ = button(Act::WriteShelf, "All on show", true);
    r->addWidget(all_);
    r->addWidget(one_);
    r->addStretch(1);
    says_ = line("share-says");
    r = row("Backup");
    r->addWidget(button(Act::BackUp, "Back everything up"));
    r->addWidget(button(Act::Restore, "Restore"));
    r->addStretch(1);
    line()->setText("One file holds the stash, the records with their pictures, and your own numbers. A "
                    "backup is checked as a whole before anything is changed, and restoring can be undone.");
    connect(&desk, &KeepDesk::changed, this, &SharePart::refresh_if_shown);
}

void SharePart::refresh() {
    all_->setEnabled(!desk_.pages().empty());
    one_->setEnabled(desk_.record() != nullptr);
    says_->setText(desk_.pages().empty()
                       ? QString("No page has a record yet: finish one, and it can be written out here.")
                       : QString("%1 on show. The ending of the file says what it becomes: .html is a page "
                                 "with pictures that opens anywhere, .csv a table, .json for programs.")
                             .arg(counted(desk_.pages().size(), "page", "pages")));
}

} // namespace zesty
