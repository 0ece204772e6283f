#include "app/sheets/sheets_panel.h"

#include "app/sheets/room_part.h"

namespace zesty {

SheetsPanel::SheetsPanel(Document& document, BenchState& state, Actions& actions, Settings& settings,
                         Worker& worker, QWidget* parent)
    : PanelOfParts("What is cut from what?", {"Cutting", "Left over"}, parent) {
    cutting_ = new CuttingPart(document, state, actions, settings, worker, this);
    add(cutting_);
    add(new RoomPart(document, state, actions, this));
}

} // namespace zesty
