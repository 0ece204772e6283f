#pragma once
// A drawing as a file reader hands it over: flattened contours with their paint, in millimetres as far as the
// file says what its units are. Immutable once read; everything shares it.

#include "core/geometry/fill.h"

#include <cstdint>
#include <string>
#include <vector>

namespace zesty {

struct Contour {
    Ring points;
    bool closed = false; ///< Fills close open contours anyway; only outline drawings care.
};

struct Shape {
    std::vector<Contour> contours;
    FillRule rule = FillRule::NonZero;
    bool filled = false;
    bool stroked = false;
    std::string colour =
        {};                 ///< of the fill, or of the stroke where nothing is filled; as the reader names it
    std::string group = {}; ///< name of the outermost group it stands in
};

/// One shape of closed contours that cover even-odd.
inline Shape even_odd_shape(std::vector<Ring> contours) {
    Shape out;
    out.filled = true;
    out.rule = FillRule::EvenOdd;
    for (Ring& r : contours) out.contours.push_back({std::move(r), true});
    return out;
}

struct Drawing {
    double width = 0;        ///< of the whole drawing, mm
    double height = 0;       ///< mm
    bool size_known = false; ///< false when the file has no absolute units and 96 per inch was assumed
    bool size_real = false;  ///< measured from the cut itself: to be set out at this size
    std::vector<Shape> shapes;
    std::vector<std::string> warnings; ///< what the reader left out or could not follow, one sentence each
};

} // namespace zesty
