#pragma once
// The mats behind the photo in hand: their papers and borders, what is cut for them and what is seen.

#include "app/bench/choices.h"
#include "app/bench/panel_part.h"
#include "app/bench/paper_box.h"
#include "app/bench/rows.h"

namespace zesty {

class MatsPart : public PanelPart {
    Q_OBJECT
public:
    MatsPart(Document& document, BenchState& state, Actions& actions, QWidget* parent);
    /// One more around those there are, in the paper of the one before; of every photo where none is in hand.
    void add_mat();

private:
    void build_mat();
    void refresh() override;
    void show_mat(const Photo& photo);
    /// Changes the mat chosen in the list.
    void change(const QString& intention, const std::function<void(PhotoMat&)>& apply);
    int photo() const;
    QString says(const Photo& photo, int mat) const;

    QLabel* which_;
    Rows* mats_;
    QPushButton* remove_;
    QWidget* about_; ///< the fields of the mat chosen
    PaperBox* paper_;
    ChoiceBox<MatSpan>* span_;
    LengthEdit* border_;
    LengthEdit* shift_x_;
    LengthEdit* shift_y_;
    QCheckBox* torn_;
    LengthEdit* tear_;
    QCheckBox* see_through_;
    QCheckBox* gut_;
    QLabel* says_;
};

} // namespace zesty
