#pragma once
// The cuts on the page: which, how large, which way round; with what the size does beside it.

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "app/bench/panel_part.h"

class QSlider;
class QCheckBox;
class QFrame;

namespace zesty {

class CutsPart : public PanelPart {
    Q_OBJECT
public:
    CutsPart(Document& document, BenchState& state, Actions& actions, QWidget* parent);

    /// Asks how large this cut is, because its file does not say so; until it is answered or left.
    void ask_size(int cut_id);

signals:
    /// Wants to see the pieces and layers of the cut in hand.
    void pieces_wanted();

private:
    void build_question();
    void answer_size(double longer_side);
    void refresh_question();
    void build_list();
    void build_size();
    void build_turn();
    void refresh() override;
    void show_facts(const Project& project, const SetOut& set_out);
    LengthEdit* place(const char* name, double Point::*way);
    void choose_rule(SizeRule rule);
    void slide(int value);

    QFrame* question_;
    WrappedLabel* question_says_;
    LengthEdit* size_answer_;
    int asks_about_ = -1; ///< id of a cut
    QLabel* which_;
    ChoiceRow<SizeRule>* rule_;
    LengthEdit* length_;
    QSlider* slider_;
    QLineEdit* turn_;
    QCheckBox* mirrored_;
    QLabel* facts_;
    LengthEdit* scan_;
    LengthEdit* x_;
    LengthEdit* y_;
    int slide_number_ = 0;
};

} // namespace zesty
