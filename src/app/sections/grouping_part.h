#pragma once
// Which openings belong together, and what goes behind them.

#include "app/bench/choices.h"
#include "app/bench/length_edit.h"
#include "app/bench/panel_part.h"
#include "app/sections/middle_row.h"
#include "core/sections/grouping.h"

class QSpinBox;

namespace zesty {

class GroupingPart : public PanelPart {
    Q_OBJECT
public:
    GroupingPart(Document& document, BenchState& state, Actions& actions, QWidget* parent);

signals:
    void say(const QString& message);

private:
    void build_section();
    void build_grouping();
    void refresh() override;
    void treat(Treatment treatment);
    void group_by_rule();
    std::vector<Spot> selected_sections() const;

    QLabel* selection_;
    QLabel* numbers_;
    ChoiceRow<Treatment>* treatment_[2];
    QLineEdit* name_;
    LengthEdit* own_lip_;
    QSpinBox* order_;
    ChoiceBox<GroupRule::Kind>* rule_;
    MiddleRow* about_;
    QSpinBox* count_;
    LengthEdit* lip_;
    QLabel* summary_;
};

} // namespace zesty
