#include "core/stash/palette.h"

#include <algorithm>
#include <cmath>
#include <libimagequant.h>
#include <memory>

namespace zesty {

namespace {

constexpr int detail = 300; ///< pixels across that are looked at
constexpr int most_found = 16;
constexpr double alike = 5;     ///< delta E 2000
constexpr double trace = 0.004; ///< a smaller share is grain

template <class T, void (*destroy)(T*)> struct Destroy {
    void operator()(T* t) const { destroy(t); }
};
using Attributes = std::unique_ptr<liq_attr, Destroy<liq_attr, liq_attr_destroy>>;
using Image = std::unique_ptr<liq_image, Destroy<liq_image, liq_image_destroy>>;
using Found = std::unique_ptr<liq_result, Destroy<liq_result, liq_result_destroy>>;

/// Pixels as they are, fewer of them: means would add colours that the paper does not have.
Pixels fewer(const Pixels& pixels, int across) {
    const int step = std::max(1, std::max(pixels.width, pixels.height) / across);
    Pixels out;
    out.width = (pixels.width + step - 1) / step;
    out.height = (pixels.height + step - 1) / step;
    for (int y = 0; y < pixels.height; y += step)
        for (int x = 0; x < pixels.width; x += step) out.at.push_back(pixels(x, y));
    return out;
}

/// The colours libimagequant reduces the picture to.
std::vector<PaletteColour> reduced(const Pixels& pixels) {
    std::vector<liq_color> rgba;
    for (Rgb c : pixels.at) rgba.push_back({c.r, c.g, c.b, 255});
    const Attributes attributes(liq_attr_create());
    liq_set_max_colors(attributes.get(), most_found);
    const Image image(liq_image_create_rgba(attributes.get(), rgba.data(), pixels.width, pixels.height, 0));
    liq_result* raw = nullptr;
    if (!image || liq_image_quantize(image.get(), attributes.get(), &raw) != LIQ_OK) return {};
    const Found found(raw);
    liq_set_dithering_level(found.get(), 0);
    std::vector<unsigned char> indices(pixels.at.size());
    if (liq_write_remapped_image(found.get(), image.get(), indices.data(), indices.size()) != LIQ_OK)
        return {};
    const liq_palette* palette = liq_get_palette(found.get());
    std::vector<PaletteColour> out(palette->count);
    for (unsigned i = 0; i < palette->count; ++i)
        out[i].colour = {palette->entries[i].r, palette->entries[i].g, palette->entries[i].b};
    for (unsigned char i : indices) out[i].share += 1.0 / static_cast<double>(indices.size());
    return out;
}

/// The two that look most alike become one.
bool merge_nearest(std::vector<PaletteColour>& colours, double below) {
    double least = below;
    std::size_t first = 0;
    std::size_t second = 0;
    for (std::size_t i = 0; i < colours.size(); ++i)
        for (std::size_t k = i + 1; k < colours.size(); ++k) {
            const double d = difference(to_lab(colours[i].colour), to_lab(colours[k].colour));
            if (d >= least) continue;
            least = d;
            first = i;
            second = k;
        }
    if (first == second) return false;
    colours[first].colour = mixed(colours[first], colours[second]);
    colours[first].share += colours[second].share;
    colours.erase(colours.begin() + static_cast<std::ptrdiff_t>(second));
    return true;
}

} // namespace

Rgb mixed(const PaletteColour& a, const PaletteColour& b) {
    const double t = b.share / (a.share + b.share);
    const auto mix = [&](std::uint8_t x, std::uint8_t y) {
        return static_cast<std::uint8_t>(std::lround(x + (y - x) * t));
    };
    return {mix(a.colour.r, b.colour.r), mix(a.colour.g, b.colour.g), mix(a.colour.b, b.colour.b)};
}

std::vector<PaletteColour> palette_of(const Pixels& pixels, int most) {
    if (pixels.at.empty()) return {};
    std::vector<PaletteColour> out = reduced(fewer(pixels, detail));
    while (merge_nearest(out, alike)) {
    }
    std::erase_if(out, [](const PaletteColour& c) { return c.share < trace; });
    while (out.size() > static_cast<std::size_t>(most) && merge_nearest(out, 1e9)) {
    }
    std::sort(out.begin(), out.end(),
              [](const PaletteColour& a, const PaletteColour& b) { return a.share > b.share; });
    return out;
}

} // namespace zesty
