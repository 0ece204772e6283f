#pragma once
// How something is held on what lies below it, as decided.

#include "core/limits.h"
#include "core/names.h"

namespace zesty {

enum class Mount {
    Glued,  ///< flat
    Thin,   ///< raised on thin foam
    Normal, ///< raised on foam of the usual thickness
    Double, ///< raised on two layers of it
    Tip     ///< glued at its foot and raised at the other end
};
template <> inline constexpr std::array words_of<Mount>{"glued", "thin", "normal", "double", "tip"};

struct Mounting {
    Mount how = Mount::Glued;
    double foot_deg = 90; ///< where the foot is, of a thing that is raised at its tip: 0 is to the right, on
                          ///< clockwise as the page is seen
    bool operator==(const Mounting&) const = default;
};
inline constexpr Limits foot_limits{-360, 360};

/// What foam raises, mm.
constexpr double raised_by(Mount how) {
    switch (how) {
    case Mount::Glued:
        return 0;
    case Mount::Thin:
        return 1;
    case Mount::Double:
        return 4;
    case Mount::Normal:
    case Mount::Tip:
        break;
    }
    return 2;
}

} // namespace zesty
