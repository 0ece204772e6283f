#include "core/match/decisions.h"

#include "core/setout/choices.h"

namespace zesty {

const PaperChoice& MatchDecisions::choice(Spot section) const {
    return choice_in(choices, section);
}

void MatchDecisions::choose(Spot section, PaperChoice choice) {
    choose_in(choices, section, std::move(choice));
}

void keep_apart(MatchDecisions& decisions, const std::string& paper, const std::string& other, bool apart) {
    const std::pair<std::string, std::string> pair = std::minmax(paper, other);
    std::erase(decisions.apart, pair);
    if (apart && paper != other) decisions.apart.push_back(pair);
    std::sort(decisions.apart.begin(), decisions.apart.end());
}

} // namespace zesty
