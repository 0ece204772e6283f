#include "core/setout/fixes.h"

namespace zesty {

void SetMargin::operator()(SetOutDecisions& page) const {
    for (PlacedCut& c : page.cuts)
        if (c.id == cut) {
            c.place = sized(c.place, SizeRule::Margin, margin);
        }
}

void MovePhoto::operator()(SetOutDecisions& page) const {
    if (photo >= 0 && photo < static_cast<int>(page.photos.size())) page.photos[photo].centre = centre;
}

void ResizeCuts::operator()(SetOutDecisions& page) const {
    for (PlacedCut& c : page.cuts)
        if (const auto place = places.find(c.id); place != places.end()) c.place = place->second;
}

} // namespace zesty
