#pragma once
// Papers found by what somebody remembers of them.

#include "core/stash/stash.h"

#include <optional>

namespace zesty {

/// Everything that is given must be true of a paper; colour and pattern of one of its sides.
struct StashQuery {
    std::string words = {}; ///< each of them in name, notes, place or id, whatever the case
    std::optional<Rgb> colour = {};
    double colour_within = 20; ///< delta E 2000
    std::optional<Pattern> pattern = {};
    double width = 0; ///< some sheet must hold a piece of this size, either way round, mm
    double height = 0;
    bool in_stock = false; ///< some sheet is left
};

/// Indices into the papers; those nearest to the colour first, otherwise in their order.
std::vector<int> found_in(const Stash& stash, const StashQuery& query);

} // namespace zesty
