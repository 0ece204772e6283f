#include "core/setout/photo_colours.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/setout/photos.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double least_share = 0.02;
constexpr int most_colours = 10;
constexpr int protected_counts = 3;
constexpr int rim_cells = 2;

/// Polygons that may hold a point, found by their boxes.
class Cover {
public:
    explicit Cover(const std::vector<Polygon>& polygons) : polygons_(polygons), index_(boxes_of(polygons)) {}
    bool holds(Point at) const {
        const std::vector<int> near = index_.meeting({at.x, at.y, at.x, at.y});
        return std::any_of(near.begin(), near.end(),
                           [&](int i) { return contains(polygons_[static_cast<std::size_t>(i)], at); });
    }

private:
    static std::vector<Box> boxes_of(const std::vector<Polygon>& polygons) {
        std::vector<Box> out;
        for (const Polygon& p : polygons) out.push_back(bounds(p));
        return out;
    }
    const std::vector<Polygon>& polygons_;
    BoxIndex index_;
};

bool hidden(const std::vector<Photo>& photos, const std::vector<Polygon>& outlines, const Cover& cover,
            std::size_t own, Point at) {
    if (!photos[own].on_top && cover.holds(at)) return true;
    for (std::size_t k = 0; k < photos.size(); ++k) {
        const bool above = photos[k].on_top != photos[own].on_top ? photos[k].on_top : k > own;
        if (k != own && above && contains(outlines[k], at)) return true;
    }
    return false;
}

std::vector<PaletteColour> palette_of_cells(const std::vector<Rgb>& cells) {
    Pixels pixels;
    pixels.width = static_cast<int>(cells.size());
    pixels.height = cells.empty() ? 0 : 1;
    pixels.at = cells;
    return palette_of(pixels, most_colours);
}

} // namespace

std::vector<PhotoColours> photo_colours(const PhotosSeen& page) {
    const std::vector<Photo>& photos = page.photos;
    const Cover cover(page.over_those_behind);
    std::vector<Polygon> outlines;
    for (const Photo& p : photos) outlines.push_back(outline_of(p));
    std::vector<PhotoColours> out(photos.size());
    for (std::size_t i = 0; i < photos.size(); ++i) {
        const Photo& photo = photos[i];
        if (!photo.picture) continue;
        if (photo.picture->cells.empty()) {
            // Nobody has looked closer: its palette as a whole.
            out[i].palette = out[i].edge = photo.picture->palette;
            std::erase_if(out[i].palette, [](const PaletteColour& c) { return c.share < least_share; });
            continue;
        }
        const double height = photo.round ? photo.width : photo.height;
        const Transform placed =
            Transform::moved(photo.centre.x, photo.centre.y) * Transform::turned_deg(photo.turn_deg);
        std::vector<Rgb> seen;
        std::vector<Rgb> rim;
        for (int y = 0; y < picture_cells; ++y)
            for (int x = 0; x < picture_cells; ++x) {
                const Point own{photo.width * ((x + 0.5) / picture_cells - 0.5),
                                height * ((y + 0.5) / picture_cells - 0.5)};
                const Point at = placed(own);
                if (!contains(outlines[i], at) || hidden(photos, outlines, cover, i, at)) continue;
                const Rgb colour =
                    photo.picture
                        ->cells[static_cast<std::size_t>(y) * picture_cells + static_cast<std::size_t>(x)];
                const bool kept_free = std::any_of(
                    photo.protected_parts.begin(), photo.protected_parts.end(), [&](const Box& b) {
                        return own.x >= b.x0 && own.x <= b.x1 && own.y >= b.y0 && own.y <= b.y1;
                    });
                seen.insert(seen.end(), kept_free ? protected_counts : 1, colour);
                if (std::min({x, y, picture_cells - 1 - x, picture_cells - 1 - y}) < rim_cells)
                    rim.push_back(colour);
            }
        out[i].palette = palette_of_cells(seen);
        std::erase_if(out[i].palette, [](const PaletteColour& c) { return c.share < least_share; });
        out[i].edge = palette_of_cells(rim);
    }
    return out;
}

} // namespace zesty
