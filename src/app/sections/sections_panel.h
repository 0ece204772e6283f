#pragma once
// Sections: what belongs together and what goes behind it, what is divided, and by which way it is backed.

#include "app/bench/panel_part.h"
#include "app/bench/worker.h"

namespace zesty {

class DividePart;

class SectionsPanel : public PanelOfParts {
    Q_OBJECT
public:
    enum Part { Sections, Divide, Method, HowMuch };
    SectionsPanel(Document& document, BenchState& state, Actions& actions, Worker& worker,
                  QWidget* parent = nullptr);
    DividePart& divide_part() { return *divide_; }

private:
    DividePart* divide_;
};

} // namespace zesty
