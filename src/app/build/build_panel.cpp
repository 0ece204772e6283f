#include "app/build/build_panel.h"

#include "app/build/habits_part.h"
#include "app/build/lists_part.h"
#include "app/build/machine_part.h"
#include "app/build/steps_part.h"
#include "app/build/time_part.h"

namespace zesty {

BuildPanel::BuildPanel(const BenchParts& bench, BuildDesk& desk, MachineDesk& machine, QWidget* side)
    : PanelOfParts("What now?", {"Steps", "Cutting", "Lists", "Habits", "Time"}, side) {
    add(new StepsPart(bench.document, bench.state, bench.actions, desk, this));
    add(new MachinePart(bench.document, bench.state, bench.actions, desk, machine, this));
    lists_ = new ListsPart(bench.document, bench.state, bench.actions, bench.worker, desk, this);
    add(lists_);
    habits_ = new HabitsPart(bench.document, bench.state, bench.actions, desk, this);
    add(habits_);
    time_ = new TimePart(bench.document, bench.state, bench.actions, bench.settings, desk, this);
    add(time_);
}

} // namespace zesty
