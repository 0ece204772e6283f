#include "core/stash/pixels.h"

#include <algorithm>

namespace zesty {

Pixels coarser(const Pixels& pixels, int most_across) {
    const int across = std::max(pixels.width, pixels.height);
    if (across <= most_across) return pixels;
    const double factor = static_cast<double>(across) / most_across;
    Pixels out;
    out.width = std::max(1, static_cast<int>(pixels.width / factor));
    out.height = std::max(1, static_cast<int>(pixels.height / factor));
    out.mm_per_pixel = pixels.mm_per_pixel * factor;
    for (int y = 0; y < out.height; ++y)
        for (int x = 0; x < out.width; ++x) {
            const int x0 = static_cast<int>(x * factor);
            const int y0 = static_cast<int>(y * factor);
            const int x1 = std::min(pixels.width, std::max(x0 + 1, static_cast<int>((x + 1) * factor)));
            const int y1 = std::min(pixels.height, std::max(y0 + 1, static_cast<int>((y + 1) * factor)));
            unsigned r = 0;
            unsigned g = 0;
            unsigned b = 0;
            for (int v = y0; v < y1; ++v)
                for (int u = x0; u < x1; ++u) {
                    const Rgb c = pixels(u, v);
                    r += c.r;
                    g += c.g;
                    b += c.b;
                }
            const auto n = static_cast<unsigned>((x1 - x0) * (y1 - y0));
            out.at.push_back({static_cast<std::uint8_t>(r / n), static_cast<std::uint8_t>(g / n),
                              static_cast<std::uint8_t>(b / n)});
        }
    return out;
}

Pixels part(const Pixels& pixels, int x, int y, int width, int height) {
    Pixels out;
    out.mm_per_pixel = pixels.mm_per_pixel;
    const int x0 = std::clamp(x, 0, pixels.width);
    const int y0 = std::clamp(y, 0, pixels.height);
    out.width = std::clamp(width, 0, pixels.width - x0);
    out.height = std::clamp(height, 0, pixels.height - y0);
    for (int v = y0; v < y0 + out.height; ++v)
        for (int u = x0; u < x0 + out.width; ++u) out.at.push_back(pixels(u, v));
    return out;
}

} // namespace zesty
