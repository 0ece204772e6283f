#pragma once
// Which paper where: proposals, the selected openings, what counts how much, and the picked paper itself.

#include "app/bench/panel_part.h"

namespace zesty {

class Worker;
class ProposePart;
class OpeningPart;
class PaperPart;

class PapersPanel : public PanelOfParts {
    Q_OBJECT
public:
    enum Part { Propose, Opening, Aims, Paper };
    PapersPanel(Document& document, BenchState& state, Actions& actions, Worker& worker, QWidget* parent);

    ProposePart& propose_part() { return *propose_; }
    OpeningPart& opening_part() { return *opening_; }
    PaperPart& paper_part() { return *paper_; }

private:
    ProposePart* propose_;
    OpeningPart* opening_;
    PaperPart* paper_;
};

} // namespace zesty
