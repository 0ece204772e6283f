#pragma once
// Which sheets are printed on which page of the guide, and where: several on one page where they fit, only
// the part with patches of a large one where that is enough, and in parts to be joined where nothing else
// helps. Millimetres.

#include "core/project/plan.h"
#include "io/guide/guide_pdf.h"

#include <string>

namespace zesty::guide {

struct PrintedPart {
    int used = 0;   ///< into SheetFacts::used; -1 for a patch that lies on no sheet yet
    int patch = -1; ///< that patch
    Box part;  ///< what of the sheet, or of the page for a patch alone, is shown, mirrored where the page is
    Point at;  ///< its upper left corner, from that of the room
    Tile tile; ///< of a sheet in several parts
    int rows = 1; ///< of parts
    int columns = 1;
    std::string where = {}; ///< "12 mm from the left edge, ..." where a part stands for the sheet
};
using PrintedPage = std::vector<PrintedPart>;

inline constexpr double caption_room = 9; ///< above each sheet
inline constexpr double caption_width = 58;

/// `width` and `height` of the room for sheets. With `mirrored` only sheets with a patch that is traced.
/// Patches that lie on no sheet, as there is no paper for them yet, come by themselves.
std::vector<PrintedPage> sheet_pages(const Plan& plan, bool mirrored, double width, double height);

} // namespace zesty::guide
