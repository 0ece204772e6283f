#include "core/match/pattern_room.h"

#include <algorithm>

namespace zesty {

double pattern_room(const PaperFace& face) {
    const bool pattern =
        face.pattern == Pattern::Large || face.pattern == Pattern::Small || face.pattern == Pattern::Stripe;
    if (pattern && face.repeat > 0) return std::clamp(face.repeat / 2, 3.0, 25.0);
    switch (face.pattern) {
    case Pattern::Large:
        return 14;
    case Pattern::Picture:
        return 18;
    case Pattern::Ombre:
        return 8;
    case Pattern::Stripe:
        return 5;
    case Pattern::Small:
        return 4;
    case Pattern::Solid:
        break;
    }
    return 0;
}

} // namespace zesty
