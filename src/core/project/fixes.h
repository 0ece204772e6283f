#pragma once
// Decisions that settle findings and concern more than one stage.

#include "core/project/edits.h"
#include "core/project/stash_at_hand.h"

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

/// What was pinned to a sheet that is not there any more finds its place anew.
struct UnpinFrom {
    std::string sheet;
    void operator()(SheetDecisions& decisions) const {
        std::erase_if(decisions.pins, [this](const auto& pin) { return pin.second.sheet == sheet; });
    }
    bool operator==(const UnpinFrom&) const = default;
};

} // namespace zesty
