#pragma once
// Sections: what belongs together and what goes behind it, what is divided, and by which way it is backed.

#include "app/bench/panel_part.h"

namespace zesty {

class Worker;
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
