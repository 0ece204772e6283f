#pragma once
// Mats and paper layers cut from the stash: before the patches, because they are cut with a trimmer and
// cannot be divided, and after what the frame, the base and the cuts take.

#include "core/project/plan.h"
#include "core/project/project.h"

namespace zesty {

/// What is laid, and on what. Page millimetres; sheets as seen from side A.
struct DressCutting {
    struct OfPaper {
        int paper = 0; ///< into the stash
        std::vector<Sheet> sheets;
        std::vector<int> numbers;    ///< of those sheets, into PaperFacts::sheets
        std::vector<Region> pinned;  ///< by sheet: where pinned patches lie
        std::vector<int> pieces;     ///< into DressFacts::pieces
        std::vector<Polygon> blanks; ///< by piece, mirrored where side B shows
        std::vector<Direction> ways; ///< by piece
    };
    std::vector<OfPaper> papers;
    double gap = 0;
    unsigned seed = 1;
};
bool operator==(const DressCutting& a, const DressCutting& b);

/// Where a piece lies.
struct DressPlace {
    int sheet = -1; ///< into PaperFacts::sheets
    Polygon on_sheet;
};

/// The pieces there are, without places; by photo and from inside out, then layers.
std::vector<DressPiece> dress_pieces_of(const Project& project);

/// What there is to lay of the pieces whose papers are in the stash.
DressCutting dress_cutting(const Project& project, const Plan& plan);

/// By piece of `pieces` of all papers.
std::vector<DressPlace> laid_dress_pieces(const DressCutting& cutting, std::size_t pieces);

/// Notes the places, takes the paper from the sheets, and offers what gutted mats leave.
void take_dress_pieces(const Project& project, const std::vector<DressPlace>& places, Plan& plan);

/// Puts the papers that have room beside the findings of pieces whose own has none.
void offer_other_papers(const Project& project, Plan& plan);

} // namespace zesty
