#pragma once
// The record in hand: what a person says of the page, and what is done with it.

#include "app/bench/panel_part.h"
#include "app/keep/keep_desk.h"

class QLineEdit;
class QPlainTextEdit;

namespace zesty {

class RecordPart : public PanelPart {
    Q_OBJECT
public:
    RecordPart(Document& document, BenchState& state, Actions& actions, KeepDesk& desk, QWidget* parent);
    ~RecordPart() override;

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void refresh() override;
    void build_notes();
    void build_doing();
    QLineEdit* note(QHBoxLayout* row, const char* name, const char* example, std::string PageNotes::*of);
    void story_written();
    void show_times();

    KeepDesk& desk_;
    QLabel* title_;
    QLabel* says_;
    QPlainTextEdit* story_;
    QLineEdit* tags_;
    std::vector<std::pair<QLineEdit*, std::string PageNotes::*>> notes_;
    QLabel* times_;
    QPushButton* finish_;
    QPushButton* some_;
    QPushButton* back_;
    QWidget* again_row_;
    QPushButton* photo_;
    QPushButton* forget_;
    std::string shown_; ///< uid of the record whose story stands in the field
};

} // namespace zesty
