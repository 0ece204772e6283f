#include "app/sections/sections_panel.h"

#include "app/sections/divide_part.h"
#include "app/sections/grouping_part.h"
#include "app/sections/how_much_part.h"
#include "app/sections/methods_part.h"

namespace zesty {

SectionsPanel::SectionsPanel(Document& document, BenchState& state, Actions& actions, Worker& worker,
                             QWidget* parent)
    : PanelOfParts("What goes behind?", {"Sections", "Divide", "Method", "How much"}, parent) {
    divide_ = new DividePart(document, state, actions, this);
    add(new GroupingPart(document, state, actions, this));
    add(divide_);
    add(new MethodsPart(document, state, actions, worker, this));
    add(new HowMuchPart(document, state, actions, worker, this));
    connect(this, &PanelOfParts::part_chosen, this, [&state](int part) {
        state.tools().take(part == Divide ? PageTools::Tool::DivideByLine : PageTools::Tool::None);
    });
}

} // namespace zesty
