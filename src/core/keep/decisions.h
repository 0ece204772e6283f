#pragma once
// What a person decides at Keep, and what of the page has been cut already. Millimetres.

#include "core/geometry/shapes.h"
#include "core/setout/placed_cut.h"
#include "core/stash/stash.h"
#include "core/stash/things_had.h"

#include <string>
#include <vector>

namespace zesty {

/// A patch that has been cut: where it lay on its sheet. It stays a fact about paper whatever becomes of its
/// opening, so that removing that leaves a spare patch.
struct TakenPatch {
    Spot spot;
    Side side = Side::A;
    double rotation_deg = 0;
    Point shift;
    bool mirrored = false;
    Polygon on_sheet;
    bool operator==(const TakenPatch&) const = default;
};

/// Whatever else of the page has been cut from a sheet: "base 1", "Photo mat 1 of Mia".
struct TakenPiece {
    std::string what;
    Polygon on_sheet;
    bool operator==(const TakenPiece&) const = default;
};

/// A sheet that the page has been cut from: it is not in the stash any more.
struct TakenSheet {
    std::string id;    ///< "barley#cut1", as plans call it
    std::string paper; ///< id
    SheetKind kind = SheetKind::Full;
    Polygon outline; ///< as the patches were laid on it
    std::vector<TakenPatch> patches;
    std::vector<TakenPiece> pieces;
    bool operator==(const TakenSheet&) const = default;
};
inline constexpr std::size_t most_taken = 2000;

/// What the stash gave, or got back.
struct StockChange {
    std::string paper; ///< id
    SheetStock sheet;  ///< its count is how many
    bool back = false; ///< into the stash
    bool operator==(const StockChange&) const = default;
};

struct KeepDecisions {
    std::string record;   ///< uid of the page's record, from the beginning; empty in files of older versions
    int takings = 0;      ///< how often something has been taken or put back
    std::string finished; ///< the day; empty while it is not finished
    PageNotes notes;
    bool drop_outs = true; ///< large drop-outs go back as scraps
    std::vector<TakenSheet> taken;
    std::vector<StockChange> changes;
    ThingsHad had;
    bool operator==(const KeepDecisions&) const = default;
};

} // namespace zesty
