#pragma once
// Papers found by what somebody remembers of them.

#include "core/stash/stash.h"

#include <optional>

namespace zesty {

/// Words as they are compared: ASCII letters small.
std::string in_lower(std::string text);

/// Everything that is given must be true of a paper; colour and pattern of one of its sides.
struct StashQuery {
    /// Each of them in name, notes, place, id, kind, finish or colour in words, whatever the case; words that
    /// mean the same find the same.
    std::string words = {};
    std::optional<Rgb> colour = {};
    double colour_within = 20; ///< delta E 2000
    std::optional<Pattern> pattern = {};
    bool in_stock = false; ///< some sheet is left
    bool to_use_up = false;
    std::string untouched_since = {}; ///< a day, as 2026-11-27: nothing of it has changed since
};

/// Indices into the papers; those nearest to the colour first, otherwise in their order.
std::vector<int> found_in(const Stash& stash, const StashQuery& query);

} // namespace zesty
