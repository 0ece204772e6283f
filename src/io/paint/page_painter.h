#pragma once
// The page as it will look: frame, base, papers behind the openings, the cut on top. The painter must be set
// up so that its unit is a millimetre of the page. Used by the picture, the guide and the window alike.

#include "io/paint/painted_cuts.h"
#include "io/paint/textures.h"
#include "io/paint/values.h"

#include <QPainter>

namespace zesty {

struct PageLook {
    QColor frame{0xd9, 0xb4, 0x7c};
    QColor base{0xe3, 0xed, 0xee};
    QColor cut{0xff, 0xfe, 0xfb};
    QColor shadow_cut{0x4a, 0x45, 0x50}; ///< a cut that is another one's shadow
    QColor bare{0xf1, 0xec, 0xe1};       ///< openings whose paper is still to be chosen
    double shadow = 0.5;                 ///< of the cut on what lies behind, mm; 0 for none
    bool hatch_short = true;             ///< patches without a place are hatched
    PaintedCuts* cuts =
        nullptr;         ///< where pictures of cuts are kept from one time to the next; null to keep none
    bool sketch = false; ///< the sketch lies faintly on the base; never in what leaves the program
};

void paint_page(QPainter& painter, const Project& project, const Plan& plan, const Textures& textures,
                const PageLook& look = {});

/// A used sheet with its patches, what is left, and dashed the room for later pieces, in sheet coordinates.
void paint_sheet(QPainter& painter, const Plan& plan, const UsedSheet& used, const Textures& textures);

/// What is laid over the page where it is seen by height or by glue; nothing otherwise.
void paint_seen(QPainter& painter, const Project& project, const Plan& plan, Seen seen);

/// The page as a picture, `pixels` along its longer side.
QImage page_picture(const Project& project, const Plan& plan, int pixels, Seen seen = Seen::Colour);

} // namespace zesty
