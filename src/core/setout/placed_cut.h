#pragma once
// A cut on the page, as decided. All lengths in millimetres.

#include "core/geometry/lengths.h"
#include "core/geometry/shapes.h"
#include "core/limits.h"
#include "core/names.h"
#include "core/setout/mounting.h"
#include "core/stash/colour.h"

#include <optional>
#include <string>
#include <vector>

namespace zesty {

enum class SizeRule { Margin, Width, Height, Frame };
template <> inline constexpr std::array words_of<SizeRule>{"margin", "width", "height", "frame"};

struct CutPlacement {
    SizeRule rule = SizeRule::Margin;
    /// The margin to the page or to the base, or the drawing's own width or height.
    double length = mm_per_inch / 2;
    double turn_deg = 0;   ///< clockwise as seen
    bool mirrored = false; ///< left to right, before turning
    Point shift;           ///< from the middle of the page; of the base with SizeRule::Frame
    /// The turn at which the rule measures the cut, not mirrored: the one it had when the rule was chosen. A
    /// cut that is turned afterwards keeps its size.
    double sized_at_deg = 0;
    bool operator==(const CutPlacement&) const = default;
};

/// The placement with its size by that rule, measured as the cut lies now: a margin goes by the box of the
/// turned cut, a width or height by the drawing itself.
CutPlacement sized(CutPlacement place, SizeRule rule, double length);

struct PlacedCut {
    int id = 0;      ///< steady while the cut is on the page; Spot::cut refers to it
    int drawing = 0; ///< into Project::drawings
    CutPlacement place;
    std::vector<int> left_out;            ///< pieces of its layers that are not used, ascending
    std::vector<std::string> layers = {}; ///< of the drawing that it is made of; empty for all
    bool by_whole = false; ///< sized and placed by the whole drawing, so that layers stay in register
    double grown = 0;      ///< mm on the page, all round: a shadow
    bool pieces_from_paper = false; ///< its pieces are cut from papers of their own, each a section
    std::optional<Rgb> colour = {}; ///< what it is made of, where that is not a paper of the stash
    std::optional<Rgb> edge = {};   ///< its edges coloured by hand
    std::string paper = {};         ///< id of the paper it is cut from; empty when that is not from the stash
    bool above_photos = true;       ///< photos that are not on top slide behind it
    Mounting held = {};
    bool operator==(const PlacedCut&) const = default;
};

inline constexpr Limits cut_size_limits{1, 3000};       ///< of CutPlacement::length as a width or height
inline constexpr Limits cut_margin_limits{-3000, 3000}; ///< of it as a border
constexpr Limits length_limits(SizeRule rule) {
    return rule == SizeRule::Width || rule == SizeRule::Height ? cut_size_limits : cut_margin_limits;
}
inline constexpr Limits grown_limits{0, 50};   ///< of PlacedCut::grown
inline constexpr int most_cut_ids = 1'000'000; ///< ids are below

inline constexpr Rgb white_cut{255, 254, 251}; ///< where it is not said what a cut is made of

inline constexpr int first_piece_spot = 1'000'000;

/// An opening as decisions name it: steady whatever else is on the page. Part 0 is the whole opening, parts
/// from 1 are what a division makes of it. From `first_piece_spot` on, `opening` counts pieces.
struct Spot {
    int cut = 0;
    int opening = 0;
    int part = 0;

    Spot() = default;
    Spot(int opening_of_first_cut) : opening(opening_of_first_cut) {}
    Spot(int cut_id, int opening_of_cut, int part_of_opening = 0)
        : cut(cut_id), opening(opening_of_cut), part(part_of_opening) {}
    auto operator<=>(const Spot&) const = default;
};
/// A piece that is cut from a paper of its own, rather than an opening.
inline bool is_piece(const Spot& spot) {
    return spot.cut >= 0 && spot.opening >= first_piece_spot;
}

} // namespace zesty
