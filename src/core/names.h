#pragma once
// The words that files and the command line have for the values of an enumeration. They stand once, beside
// it:
//
//     enum class Side { A, B };
//     template <> inline constexpr std::array words_of<Side>{"A", "B"};

#include <array>
#include <optional>
#include <string>
#include <string_view>

namespace zesty {

/// In the order of the values, which count from 0.
template <class Enum> inline constexpr std::array<const char*, 0> words_of{};

template <class Enum>
concept WithWords = !words_of<Enum>.empty();

template <WithWords Enum> constexpr const char* key_of(Enum value) {
    return words_of<Enum>[static_cast<std::size_t>(value)];
}

template <WithWords Enum> constexpr std::optional<Enum> named(std::string_view word) {
    for (std::size_t i = 0; i < words_of<Enum>.size(); ++i)
        if (word == words_of<Enum>[i]) return static_cast<Enum>(i);
    return {};
}

template <WithWords Enum> inline constexpr int count_of_values = static_cast<int>(words_of<Enum>.size());

/// "meet, overlap", for sentences that say what there is.
template <WithWords Enum> std::string all_words() {
    std::string out;
    for (const char* word : words_of<Enum>) out += (out.empty() ? "" : ", ") + std::string(word);
    return out;
}

} // namespace zesty
