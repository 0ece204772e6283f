#pragma once
// When there is time: sittings with ends, and the household's own minutes.

#include "app/bench/panel_part.h"
#include "app/bench/rows.h"
#include "app/bench/settings.h"
#include "app/build/build_desk.h"

class QCheckBox;
class QSpinBox;

namespace zesty {

class TimePart : public PanelPart {
    Q_OBJECT
public:
    TimePart(Document& document, BenchState& state, Actions& actions, const Settings& settings,
             BuildDesk& desk, QWidget* parent);
    void add_sitting();

private:
    void refresh() override;

    BuildDesk& desk_;
    QSpinBox* minutes_;
    QSpinBox* pause_;
    QCheckBox* away_;
    Rows* rows_;
    QPushButton* remove_;
    QPushButton* take_;
    QLabel* says_;
};

} // namespace zesty
