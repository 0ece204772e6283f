#pragma once
// What is chosen by spot, kept only where it says something.

#include "core/setout/placed_cut.h"

#include <map>
#include <utility>

namespace zesty {

/// What is chosen for a spot; a choice that says nothing where there is none.
template <class Choice> const Choice& choice_in(const std::map<Spot, Choice>& choices, Spot spot) {
    static const Choice none;
    const auto it = choices.find(spot);
    return it == choices.end() ? none : it->second;
}

/// Sets or, when it says nothing, removes the entry.
template <class Choice> void choose_in(std::map<Spot, Choice>& choices, Spot spot, Choice choice) {
    if (choice == Choice{})
        choices.erase(spot);
    else
        choices[spot] = std::move(choice);
}

} // namespace zesty
