#pragma once
// The ways of backing, side by side: paper, time and lips of each for this page, and which suits the
// selection.

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "app/bench/panel_part.h"
#include "core/sections/advice.h"

#include <array>

class QCheckBox;
class QPushButton;
class QRadioButton;

namespace zesty {

class Worker;
class MethodsPart : public PanelPart {
    Q_OBJECT
public:
    MethodsPart(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent);

private:
    void build_table();
    void build_rules();
    void build_punches();
    void build_clearances();
    void refresh() override;
    void ask_for_table();
    /// The bars between the openings selected, or all of one.
    std::vector<BarName> bars_in_hand() const;
    void show_bars();
    void show_table(const std::vector<MethodFigures>& table);
    void show_advice();
    void give_selection(std::optional<BackingMethod> method);

    struct Row {
        QRadioButton* name;
        QLabel* paper;
        QLabel* minutes;
        QLabel* lips;
    };
    Worker& worker_;
    std::array<Row, words_of<BackingMethod>.size()> rows_;
    QLabel* advice_;
    QPushButton* take_advice_;
    QPushButton* like_page_;
    ChoiceRow<LipMode>* lips_;
    QLabel* chosen_bars_;
    ChoiceRow<std::optional<LipMode>>* chosen_lips_;
    QLineEdit* punches_;
    QCheckBox* on_top_;
    ChoiceRow<std::optional<bool>>* punched_;
    LengthEdit* clearance_;
    LengthEdit* foam_;
    MethodAdvice advised_;
    Project table_for_;
    bool table_shown_ = false;
    quint64 asked_ = 0;
};

} // namespace zesty
