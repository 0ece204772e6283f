#include "app/papers/papers_panel.h"

#include "app/papers/aims_part.h"
#include "app/papers/opening_part.h"
#include "app/papers/paper_part.h"
#include "app/papers/propose_part.h"

namespace zesty {

PapersPanel::PapersPanel(Document& document, BenchState& state, Actions& actions, Worker& worker,
                         QWidget* parent)
    : PanelOfParts("Which paper where?", {"Propose", "Opening", "Aims", "Paper"}, parent) {
    propose_ = new ProposePart(document, state, actions, this);
    opening_ = new OpeningPart(document, state, actions, worker, this);
    paper_ = new PaperPart(document, state, actions, worker, this);
    add(propose_);
    add(opening_);
    add(new AimsPart(document, state, actions, this));
    add(paper_);
    connect(&state, &BenchState::selection_changed, this, [this, &state] {
        // Who picks an opening wants to know about it; a proposal on show goes on being asked about.
        if (!state.selected().empty() && !state.offers().shown() && chosen() == Propose) choose(Opening);
    });
    connect(&state.offers(), &Offers::changed, this, [this, &state] {
        // Who turns the aims watches what comes of it.
        if (state.offers().shown() && chosen() != Aims) choose(Propose);
    });
    connect(this, &PanelOfParts::part_chosen, this, [&state](int part) {
        if (part != Opening && state.tools().tool() == PageTools::Tool::MovePattern)
            state.tools().take(PageTools::Tool::None);
    });
}

} // namespace zesty
