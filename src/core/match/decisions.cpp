#include "core/match/decisions.h"

namespace zesty {

const PaperChoice& MatchDecisions::choice(Spot section) const {
    static const PaperChoice none;
    const auto it = choices.find(section);
    return it == choices.end() ? none : it->second;
}

void MatchDecisions::choose(Spot section, PaperChoice choice) {
    if (choice == PaperChoice{})
        choices.erase(section);
    else
        choices[section] = std::move(choice);
}

void keep_apart(MatchDecisions& decisions, const std::string& paper, const std::string& other, bool apart) {
    const std::pair<std::string, std::string> pair = std::minmax(paper, other);
    std::erase(decisions.apart, pair);
    if (apart && paper != other) decisions.apart.push_back(pair);
    std::sort(decisions.apart.begin(), decisions.apart.end());
}

} // namespace zesty
