#include "app/keep/keep_panel.h"

#include "app/keep/back_part.h"
#include "app/keep/record_part.h"
#include "app/keep/share_part.h"

namespace zesty {

KeepPanel::KeepPanel(const BenchParts& bench, KeepDesk& desk, QWidget* side)
    : PanelOfParts("What is worth keeping?", {"The page", "Look back", "Share"}, side) {
    add(new RecordPart(bench.document, bench.state, bench.actions, desk, this));
    add(new BackPart(bench.document, bench.state, bench.actions, desk, this));
    add(new SharePart(bench.document, bench.state, bench.actions, desk, this));
}

} // namespace zesty
