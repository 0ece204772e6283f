#pragma once
// Families of colours to look for: papers in the drawer, pages on the shelf.

#include "app/bench/choices.h"
#include "core/stash/colour.h"

#include <array>
#include <optional>

namespace zesty {

struct ColourFamily {
    const char* name;
    Rgb middle;
};
/// Greys and blacks last.
inline constexpr std::array colour_families{
    ColourFamily{"reds", {0xB8, 0x3A, 0x36}},    ColourFamily{"oranges", {0xE0, 0x7F, 0x36}},
    ColourFamily{"yellows", {0xE9, 0xC8, 0x62}}, ColourFamily{"greens", {0x5E, 0x9A, 0x62}},
    ColourFamily{"blues", {0x4E, 0x86, 0xB4}},   ColourFamily{"purples", {0x83, 0x5B, 0xA0}},
    ColourFamily{"pinks", {0xD9, 0x8A, 0xA4}},   ColourFamily{"browns", {0x8A, 0x62, 0x44}},
    ColourFamily{"whites", {0xF6, 0xF3, 0xEC}},  ColourFamily{"greys", {0x8E, 0x8C, 0x8A}},
    ColourFamily{"blacks", {0x2A, 0x28, 0x2C}}};
inline constexpr std::size_t families_but_greys_and_blacks = 9;
inline constexpr double family_within = 26; ///< delta E 2000

/// Offers so many of them, each with a dot of its colour.
void offer_families(ChoiceBox<std::optional<Rgb>>& box, std::size_t how_many = colour_families.size());

} // namespace zesty
