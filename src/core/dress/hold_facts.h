#pragma once
// How high the page becomes, where foam goes, and where glue may go. Millimetres on the page; heights above
// the base.

#include "core/dress/bar_places.h"
#include "core/dress/lying.h"
#include "core/geometry/shapes.h"
#include "core/setout/mounting.h"

#include <cstddef>
#include <memory>
#include <string>
#include <vector>

namespace zesty {

/// Heights at the middles of square cells, row by row from the upper left of the page.
struct HeightGrid {
    double cell = 1;
    std::size_t columns = 0, rows = 0;
    std::vector<float> top; ///< mm above the base
};

struct FoamStrip {
    Point from, to;
    double thickness = 0;
};
struct FoamPad {
    Point at;
    double side = 0;
    double thickness = 0;
};
/// Foam of one thickness under something, where that lies lower than at its highest place.
struct FoamLevel {
    double thickness = 0; ///< what is between, in steps there is foam for; 0 for glue
    double area = 0;      ///< of the thing that lies on this level
};

/// Something that does not lie flat.
struct RaisedThing {
    Lying what = Lying::Cut;
    int index = 0; ///< as of LyingThing
    std::string name;
    Mount how = Mount::Glued;
    double top = 0;                ///< of its upper face, at its highest
    std::vector<FoamLevel> levels; ///< the thickest first; more than one: it lies on two levels
    std::vector<FoamStrip> strips;
    std::vector<FoamPad> pads;
    double full = 0;          ///< mm2 of foam, were it all behind it
    double planned = 0;       ///< mm2 of strips and pads
    bool for_shakers = false; ///< raised because shakers in it are
    bool bridges = false;     ///< it does so, or would if it were glued: it spans what lies below it
};

/// Foam of one thickness on the whole page.
struct FoamTotal {
    double thickness = 0;
    double length = 0; ///< of strips
    int pads = 0;
};

struct HeightFacts {
    std::shared_ptr<const HeightGrid> grid; ///< never null once worked out
    double highest = 0;
    Point at;              ///< where
    double over_share = 0; ///< of the page, above what the album takes
    std::vector<RaisedThing> raised;
    std::vector<FoamTotal> foam; ///< thinnest first
    double full = 0;             ///< mm2, were foam everywhere behind what is raised
    double planned = 0;
};

/// What holds a bar of some width.
enum class Adhesive { Sheet, FineGlue, Tape, Dots };
template <> inline constexpr std::array words_of<Adhesive>{"adhesive-sheet", "fine-glue", "tape", "dots"};

struct GlueUse {
    Adhesive what = Adhesive::FineGlue;
    double length = 0; ///< of dots 0
    int dots = 0;
};

enum class GlueWhen { Now, After, Never };
template <> inline constexpr std::array words_of<GlueWhen>{"now", "after", "never"};

/// A place along a bar of a cut.
struct GluePlace {
    Point at;
    double length = 0; ///< of bar that it stands for
    Adhesive what = Adhesive::FineGlue;
    GlueWhen when = GlueWhen::Now;
};

/// Where one cut may be glued.
struct GlueMap {
    int cut = 0; ///< into SetOutDecisions::cuts
    std::vector<GluePlace> places;
    Region never; ///< tucked photos and 1/8 in, see-through parts, shaker windows, parts left free
    Region after; ///< the way in of what is tucked
    std::vector<std::string> tucks; ///< what is tucked, in words
    std::vector<GlueUse> uses;      ///< of places where glue may go
};

/// A piece of a cut that glue holds at fewer than two places 1/4 in apart.
struct BadlyHeld {
    int piece = 0; ///< of the composed cut
    Point at;
    double apart = 0;  ///< of the two places farthest from each other
    bool none = false; ///< it is held nowhere
};

struct GlueFacts {
    std::vector<GlueMap> cuts; ///< by cut
    std::vector<BadlyHeld> badly_held;
    std::vector<GlueUse> uses; ///< of the whole page: cuts, patches, photos, layers, embellishments
};

} // namespace zesty
