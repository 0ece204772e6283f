#pragma once
// Which loose piece belongs to which opening: the same label on both, letters and numbers that cannot be
// mistaken for an opening's number, and another letter for every copy of a cut.

#include "core/cutfile/cut_file.h"

#include <string>
#include <vector>

namespace zesty {

struct InsertLabel {
    std::string label; ///< "A1", "A2", ... ; the copy after it has "B1", ...
    int copy = 0;      ///< 0 for the letter A
    int number = 0;    ///< from 1
    int piece = 0;     ///< the loose piece
    int opening = 0;   ///< the opening it belongs into
    Point in_piece;    ///< where the label fits, on either, in the cut's coordinates
    double room = 0;   ///< radius there
};

/// In order of pieces' openings. Letters go by the layer of the piece: A to Z, then AA.
std::vector<InsertLabel> insert_labels(const CutFile& cut);

/// "B2" for the second piece of the copy after the first.
std::string insert_label(int copy, int number);

} // namespace zesty
