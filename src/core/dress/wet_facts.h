#pragma once
// What follows from paint, ink and a frame that is decided last. Millimetres on the page.

#include "core/geometry/shapes.h"
#include "core/setout/page.h"

#include <array>
#include <optional>
#include <string>
#include <vector>

namespace zesty {

struct WetFacts {
    bool known = true; ///< the cut it goes by is there
    Region wet;
    Region primer; ///< beyond the colour and below it; empty without
    double area = 0;
    double seen = 0;             ///< share, when everything lies in its place
    std::optional<Point> better; ///< by how much to move it, so that most of it is seen: the least that does
    double better_seen = 0;
    double contrast = 0; ///< delta E 2000 to the base
};

/// Two wet zones that lie close and whose hues make mud of each other.
struct WetPair {
    int first = 0, second = 0;
    double apart = 0;
};

/// What a frame hides or cuts off.
struct FramedThing {
    std::string name;
    double share = 0; ///< of it
    double depth = 0; ///< how far the frame comes in over it
    bool photo = false;
    bool protected_part = false; ///< a part of a photo that must stay free
};

struct LateFrameFacts {
    std::vector<Ring> inner;  ///< by leaf: what stays of it
    std::vector<Point> marks; ///< where its inner edges, prolonged, meet the edges of the page
    std::vector<FramedThing> hides;
    double bars = 0;      ///< mm of bars of cuts under it
    double most_even = 0; ///< the widest even frame that hides no photo; 0 for none
};

} // namespace zesty
