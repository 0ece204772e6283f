#pragma once
// The side bench of Build.

#include "app/bench/panel_part.h"
#include "app/bench/waypoint_view.h"

namespace zesty {

class BuildDesk;
class MachineDesk;
class HabitsPart;
class ListsPart;
class TimePart;

class BuildPanel : public PanelOfParts {
    Q_OBJECT
public:
    enum Part { Steps, Cutting, Lists, Habits, Time };

    BuildPanel(const BenchParts& bench, BuildDesk& desk, MachineDesk& machine, QWidget* side);
    HabitsPart& habits() const { return *habits_; }
    ListsPart& lists() const { return *lists_; }
    TimePart& time() const { return *time_; }

private:
    HabitsPart* habits_;
    ListsPart* lists_;
    TimePart* time_;
};

} // namespace zesty
