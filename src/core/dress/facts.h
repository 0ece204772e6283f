#pragma once
// What follows from Dress. Millimetres on the page.

#include "core/geometry/shapes.h"
#include "core/stash/colour.h"

#include <string>
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

struct WritingFacts {
    std::vector<WritingLine> lines;
    double length = 0;         ///< of all lines
    int holds = 0;             ///< words of usual length, about
    int words = 0;             ///< that are wanted
    int left_over = 0;         ///< of them, without a place
    double widest_fitting = 0; ///< the largest line height at which all find a place; 0 for none
    Rgb ground;
    double contrast = 0;              ///< between pen and ground, in L*
    std::vector<std::string> entered; ///< by what, by more than 1 mm
};

struct DressFacts {
    std::vector<WritingFacts> writings; ///< by DressDecisions::writings
};

} // namespace zesty
