#pragma once
// Fixes that findings of Dress offer.

#include "core/dress/decisions.h"
#include "core/dress/lying.h"
#include "core/setout/decisions.h"

#include <algorithm>
#include <vector>

namespace zesty {

/// The thing a fix is about; null where it is not there any more.
template <class Thing> Thing* thing_at(std::vector<Thing>& all, int index) {
    return index >= 0 && index < static_cast<int>(all.size()) ? &all[static_cast<std::size_t>(index)]
                                                              : nullptr;
}

struct SetLineHeight {
    int writing = 0;
    double height = 0;
    void operator()(DressDecisions& decided) const {
        if (Writing* w = thing_at(decided.writings, writing)) w->line_height = height;
    }
    bool operator==(const SetLineHeight&) const = default;
};

struct MoveWriting {
    int writing = 0;
    Point by;
    void operator()(DressDecisions& decided) const {
        if (Writing* w = thing_at(decided.writings, writing)) w->centre = w->centre + by;
    }
    bool operator==(const MoveWriting&) const = default;
};
struct SetPen {
    int writing = 0;
    Rgb pen;
    void operator()(DressDecisions& decided) const {
        if (Writing* w = thing_at(decided.writings, writing)) w->pen = pen;
    }
    bool operator==(const SetPen&) const = default;
};
/// The last that were put on the page, so many.
struct TakeEmbellishmentsOff {
    std::string id;
    int count = 1;
    void operator()(DressDecisions& decided) const {
        auto& all = decided.embellishments;
        for (int n = 0; n < count; ++n) {
            const auto last =
                std::find_if(all.rbegin(), all.rend(), [&](const auto& e) { return e.id == id; });
            if (last == all.rend()) return;
            all.erase(std::next(last).base());
        }
    }
    bool operator==(const TakeEmbellishmentsOff&) const = default;
};
struct SetStitching {
    int stitching = 0;
    Stitching as;
    void operator()(DressDecisions& decided) const {
        if (Stitching* s = thing_at(decided.stitchings, stitching)) *s = as;
    }
    bool operator==(const SetStitching&) const = default;
};

/// A mat of a photo, where there is one.
inline PhotoMat* mat_of(SetOutDecisions& page, int photo, int mat) {
    Photo* of = thing_at(page.photos, photo);
    return of ? thing_at(of->mats, mat) : nullptr;
}

struct RemoveMat {
    int photo = 0;
    int mat = 0;
    void operator()(SetOutDecisions& page) const {
        if (mat_of(page, photo, mat))
            page.photos[static_cast<std::size_t>(photo)].mats.erase(
                page.photos[static_cast<std::size_t>(photo)].mats.begin() + mat);
    }
    bool operator==(const RemoveMat&) const = default;
};
/// The borders of all mats of a photo, from the photo outwards.
struct SetMatBorders {
    int photo = 0;
    std::vector<double> borders;
    void operator()(SetOutDecisions& page) const {
        for (std::size_t i = 0; i < borders.size(); ++i)
            if (PhotoMat* m = mat_of(page, photo, static_cast<int>(i))) m->border = borders[i];
    }
    bool operator==(const SetMatBorders&) const = default;
};
/// A title as a whole, as it came out best.
struct SetTitle {
    int title = 0;
    PageTitle as;
    void operator()(DressDecisions& decided) const {
        if (PageTitle* t = thing_at(decided.titles, title)) *t = as;
    }
    bool operator==(const SetTitle&) const = default;
};
struct SetMatPaper {
    int photo = 0;
    int mat = 0;
    std::string paper;
    void operator()(SetOutDecisions& page) const {
        if (PhotoMat* m = mat_of(page, photo, mat)) {
            m->paper = paper;
            m->side = Side::A;
        }
    }
    bool operator==(const SetMatPaper&) const = default;
};
struct SetLayerPaper {
    int layer = 0;
    std::string paper;
    void operator()(DressDecisions& decided) const {
        if (PaperLayer* l = thing_at(decided.layers, layer)) {
            l->paper = paper;
            l->side = Side::A;
        }
    }
    bool operator==(const SetLayerPaper&) const = default;
};
/// How something is held: a cut or a photo, or a layer, embellishment or title.
struct SetMount {
    bool photo = false;
    int index = 0;
    Mounting held;
    void operator()(SetOutDecisions& page) const {
        const auto hold = [this](auto* thing) {
            if (thing) thing->held = held;
        };
        if (photo)
            hold(thing_at(page.photos, index));
        else
            hold(thing_at(page.cuts, index));
    }
    bool operator==(const SetMount&) const = default;
};
struct SetDressMount {
    Lying what = Lying::Layer;
    int index = 0;
    Mounting held;
    void operator()(DressDecisions& decided) const {
        const auto hold = [this](auto* thing) {
            if (thing) thing->held = held;
        };
        if (what == Lying::Layer) hold(thing_at(decided.layers, index));
        if (what == Lying::Embellishment) hold(thing_at(decided.embellishments, index));
        if (what == Lying::Title) hold(thing_at(decided.titles, index));
    }
    bool operator==(const SetDressMount&) const = default;
};
struct MoveWetZone {
    int zone = 0;
    Point by;
    void operator()(DressDecisions& decided) const {
        if (WetZone* z = thing_at(decided.wet, zone)) z->centre = z->centre + by;
    }
    bool operator==(const MoveWetZone&) const = default;
};
struct SetLateFrame {
    LateFrame frame;
    void operator()(DressDecisions& decided) const { decided.frame = frame; }
    bool operator==(const SetLateFrame&) const = default;
};

/// Every mat whose middle is hidden and not see-through.
struct GutMats {
    void operator()(SetOutDecisions& page) const {
        for (Photo& photo : page.photos)
            for (PhotoMat& m : photo.mats)
                if (!m.see_through) m.gut = true;
    }
    bool operator==(const GutMats&) const = default;
};

} // namespace zesty
