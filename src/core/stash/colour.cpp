#include "core/stash/colour.h"

#include <array>
#include <charconv>
#include <cmath>
#include <cstdio>
#include <lcms2.h>

namespace zesty {

namespace {

/// A channel has so few values that each is worked out once.
double linear(std::uint8_t channel) {
    static const auto of = [] {
        std::array<double, 256> out{};
        for (std::size_t i = 0; i < out.size(); ++i) {
            const double c = static_cast<double>(i) / 255.0;
            out[i] = c <= 0.04045 ? c / 12.92 : std::pow((c + 0.055) / 1.055, 2.4);
        }
        return out;
    }();
    return of[channel];
}

double lab_curve(double t) {
    const double d = 6.0 / 29;
    return t > d * d * d ? std::cbrt(t) : t / (3 * d * d) + 4.0 / 29;
}

} // namespace

Lab to_lab(Rgb c) {
    const double r = linear(c.r);
    const double g = linear(c.g);
    const double b = linear(c.b);
    const double x = lab_curve((0.4124564 * r + 0.3575761 * g + 0.1804375 * b) / 0.95047);
    const double y = lab_curve(0.2126729 * r + 0.7151522 * g + 0.0721750 * b);
    const double z = lab_curve((0.0193339 * r + 0.1191920 * g + 0.9503041 * b) / 1.08883);
    return {116 * y - 16, 500 * (x - y), 200 * (y - z)};
}

double difference(const Lab& a, const Lab& b) {
    const cmsCIELab x{a.l, a.a, a.b};
    const cmsCIELab y{b.l, b.a, b.b};
    return cmsCIE2000DeltaE(&x, &y, 1, 1, 1);
}

std::optional<Rgb> parse_colour(std::string_view text) {
    unsigned value = 0;
    if (text.size() != 7 || text[0] != '#') return std::nullopt;
    const auto [end, error] = std::from_chars(text.data() + 1, text.data() + 7, value, 16);
    if (error != std::errc{} || end != text.data() + 7) return std::nullopt;
    return Rgb{static_cast<std::uint8_t>(value >> 16), static_cast<std::uint8_t>(value >> 8 & 255),
               static_cast<std::uint8_t>(value & 255)};
}

std::string format_colour(Rgb c) {
    char buffer[8];
    std::snprintf(buffer, sizeof buffer, "#%02x%02x%02x", c.r, c.g, c.b);
    return buffer;
}

} // namespace zesty
