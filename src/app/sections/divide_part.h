#pragma once
// Openings, and the bare base, divided without bars.

#include "app/bench/choices.h"
#include "app/bench/panel_part.h"
#include "app/sections/middle_row.h"

#include <QLineEdit>

class QSpinBox;

namespace zesty {

class DividePart : public PanelPart {
    Q_OBJECT
public:
    DividePart(Document& document, BenchState& state, Actions& actions, QWidget* parent);
    void divide_selection();
    Division division() const;

private:
    void refresh() override;
    void divide_base();
    bool goes_about_a_place() const;

    ChoiceRow<Division::Kind>* kind_;
    Division::Kind kind_chosen_ = Division::Kind::Bands;
    QSpinBox* count_;
    QSpinBox* rows_;
    QLineEdit* turn_;
    MiddleRow* about_;
    QLabel* says_;
    QPushButton* base_;
};

} // namespace zesty
