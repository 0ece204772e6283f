#pragma once
// What follows from Dress. Millimetres on the page.

#include "core/dress/decisions.h"
#include "core/dress/hold_facts.h"
#include "core/dress/wet_facts.h"
#include "core/geometry/shapes.h"
#include "core/names.h"
#include "core/stash/colour.h"

#include <array>
#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace zesty {

/// One line to write on.
struct WritingLine {
    Point from, to;    ///< of a straight one, as it is read
    double radius = 0; ///< of an arc, whose ends those are; 0 for a straight one
    double from_deg = 0;
    double sweep_deg = 0;
    double length = 0;
    std::string text; ///< what comes on it
};

/// How a pen is read where it is read worst.
struct PenLook {
    double contrast = 0;        ///< between it and what lies below, in L*
    Rgb better = {};            ///< dark or white, whichever is read better
    double better_contrast = 0; ///< the same of that pen
};

struct WritingFacts {
    std::vector<WritingLine> lines;
    double length = 0;         ///< of all lines
    int holds = 0;             ///< words of usual length, about
    int words = 0;             ///< that are wanted
    int left_over = 0;         ///< of them, without a place
    double widest_fitting = 0; ///< the largest line height at which all find a place; 0 for none
    PenLook pen;
    std::vector<std::string> entered;  ///< by what, by more than 1 mm
    std::optional<Point> way_out = {}; ///< the shortest way to where nothing enters it
};

/// A mat or layer as it is cut from the stash.
struct DressPiece {
    int photo = -1; ///< whose mat it is; -1 for a layer
    int mat = -1;
    int layer = -1;
    bool of_frame = false; ///< a part of the frame that comes last
    std::string what;      ///< "Photo mat 1 of Mia", "Strip 2"
    std::string paper;     ///< id; empty for what is not from the stash
    Polygon outline;       ///< as it is cut, upright about the origin; with a hole where it is gutted
    bool placed = false;
    std::string sheet; ///< id of the sheet it is cut from
    Polygon on_sheet;  ///< there, seen from side A
};

/// What is seen of a mat in the end.
struct MatFacts {
    int photo = 0;
    int mat = 0;
    double area = 0;        ///< of the whole layer
    double seen = 0;        ///< share of it, with everything in place
    double border_seen = 0; ///< share of what its own photo and the mats on it leave free
};

/// An opening that something lies on.
struct CoveredOpening {
    int opening = 0;
    double hidden = 0;   ///< share
    double left = 0;     ///< mm2 that are seen
    bool sliver = false; ///< a part of what is left looks like a mistake
    double width = 0;    ///< of the narrowest sliver
    Point at;            ///< the middle of that
    std::vector<int> by; ///< what lies on it, into the pile (pile.h)
};

struct CoverageFacts {
    std::vector<CoveredOpening> openings; ///< those that anything lies on, ascending
    std::vector<double> of_section;       ///< share hidden, by section
};

/// A letter, or a ready-made word, where it stands.
struct TitleLetter {
    std::string piece; ///< of its set; what is wanted where there is none
    std::string set;   ///< its id; empty for a plain hand
    Point foot;        ///< the middle of its foot
    double turn_deg = 0;
    double width = 0;
    double height = 0;
    Polygon box;           ///< what it takes on the page
    bool missing = false;  ///< there is none left for it
    int lines = 0;         ///< bars of cuts that run through below it
    double contrast = 100; ///< the least difference in L* to what lies under it
};

struct TitleFacts {
    std::vector<TitleLetter> letters;
    double length = 0;    ///< of the longest line of letters, spaces and gaps included
    double room = 0;      ///< of its path
    double overhang = 0;  ///< of the one beyond the other
    double height = 0;    ///< of the tallest letter
    bool no_path = false; ///< the opening or cut that it followed is not there
    std::vector<std::pair<std::string, int>> missing; ///< pieces, and how many are short
    int most_lines = 0;                               ///< below one letter
    double contrast = 100;                            ///< of the letter that is seen worst
    Polygon label; ///< the smallest that lies under all letters, with its margin
    double label_width = 0;
    double label_height = 0;
};

/// An embellishment on the page.
struct EmbellishmentFacts {
    bool known = false;       ///< it is in the stash, or the page has kept it
    Polygon outline;          ///< on the page
    double contrast = 0;      ///< delta E 2000 to what most lies under it
    bool rim_on_dark = false; ///< its white rim lies on a dark photo
    int opening = -1;         ///< it lies altogether in; -1 for none
};
/// What the page uses more of than there is.
struct ShortThing {
    std::string id;
    int used = 0;
    int there = 0;
};

/// Embellishments that hang together.
struct Cluster {
    std::vector<int> members; ///< into DressDecisions::embellishments
    Point centre;             ///< by their areas
    double area = 0;
};

/// A kind or a colour of embellishments that comes back.
struct ComesBack {
    std::string what; ///< "button", "muted red"
    bool colour = false;
    int count = 0;
    double least_angle_deg = 0; ///< of the widest triangle they make; 0 for two, or in a line
};

/// What the eye makes of the page.
struct BalanceFacts {
    std::vector<Cluster> clusters;  ///< the largest first
    std::vector<Point> triangle;    ///< of the three largest; empty with fewer
    std::vector<double> angles_deg; ///< at its corners
    int around_photo = -1;          ///< the photo it has around
    std::array<double, 4>
        quarters{}; ///< share of what lies there: upper left, upper right, lower left, lower right
    Point emptiest; ///< the middle of the largest free circle of the base
    double emptiest_radius = 0;    ///< 0 for none
    std::vector<int> lone_accents; ///< embellishments whose strong colour is nowhere else
    std::string many_kind;         ///< of which there are too many; empty for none
    int many_count = 0;
    std::optional<Point> suggested;            ///< where a third cluster would go
    std::vector<std::string> suggested_things; ///< ids of the stash: what of it would go there, best first
    std::vector<ComesBack> come_back;          ///< kinds and colours that are there more than once
};

/// A straight piece of a line of stitches.
struct StitchRun {
    Point from, to;
    int holes = 0;      ///< its ends among them
    double spacing = 0; ///< between them, even
};
struct StitchingFacts {
    std::vector<StitchRun> runs;
    double length = 0; ///< of all runs
    double wanted = 0; ///< of the whole line, with what is left out
    int holes = 0;
    double thread = 0;                      ///< with its ends to be fastened
    std::vector<std::string> kept_clear_of; ///< what parts are left out for
};

struct DressFacts {
    std::shared_ptr<const std::vector<BarPlace>> bar_places; ///< of the composed cut; null without one
    HeightFacts heights;
    GlueFacts glue;
    std::vector<WetFacts> wet;      ///< by DressDecisions::wet
    std::vector<WetPair> wet_pairs; ///< that want to dry between
    std::optional<LateFrameFacts> frame;
    BalanceFacts balance;
    std::vector<StitchingFacts> stitchings;         ///< by DressDecisions::stitchings
    std::vector<TitleFacts> titles;                 ///< by DressDecisions::titles
    std::vector<EmbellishmentFacts> embellishments; ///< by DressDecisions::embellishments
    std::vector<ShortThing> short_embellishments;
    std::vector<WritingFacts> writings; ///< by DressDecisions::writings
    std::vector<Writing> placed;        ///< the same where they lie, those of photos too
    std::vector<DressPiece> pieces;     ///< mats by photo and from inside out, then layers
    std::vector<MatFacts> mats;
    std::vector<double> layers_seen; ///< by DressDecisions::layers: share
    CoverageFacts coverage;
};

} // namespace zesty
