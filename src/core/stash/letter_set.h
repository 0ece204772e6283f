#pragma once
// Letters of the stash: a sheet of stickers, dies, stamps, ready-made words, or a font that is cut by
// machine.

#include "core/limits.h"
#include "core/names.h"
#include "core/stash/colour.h"

#include <map>
#include <string>
#include <vector>

namespace zesty {

enum class LetterKind {
    Stickers, ///< as many of each as are on the sheets
    Dies,     ///< cut again and again; every letter there is a die of
    Stamps,   ///< never run out
    Words,    ///< ready-made words, each a piece
    Cut       ///< cut by machine at any height
};
template <> inline constexpr std::array words_of<LetterKind>{"stickers", "dies", "stamps", "words", "cut"};

/// Whether pieces of the kind run out.
constexpr bool runs_out(LetterKind kind) {
    return kind == LetterKind::Stickers || kind == LetterKind::Words;
}

struct LetterPiece {
    double width = 0; ///< mm, at the set's height
    int count = 1;    ///< how many there are, where they run out
    bool operator==(const LetterPiece&) const = default;
};

struct LetterSet {
    std::string id;
    std::string name;
    LetterKind kind = LetterKind::Stickers;
    double height = 16; ///< of a capital, mm
    double stroke = 2;  ///< how wide its lines are
    double gap = 1.5;   ///< usual space from letter to letter
    Rgb colour{0x26, 0x24, 0x2b};
    double thickness = 0.3;
    std::map<std::string, LetterPiece> letters; ///< by letter, or by word where words are ready-made; UTF-8
    std::string kept_in;
    std::string uid;
    bool in_stash = false;
    bool operator==(const LetterSet&) const = default;
};

inline constexpr Limits letter_height_limits{1, 400};
inline constexpr Limits letter_stroke_limits{0.05, 400};
inline constexpr Limits letter_gap_limits{-20, 100};
inline constexpr Limits piece_width_limits{0.1, 1000};
inline constexpr std::size_t most_letter_sets = 500;

/// The piece for a letter: itself, else its capital where the set has only those; empty where there is none.
std::string piece_for(const LetterSet& set, const std::string& letter);

/// A text of letters, each a character of UTF-8.
std::vector<std::string> letters_of(const std::string& text);

} // namespace zesty
