#pragma once
// What is wanted of the pattern in an opening, beyond which paper it is.

#include "core/geometry/shapes.h"
#include "core/limits.h"
#include "core/names.h"

#include <optional>
#include <string>

namespace zesty {

/// A feature of the pattern, such as a flower or the centre of rays, brought to a point of every opening.
struct MotifAnchor {
    Point on_paper;   ///< on the paper's picture, mm from its top left
    Point off_middle; ///< from the middle of the opening, mm on the page
    bool operator==(const MotifAnchor&) const = default;
};

struct PatternWish {
    /// The way stripes run on the page, clockwise from the right; patterns without stripes are turned by it.
    std::optional<double> slant_deg;
    std::optional<double> tone; ///< of an ombre: 0 from its light end, 1 from its dark end
    std::optional<MotifAnchor> motif;
    bool run_on = false; ///< the pattern runs on from patch to patch of the section
    bool operator==(const PatternWish&) const = default;
};

inline constexpr Limits tone_limits{0, 1};
inline constexpr Limits motif_limits{-3000, 3000};

/// Which slant striped papers have where nothing else is said.
enum class SlantRule {
    AsTheyFit,
    Parallel, ///< one for the whole page
    Facing    ///< one for the page, the other way in cuts that are mirrored
};
template <> inline constexpr std::array words_of<SlantRule>{"as-they-fit", "parallel", "facing"};

struct Slants {
    SlantRule rule = SlantRule::AsTheyFit;
    double angle_deg = 45; ///< the way stripes run on the page, clockwise from the right
    bool operator==(const Slants&) const = default;
};

} // namespace zesty
