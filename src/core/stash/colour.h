#pragma once
// Colours of papers. CIELAB with D65 white, from sRGB as IEC 61966-2-1 defines it.

#include <cmath>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

namespace zesty {

struct Rgb {
    std::uint8_t r = 0, g = 0, b = 0;
    bool operator==(const Rgb&) const = default;
};

struct Lab {
    double l = 0, a = 0, b = 0;
    bool operator==(const Lab&) const = default;
};

Lab to_lab(Rgb colour);
/// How strong a colour is: 0 for greys.
inline double chroma_of(const Lab& c) {
    return std::hypot(c.a, c.b);
}

/// Delta E 2000 (ISO/CIE 11664-6, by Little CMS). About 1 is the least one notices, below 10 two papers look
/// alike from a step away.
double difference(const Lab& a, const Lab& b);

/// "#rrggbb".
std::optional<Rgb> parse_colour(std::string_view text);
std::string format_colour(Rgb colour);

} // namespace zesty
