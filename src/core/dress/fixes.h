#pragma once
// Fixes that findings of Dress offer.

#include "core/dress/decisions.h"
#include "core/dress/lying.h"
#include "core/setout/decisions.h"

#include <algorithm>

namespace zesty {

struct SetLineHeight {
    int writing = 0;
    double height = 0;
    void operator()(DressDecisions& decided) const {
        if (writing >= 0 && writing < static_cast<int>(decided.writings.size()))
            decided.writings[static_cast<std::size_t>(writing)].line_height = height;
    }
    bool operator==(const SetLineHeight&) const = default;
};

struct MoveWriting {
    int writing = 0;
    Point by;
    void operator()(DressDecisions& decided) const {
        const auto i = static_cast<std::size_t>(writing);
        if (i < decided.writings.size()) decided.writings[i].centre = decided.writings[i].centre + by;
    }
    bool operator==(const MoveWriting&) const = default;
};
struct SetPen {
    int writing = 0;
    Rgb pen;
    void operator()(DressDecisions& decided) const {
        const auto i = static_cast<std::size_t>(writing);
        if (i < decided.writings.size()) decided.writings[i].pen = pen;
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
        const auto i = static_cast<std::size_t>(stitching);
        if (i < decided.stitchings.size()) decided.stitchings[i] = as;
    }
    bool operator==(const SetStitching&) const = default;
};

/// A mat of a photo, where there is one.
inline PhotoMat* mat_of(SetOutDecisions& page, int photo, int mat) {
    if (photo < 0 || photo >= static_cast<int>(page.photos.size())) return nullptr;
    auto& mats = page.photos[static_cast<std::size_t>(photo)].mats;
    return mat >= 0 && mat < static_cast<int>(mats.size()) ? &mats[static_cast<std::size_t>(mat)] : nullptr;
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
        if (title >= 0 && title < static_cast<int>(decided.titles.size()))
            decided.titles[static_cast<std::size_t>(title)] = as;
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
        if (layer < 0 || layer >= static_cast<int>(decided.layers.size())) return;
        decided.layers[static_cast<std::size_t>(layer)].paper = paper;
        decided.layers[static_cast<std::size_t>(layer)].side = Side::A;
    }
    bool operator==(const SetLayerPaper&) const = default;
};
/// How something is held: a cut or a photo, or a layer, embellishment or title.
struct SetMount {
    bool photo = false;
    int index = 0;
    Mounting held;
    void operator()(SetOutDecisions& page) const {
        const auto i = static_cast<std::size_t>(index);
        if (photo && i < page.photos.size()) page.photos[i].held = held;
        if (!photo && i < page.cuts.size()) page.cuts[i].held = held;
    }
    bool operator==(const SetMount&) const = default;
};
struct SetDressMount {
    Lying what = Lying::Layer;
    int index = 0;
    Mounting held;
    void operator()(DressDecisions& decided) const {
        const auto i = static_cast<std::size_t>(index);
        if (what == Lying::Layer && i < decided.layers.size()) decided.layers[i].held = held;
        if (what == Lying::Embellishment && i < decided.embellishments.size())
            decided.embellishments[i].held = held;
        if (what == Lying::Title && i < decided.titles.size()) decided.titles[i].held = held;
    }
    bool operator==(const SetDressMount&) const = default;
};
struct MoveWetZone {
    int zone = 0;
    Point by;
    void operator()(DressDecisions& decided) const {
        const auto i = static_cast<std::size_t>(zone);
        if (i < decided.wet.size()) decided.wet[i].centre = decided.wet[i].centre + by;
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
