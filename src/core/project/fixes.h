#pragma once
// Decisions that settle findings and concern more than one stage.

#include "core/project/edits.h"
#include "core/project/stash_at_hand.h"
#include "core/stash/stock.h"

namespace zesty {

struct GivePaper {
    Spot section;
    std::string paper;
    Side side = Side::A;
    void operator()(Project& project) const { give_paper(project, {section}, paper, side); }
    bool operator==(const GivePaper&) const = default;
};

/// The page's own papers become papers of the stash that is open.
struct AddToStash {
    void operator()(Project& project) const {
        Stash next = stash_at_hand(project);
        for (Paper& p : next.papers) p.in_stash = true;
        project.stash = std::make_shared<const Stash>(std::move(next));
    }
    bool operator==(const AddToStash&) const = default;
};

struct DivideOpening {
    Spot opening;
    Division division;
    void operator()(Project& project) const { divide(project, {opening}, division); }
    bool operator==(const DivideOpening&) const = default;
};

/// One more square sheet of a paper, of that side: bought, or found again.
struct AddSheet {
    std::string paper;
    double side;
    void operator()(Project& project) const {
        Stash next = stash_at_hand(project);
        const int at = next.find(paper);
        if (at < 0) return;
        change_count(next.papers[static_cast<std::size_t>(at)],
                     {{ring_of(Box{0, 0, side, side}), {}}, 1, false}, 1);
        project.stash = std::make_shared<const Stash>(std::move(next));
    }
    bool operator==(const AddSheet&) const = default;
};

/// What was pinned to a sheet that is not there any more finds its place anew.
struct UnpinFrom {
    std::string sheet;
    void operator()(SheetDecisions& decisions) const {
        std::erase_if(decisions.pins, [this](const auto& pin) { return pin.second.sheet == sheet; });
    }
    bool operator==(const UnpinFrom&) const = default;
};

} // namespace zesty
