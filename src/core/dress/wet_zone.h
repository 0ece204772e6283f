#pragma once
// Paint, ink and the like on the base, as decided. Millimetres on the page.

#include "core/geometry/lengths.h"
#include "core/geometry/shapes.h"
#include "core/limits.h"
#include "core/names.h"
#include "core/stash/colour.h"

#include <string>

namespace zesty {

enum class WetKind { Paint, Ink, Splatter, Paste };
template <> inline constexpr std::array words_of<WetKind>{"paint", "ink", "splatter", "paste"};

enum class WetShape {
    Box,
    Circle,
    CutMargin, ///< the outer edge of a cut and a margin beyond it
    Stencil    ///< the openings of a cut, wherever that is held
};
template <> inline constexpr std::array words_of<WetShape>{"box", "circle", "cut-margin", "stencil"};

struct WetZone {
    std::string name; ///< empty for what its kind is called
    WetKind kind = WetKind::Paint;
    WetShape shape = WetShape::Circle;
    Point centre;         ///< of what goes by no cut's place
    double width = 76.2;  ///< of a box; of a circle across
    double height = 76.2; ///< of a box
    double turn_deg = 0;  ///< of a box or stencil
    int cut = 0;          ///< id of the cut whose margin it is, or that is the stencil
    double margin = mm_per_inch / 2;
    Rgb colour{0x9c, 0xc4, 0xd6};
    bool primer = false;
    double primer_margin = mm_per_inch / 2; ///< how far the primer goes beyond the colour
    bool operator==(const WetZone&) const = default;
};
inline constexpr Limits wet_side_limits{2, 3000};
inline constexpr Limits wet_margin_limits{0, 200};
inline constexpr std::size_t most_wet_zones = 40;

} // namespace zesty
