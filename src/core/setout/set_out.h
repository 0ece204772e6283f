#pragma once
// The cut on the page. Page coordinates: millimetres, x right, y down, origin at the top left.

#include "core/cutfile/cut_file.h"
#include "core/finding.h"
#include "core/setout/decisions.h"

namespace zesty {

/// What comes of setting a cut out. Everything scales evenly, so that nothing has to be measured again.
struct SetOut {
    Transform to_page; ///< from the drawing's coordinates
    double scale = 1;
    Box cut_box; ///< of the turned cut on the page
    Box base;    ///< the base inside the reveals; of a spread from the first page's to the second's
    Point size;  ///< width and height of the cut before turning
    Point ruled; ///< the same of what the size rule goes by: the whole drawing, where layers stay in register
    Point ruled_turned; ///< of that, the box as it lies now
    double border = 0; ///< from the box of the turned cut to the nearest edge of the page; less than 0 beyond
    double frame_gap = 0; ///< the same to the base
    double thinnest_bar = std::numeric_limits<double>::infinity();
    double smallest_opening = 0; ///< across its largest inscribed circle; 0 without openings
    int smallest = -1;           ///< which opening that is
    double cut_length = 0;
    std::vector<Finding> findings;
};

/// Which of the page's cuts it is.
struct CutOnPage {
    int id = 0;
    int first_opening = 0;             ///< from which its findings count openings
    const CutFile* sized_by = nullptr; ///< what rule, turn and place go by, where that is not the cut itself
    NarrowestBars bars = {};
};

/// The base of a page; of a spread from the left edge of the first base to the right edge of the second.
Box base_of(const Page& page);

/// The base of each page there is.
std::vector<Box> bases_of(const Page& page);

/// What the place of a cut with this box is measured from: the base it lies on inside its frame, the page it
/// lies on where there is no frame, and the whole spread where it lies on both pages.
Box measured_from(const Page& page, const Box& cut);

/// `cut` must have material. A margin, width or height that leaves nothing gives a cut of 1 mm and a finding.
SetOut set_out(const CutFile& cut, const Page& page, const CutPlacement& placement, Units units,
               const CutOnPage& of = {});

} // namespace zesty
