#pragma once
// What a person decides at Dress: paper laid on the page, and what is written. Millimetres on the page.

#include "core/dress/late_frame.h"
#include "core/dress/wet_zone.h"
#include "core/geometry/lengths.h"
#include "core/geometry/shapes.h"
#include "core/limits.h"
#include "core/names.h"
#include "core/sections/decisions.h"
#include "core/setout/mounting.h"
#include "core/setout/placed_cut.h"
#include "core/stash/colour.h"
#include "core/stash/stash.h"

#include <string>
#include <type_traits>
#include <vector>

namespace zesty {

enum class WritingShape {
    Lines, ///< straight lines in a rectangle
    Arc,   ///< round a centre, in a band; a ring when it goes all the way
    Back   ///< straight lines on the back of the page
};
template <> inline constexpr std::array words_of<WritingShape>{"lines", "arc", "back"};

struct Writing {
    WritingShape shape = WritingShape::Lines;
    std::string text;      ///< UTF-8; a new line begins a line on the page, too
    Point centre;          ///< of the rectangle, or what the arc goes round
    double width = 101.6;  ///< of the rectangle
    double height = 50.8;  ///< of the rectangle, or how deep the band is
    double turn_deg = 0;   ///< of the rectangle
    double radius = 50.8;  ///< of the outermost line of an arc
    double from_deg = 180; ///< where an arc begins; 0 is to the right, it goes on clockwise
    double sweep_deg = 180;
    double line_height = 7; ///< from line to line
    Rgb pen{0x26, 0x24, 0x2b};
    int with_photo = 0; ///< id of the photo it belongs to: its place and turns are from that photo's middle
    bool operator==(const Writing&) const = default;
};

inline constexpr Limits writing_side_limits{5, 3000};
inline constexpr Limits writing_radius_limits{3, 3000};
inline constexpr Limits sweep_limits{5, 360};
inline constexpr Limits line_height_limits{2, 40};
inline constexpr Limits letter_width_limits{0.2, 1.2}; ///< of the line height
inline constexpr std::size_t most_writings = 60;
inline constexpr std::size_t longest_writing = 20'000; ///< bytes

enum class LayerShape {
    Strip, ///< a rectangle
    Hill,  ///< a rectangle whose upper edge is torn to a hill
    Tape   ///< along an edge of the base, from end to end
};
template <> inline constexpr std::array words_of<LayerShape>{"strip", "hill", "tape"};

/// Where a layer lies in the pile.
enum class LayerPlace { UnderCuts, UnderPhotos, OnTop };
template <> inline constexpr std::array words_of<LayerPlace>{"under-cuts", "under-photos", "on-top"};

enum class BaseEdge { Left, Top, Right, Bottom };
template <> inline constexpr std::array words_of<BaseEdge>{"left", "top", "right", "bottom"};

/// Paper on the page besides the cuts' and the photo mats'.
struct PaperLayer {
    std::string name; ///< empty for what its shape is called
    LayerShape shape = LayerShape::Strip;
    std::string paper; ///< id; empty for tape from a roll, or paper that is not from the stash
    Side side = Side::A;
    Point centre;                     ///< of a strip or hill
    double width = 152.4;             ///< the same; of tape nothing
    double height = 25.4;             ///< the same; of tape how wide it is
    double turn_deg = 0;              ///< of a strip or hill
    BaseEdge edge = BaseEdge::Bottom; ///< that tape runs along
    double inset = 0;                 ///< from that edge
    bool torn = false;                ///< all round; of a hill the upper edge is torn anyway
    double tear = mm_per_inch / 8;    ///< what is cut larger for it
    LayerPlace place = LayerPlace::UnderCuts;
    Mounting held = {};
    bool operator==(const PaperLayer&) const = default;
};
inline constexpr Limits layer_side_limits{1, 3000};
inline constexpr Limits layer_tear_limits{0, 50};
inline constexpr Limits layer_inset_limits{0, 1000};
inline constexpr std::size_t most_layers = 60;

/// What a title's letters stand on. They stand to the left of the way it goes: above a line that goes right.
enum class TitleOn {
    Line,    ///< straight or sloped
    Circle,  ///< round a centre; against the clock they stand inside
    Opening, ///< along the edge of an opening
    CutEdge  ///< along the outer edge of a cut
};
template <> inline constexpr std::array words_of<TitleOn>{"line", "circle", "opening", "cut-edge"};

struct TitlePath {
    TitleOn on = TitleOn::Line;
    Point centre;           ///< the middle of a line, or what the circle goes round
    double length = 152.4;  ///< of the way there is, but for a circle
    double turn_deg = 0;    ///< of a line
    double radius = 76.2;   ///< of a circle
    double from_deg = 180;  ///< where on the circle it begins; 0 is to the right, on clockwise
    double sweep_deg = 180; ///< less than 0 against the clock
    Spot opening;           ///< along whose edge
    int cut = 0;            ///< id of the cut along whose outer edge
    double start = 0;       ///< where on an edge it begins, as a share of its length, clockwise from the top
    double offset = 2;      ///< from an edge: outside of it, less than 0 inside
    bool operator==(const TitlePath&) const = default;
};

struct PageTitle {
    std::string text;              ///< words with spaces between; one line
    std::vector<std::string> sets; ///< ids of letter sets by word; the last is for all that follow
    TitlePath path;
    double spacing = 0; ///< beyond what is usual for the set, from letter to letter
    double height = 0;  ///< of letters that are cut by machine; 0 for the set's own
    bool block = false; ///< a line for each word, where it stands on a line
    bool label = false; ///< a plain label lies under it
    Rgb label_colour{0xfb, 0xf8, 0xf1};
    double label_margin = 3.175; ///< round the letters
    Mounting held = {};
    bool operator==(const PageTitle&) const = default;
};
inline constexpr Limits title_length_limits{5, 3000};
inline constexpr Limits title_sweep_limits{-360, 360};
inline constexpr Limits title_offset_limits{-100, 100};
inline constexpr Limits title_spacing_limits{-10, 50};
inline constexpr Limits title_height_limits{0, 400};
inline constexpr Limits label_margin_limits{0, 50};
inline constexpr Limits share_limits{0, 1};
inline constexpr std::size_t most_titles = 20;
inline constexpr std::size_t longest_title = 200; ///< bytes

/// A sticker, button and so on where it lies.
struct PlacedEmbellishment {
    std::string id; ///< of the stash
    Point centre;
    double turn_deg = 0;
    Mounting held = {};
    bool operator==(const PlacedEmbellishment&) const = default;
};
inline constexpr std::size_t most_placed = 500;

enum class Stitch {
    Running, ///< over and under by turns
    Back     ///< each stitch goes back to the one before, so that the line is closed
};
template <> inline constexpr std::array words_of<Stitch>{"running", "back"};

/// A line of stitches along edges of the base.
struct Stitching {
    Stitch stitch = Stitch::Running;
    bool left = true, top = true, right = true, bottom = true;
    double inset = 6.35;  ///< from the edge of the base
    double spacing = 5;   ///< from hole to hole, about: so that they come out even
    double clearance = 3; ///< from cuts, photos and everything else that is glued or raised
    Rgb thread{0xb0, 0x4a, 0x3a};
    bool operator==(const Stitching&) const = default;
};
inline constexpr Limits stitch_inset_limits{1, 200};
inline constexpr Limits stitch_spacing_limits{1, 50};
inline constexpr Limits stitch_clearance_limits{0, 50};
inline constexpr std::size_t most_stitchings = 10;

/// Where neither glue nor foam goes, so that something can be tucked under later, or a tip stays free.
struct FreePart {
    Point centre;
    double radius = 12.7;
    bool operator==(const FreePart&) const = default;
};
inline constexpr Limits free_part_limits{2, 500};
inline constexpr std::size_t most_free_parts = 40;
inline constexpr Limits album_limits{0.5, 100};

struct DressDecisions {
    std::vector<WetZone> wet; ///< in the order they are made
    LateFrame frame;
    std::vector<FreePart> free_parts;
    double album_takes = 5; ///< mm above the base that fit into the album's pocket
    std::vector<Stitching> stitchings;
    std::vector<PlacedEmbellishment> embellishments; ///< lowest first
    std::vector<PageTitle> titles;                   ///< the same; above the embellishments
    std::vector<PaperLayer> layers;                  ///< lowest first, within their place in the pile
    std::vector<Writing> writings;
    double letter_width = 0.42; ///< how wide a letter of this hand is, spaces too, of the line height
    bool operator==(const DressDecisions&) const = default;
};

/// See core/sections/decisions.h.
template <class Decisions, class Visit>
void each_naming(Decisions& d,
                 Visit&& visit) requires std::is_same_v<std::remove_const_t<Decisions>, DressDecisions> {
    visit(d.titles, Named::Opening);
}

} // namespace zesty
