#pragma once
// The record in hand: what a person says of the page, and what is done with it.

#include "app/bench/panel_part.h"
#include "app/keep/keep_desk.h"

#include <QTimer>

class QCheckBox;
class QLineEdit;
class QPlainTextEdit;

namespace zesty {

class RecordPart : public PanelPart {
    Q_OBJECT
public:
    RecordPart(Document& document, BenchState& state, Actions& actions, KeepDesk& desk, QWidget* parent);

protected:
    void hideEvent(QHideEvent* event) override;

private:
    void refresh() override;
    void build_notes();
    void build_doing();
    QLineEdit* note(QHBoxLayout* row, const char* name, const char* example, std::string PageNotes::*of);
    /// What is typed counts a moment later, or as soon as something else is done.
    void typed(QWidget* in);
    void take_what_is_typed();
    void show_times();
    void take_drop_outs_of_cuts();

    KeepDesk& desk_;
    QLabel* title_;
    QLabel* says_;
    QPlainTextEdit* story_;
    QLineEdit* tags_;
    struct Note {
        QLineEdit* field;
        std::string PageNotes::*of;
    };
    std::vector<Note> notes_;
    QLabel* times_;
    SheetMapView* sheets_;
    QPushButton* finish_;
    QPushButton* some_;
    QPushButton* back_;
    QCheckBox* drop_outs_;
    QPushButton* of_cuts_;
    QWidget* again_row_;
    QPushButton* photo_;
    QPushButton* forget_;
    QTimer pause_;
    QWidget* typed_in_ = nullptr;
    int drag_ = 0;
};

} // namespace zesty
