#pragma once
// What a person decides about papers: which goes where, what is wanted of its pattern, and what proposals aim
// at.

#include "core/limits.h"
#include "core/match/pattern_wish.h"
#include "core/match/style.h"
#include "core/sections/decisions.h"
#include "core/stash/stash.h"

#include <map>
#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace zesty {

/// What is decided about the paper of one section.
struct PaperChoice {
    std::string paper;                   ///< its id; empty when none has been chosen
    Side side = Side::A;                 ///< of the paper
    bool locked = false;                 ///< given by hand: proposals leave it alone
    std::vector<std::string> never = {}; ///< papers it must not get, ascending
    std::optional<Spot> same_as = {};    ///< gets whatever paper that section gets
    bool facing = false;                 ///< with same_as: its stripes slant the other way
    PatternWish pattern = {};
    bool operator==(const PaperChoice&) const = default;
};

struct MatchDecisions {
    MatchStyle style;                       ///< of proposals
    std::map<std::string, PaperRole> roles; ///< by paper
    /// Papers that must not lie beside each other; each pair ascending, pairs ascending.
    std::vector<std::pair<std::string, std::string>> apart;
    Slants slants;
    std::map<Spot, PaperChoice> choices; ///< by the lowest opening of a section
    bool operator==(const MatchDecisions&) const = default;

    const PaperChoice& choice(Spot section) const;
    /// Sets or, when it says nothing, removes the entry.
    void choose(Spot section, PaperChoice choice);
};

template <class Decisions, class Visit>
void each_naming(Decisions& d,
                 Visit&& visit) requires std::is_same_v<std::remove_const_t<Decisions>, MatchDecisions> {
    visit(d.choices, Named::Section);
}

/// These papers must not lie beside each other; or may again.
void keep_apart(MatchDecisions& decisions, const std::string& paper, const std::string& other, bool apart);

} // namespace zesty
