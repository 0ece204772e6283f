#pragma once
// In which habits the work is done, steps of one's own, and what is not to be forgotten at the end.

#include "app/bench/choices.h"
#include "app/bench/panel_part.h"
#include "app/bench/rows.h"
#include "app/build/build_desk.h"

class QLineEdit;
class QSpinBox;

namespace zesty {

class HabitsPart : public PanelPart {
    Q_OBJECT
public:
    HabitsPart(Document& document, BenchState& state, Actions& actions, BuildDesk& desk, QWidget* parent);
    void add_own_step();

private:
    void build_habits();
    void build_own_steps();
    void refresh() override;
    void turn(const QString& intention, const std::function<void(Habits&)>& apply);

    BuildDesk& desk_;
    ChoiceBox<TrimBase>* trim_;
    ChoiceBox<FirstWork>* first_;
    ChoiceBox<FrameBase>* frame_;
    ChoiceBox<CutMats>* mats_;
    QLabel* changes_;
    QString changed_by_; ///< what the last habit that was turned round has changed
    QLineEdit* own_;
    QSpinBox* own_minutes_;
    QSpinBox* own_dries_;
    ChoiceBox<std::string>* own_after_;
    ChoiceBox<std::string>* own_before_;
    Rows* rows_; ///< own steps, then reminders
    QPushButton* remove_;
};

} // namespace zesty
