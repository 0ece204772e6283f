#pragma once
// A stand-in for a scanner or a camera: pictures of a scrap of paper beside a square, as they come out of
// one. For demo and tests; what real devices do besides (curved lenses, folded paper) it does not do.

#include "core/geometry/shapes.h"
#include "core/stash/colour.h"

#include <QImage>

namespace zesty::devices {

struct ScanLook {
    double dots_per_inch = 300;
    double square = 25.4; ///< side of the square, mm
    double turn_deg = 0;
    double slant = 0;     ///< the far side of the picture is smaller by this share
    double slant_deg = 0; ///< which way is far, clockwise from the top
    double shadow = 0.15; ///< the dark side of the picture is darker by this share
    int grain = 8;        ///< levels up or down at most
    double margin = 8;    ///< ground around everything, mm
    Rgb paper{215, 208, 200};
    Rgb ground{60, 64, 70};
    Rgb square_paper{228, 228, 228};
};

/// The scrap, in millimetres wherever it lies, with the square at its left. The same seed gives the same
/// grain.
QImage scanned(const Polygon& scrap, const ScanLook& look, unsigned seed);

} // namespace zesty::devices
