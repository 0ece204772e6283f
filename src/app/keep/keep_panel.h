#pragma once
// The side bench of Keep.

#include "app/bench/panel_part.h"
#include "app/bench/waypoint_view.h"

namespace zesty {

class KeepDesk;

class KeepPanel : public PanelOfParts {
    Q_OBJECT
public:
    enum Part { ThisPage, LookingBack, Share };
    KeepPanel(const BenchParts& bench, KeepDesk& desk, QWidget* side);
};

} // namespace zesty
