#pragma once
// Journaling: where it is written, how much fits, and what is written.

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "app/bench/panel_part.h"
#include "app/bench/rows.h"

class QPlainTextEdit;
class QSpinBox;

namespace zesty {

class WordsPart : public PanelPart {
    Q_OBJECT
public:
    WordsPart(Document& document, BenchState& state, Actions& actions, QWidget* parent);
    /// Into the journaling's room where there is one without words, otherwise in the middle of the page.
    void add();
    /// The one in hand; -1 for none.
    int chosen() const;
    void choose(int writing);

signals:
    void chosen_changed();

private:
    void build_list();
    void build_text();
    void build_place();
    void build_room();
    LengthEdit* field(const char* name, Limits limits, double Writing::*of);
    void refresh() override;
    void change(const QString& intention, const std::function<void(Writing&)>& apply, int drag = 0);
    void pick_pen();
    void add_date();
    void show_photos(const Writing& writing);
    QString says(int row) const;

    Rows* list_;
    QPushButton* remove_;
    QPushButton* date_;
    ChoiceBox<int>* with_;
    QPlainTextEdit* text_;
    ChoiceBox<WritingShape>* shape_;
    QPushButton* pen_;
    LengthEdit* line_height_;
    QWidget* size_row_;
    QWidget* arc_row_;
    QWidget* sweep_row_;
    LengthEdit* width_;
    LengthEdit* height_;
    LengthEdit* band_;
    LengthEdit* radius_;
    QSpinBox* from_;
    QSpinBox* sweep_;
    QSpinBox* turn_;
    LengthEdit* x_;
    LengthEdit* y_;
    QLabel* says_;
    int typing_ = 0; ///< one undo step for what is typed without a break
};

} // namespace zesty
