#pragma once
// A sticker, die cut, button, label and so on of the stash. Millimetres.

#include "core/geometry/shapes.h"
#include "core/limits.h"
#include "core/names.h"
#include "core/stash/colour.h"

#include <string>

namespace zesty {

enum class EmbellishmentKind { Sticker, DieCut, Button, Label, Dot, Flower, Ribbon, Other };
template <>
inline constexpr std::array words_of<EmbellishmentKind>{"sticker", "die-cut", "button", "label",
                                                        "dot",     "flower",  "ribbon", "other"};

struct Embellishment {
    std::string id; ///< short; within one stash no two are the same
    std::string name;
    EmbellishmentKind kind = EmbellishmentKind::Sticker;
    Rgb colour{0x8a, 0x86, 0x80};
    Polygon outline; ///< about its middle
    double thickness = 0.3;
    double white_rim = 0;  ///< of paper round a printed sticker
    int count = 1;         ///< how many there are
    std::string on_sheet;  ///< the sheet it is on together with others; empty when it is loose
    std::string kept_in;   ///< where it is
    std::string picture;   ///< name of one in the stash that fills the outline's box; empty for none
    std::string uid;       ///< what it is known by wherever it goes; empty until a stash has taken it in
    bool in_stash = false; ///< as of papers
    bool operator==(const Embellishment&) const = default;
};

inline constexpr Limits thickness_limits{0, 50};
inline constexpr Limits white_rim_limits{0, 20};
inline constexpr Limits thing_count_limits{0, 10'000};
inline constexpr Limits thing_side_limits{0.5, 1000};
inline constexpr std::size_t most_embellishments = 5000;

} // namespace zesty
