#include "core/match/pattern_room.h"

#include "core/stash/variation.h"

#include <algorithm>

namespace zesty {

namespace {
constexpr double least_room = 3;
constexpr double most_room = 25; ///< no page has many openings that are larger
} // namespace

double pattern_room(const PaperFace& face) {
    const bool pattern =
        face.pattern == Pattern::Large || face.pattern == Pattern::Small || face.pattern == Pattern::Stripe;
    const bool printed = pattern || face.pattern == Pattern::Picture;
    if (printed && !face.variation.empty()) {
        const double readable = readable_from(face.variation);
        return readable > 0 ? std::clamp(readable, least_room, most_room) : 0;
    }
    if (pattern && face.repeat > 0) return std::clamp(face.repeat / 2, least_room, most_room);
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

std::string about_pattern(const PaperFace& face, Units units) {
    const double room = pattern_room(face);
    return room > 0 ? "readable in openings from " + format_length(2 * room, units) : std::string();
}

} // namespace zesty
