#pragma once
// The layers of paper behind a photo, as decided. They belong to their photo: they move, turn and go with it.
// Millimetres, in the directions of the photo.

#include "core/geometry/lengths.h"
#include "core/geometry/shapes.h"
#include "core/limits.h"
#include "core/names.h"
#include "core/stash/stash.h"

#include <string>

namespace zesty {

/// Which part of the photo a mat lies behind.
enum class MatSpan { Whole, Left, Right, Upper, Lower };
template <> inline constexpr std::array words_of<MatSpan>{"whole", "left", "right", "upper", "lower"};

struct PhotoMat {
    std::string paper; ///< id; empty for paper that is not from the stash
    Side side = Side::A;
    double border = mm_per_inch / 8; ///< beyond what lies on it
    Point shift;
    MatSpan span = MatSpan::Whole;
    bool torn = false;
    double tear = mm_per_inch / 8; ///< what is cut larger all round, to be torn off
    bool see_through = false;      ///< vellum or acetate: what lies below shows
    bool gut = false;              ///< its hidden middle is taken out and used elsewhere
    bool operator==(const PhotoMat&) const = default;
};

inline constexpr std::size_t most_mats = 5;
inline constexpr Limits mat_border_limits{0, 100};
inline constexpr Limits mat_shift_limits{-100, 100};
inline constexpr Limits tear_limits{0, 50};

} // namespace zesty
