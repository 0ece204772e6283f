#pragma once
// Sheets: how they are cut, and what of them is left.

#include "app/sheets/cutting_part.h"

namespace zesty {

class SheetsPanel : public PanelOfParts {
    Q_OBJECT
public:
    enum Part { Cutting, Leftovers };
    SheetsPanel(Document& document, BenchState& state, Actions& actions, Settings& settings, Worker& worker,
                QWidget* parent = nullptr);
    CuttingPart& cutting_part() { return *cutting_; }

private:
    CuttingPart* cutting_;
};

} // namespace zesty
