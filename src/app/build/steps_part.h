#pragma once
// All steps with when they come, and what can be done in the time there is.

#include "app/bench/panel_part.h"
#include "app/bench/rows.h"
#include "app/build/build_desk.h"

class QSpinBox;

namespace zesty {

class StepsPart : public PanelPart {
    Q_OBJECT
public:
    StepsPart(Document& document, BenchState& state, Actions& actions, BuildDesk& desk, QWidget* parent);

private:
    void refresh() override;
    QString row_of(std::size_t step) const;
    QString what_now() const;

    BuildDesk& desk_;
    QSpinBox* have_;
    QSpinBox* hands_;
    QLabel* now_;
    Rows* rows_;
    std::vector<std::size_t> listed_; ///< steps by row
};

} // namespace zesty
