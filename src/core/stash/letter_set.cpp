#include "core/stash/letter_set.h"

#include "core/stash/search.h"

namespace zesty {

std::vector<std::string> letters_of(const std::string& text) {
    std::vector<std::string> out;
    for (const char c : text) {
        const bool goes_on = (static_cast<unsigned char>(c) & 0xC0) == 0x80;
        if (!goes_on || out.empty()) out.emplace_back();
        out.back() += c;
    }
    return out;
}

std::string piece_for(const LetterSet& set, const std::string& letter) {
    if (set.letters.contains(letter)) return letter;
    if (set.kind == LetterKind::Words)
        for (const auto& [word, piece] : set.letters)
            if (in_lower(word) == in_lower(letter)) return word;
    if (letter.size() == 1 && letter[0] >= 'a' && letter[0] <= 'z')
        if (const std::string capital(1, static_cast<char>(letter[0] - 'a' + 'A'));
            set.letters.contains(capital))
            return capital;
    return {};
}

} // namespace zesty
