#pragma once
// A drawing understood as paper: what comes off the machine, the holes in it, the loose parts in the holes
// and the strips between the holes. Coordinates and lengths are those of the drawing in millimetres; setting
// a cut out on a page only transforms them, because a cut scales evenly.

#include "core/cutfile/drawing.h"
#include "core/geometry/boolean.h"

#include <memory>

namespace zesty {

/// Connected material. Its holes are the openings, in the order of `openings`.
struct Piece {
    Polygon outline;
    double area = 0;
    Box box;
    int in_opening = -1; ///< the opening it lies loose in, which makes it an insert; -1 for none
    int layer = 0;       ///< of several cuts on a page: which one it belongs to
    std::vector<int> openings = {};
};

/// A bounded gap of a piece. Inserts lying in it are holes of its outline.
struct Opening {
    Polygon outline;
    double area = 0;
    Box box;
    int piece = 0;
    std::vector<int> inserts; ///< pieces
    Circle label;             ///< the largest circle inside: where a label fits, and how large
};

/// A strip of paper between two openings, or between an opening and the outer edge of its piece, at its
/// narrowest place.
struct Bar {
    static constexpr int edge = -1;
    int a = 0;    ///< opening
    int b = edge; ///< another opening with a larger number, or `edge`
    double width = 0;
    Point from; ///< on a
    Point to;   ///< on b
};

struct CutFile {
    std::vector<Piece> pieces;     ///< largest first
    std::vector<Opening> openings; ///< in reading order: rows from the top, each from the left
    std::vector<Bar> bars;         ///< narrowest first
    /// Openings congruent up to turning and mirroring, each group in ascending order; singles are left out.
    std::vector<std::vector<int>> twins;
    Box box;               ///< of all material
    double cut_length = 0; ///< what a blade travels, all contours
    std::vector<std::string> warnings;

    /// Narrowest bar of one opening; infinity when it has none.
    double narrowest_bar(int opening) const;
    /// Narrowest bar of all; infinity without openings.
    double narrowest_bar() const {
        return bars.empty() ? std::numeric_limits<double>::infinity() : bars[0].width;
    }
};

/// Deterministic: the same drawing gives the same numbering.
Result<CutFile> read_cut(const Drawing& drawing);

/// As above for material that is already known; its polygons must be valid and must not meet.
CutFile understand(const Region& material);

} // namespace zesty
