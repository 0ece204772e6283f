#pragma once
// What of embellishments and letters a page has taken from the stash already.

#include <map>
#include <string>

namespace zesty {

struct ThingsHad {
    std::map<std::string, int> embellishments;                 ///< by id
    std::map<std::string, std::map<std::string, int>> letters; ///< by id of the set and piece
    bool operator==(const ThingsHad&) const = default;

    int embellishment(const std::string& id) const {
        const auto at = embellishments.find(id);
        return at == embellishments.end() ? 0 : at->second;
    }
    int letter(const std::string& set, const std::string& piece) const {
        const auto of = letters.find(set);
        if (of == letters.end()) return 0;
        const auto at = of->second.find(piece);
        return at == of->second.end() ? 0 : at->second;
    }
};

} // namespace zesty
