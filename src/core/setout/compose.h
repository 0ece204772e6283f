#pragma once
// All cuts of a page taken together.

#include "core/cutfile/parts.h"
#include "core/setout/set_out.h"

namespace zesty {

struct Composition {
    /// Every piece and opening on the page, cut by cut; null without cuts. With a single whole cut this is
    /// the drawing itself in its own coordinates, otherwise it is in page coordinates and `whole.to_page`
    /// does nothing.
    std::shared_ptr<const CutFile> cut;
    std::vector<Spot> spots;         ///< by opening: its name in decisions
    std::vector<int> cut_of_opening; ///< by opening: index into SetOutDecisions::cuts
    std::vector<int> piece_numbers;  ///< by piece: its index in its drawing
    SetOut whole;
    std::vector<SetOut> each; ///< by SetOutDecisions::cuts; opening numbers in them are those of `cut`
};

/// `parts`: by SetOutDecisions::cuts, what is used of their drawings.
Composition compose(const SetOutDecisions& page, Units units,
                    const std::vector<std::shared_ptr<const CutPart>>& parts);

} // namespace zesty
