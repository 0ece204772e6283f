#include "io/paper_look.h"

#include "core/stash/look_of_paper.h"
#include "core/stash/variation.h"
#include "io/picture.h"

#include <algorithm>
#include <cmath>

namespace zesty {

using nlohmann::json;

namespace {

constexpr int palette_pixels = 128;     ///< of a picture, across and down, that its palette is read off
constexpr int variation_pixels = 320;   ///< across, that what varies is measured on: about 1 mm of a sheet
constexpr std::size_t most_colours = 6; ///< of a palette
constexpr double most_variation = 200;  ///< between any two colours

Result<void> known_variation(const json& j, const std::string& where, PaperFace& face) {
    if (!j.contains("variation")) return {};
    const json& list = j["variation"];
    const bool good = list.is_array() && list.size() == variation_windows.size() + 1 &&
                      std::all_of(list.begin(), list.end(), [](const json& v) {
                          return v.is_number() && v.get<double>() >= 0 && v.get<double>() <= most_variation;
                      });
    if (!good) return fail(ErrorKind::BadInput, where + ": \"variation\" must be 7 numbers from 0 to 200");
    for (const json& v : list) face.variation.push_back(v.get<double>());
    return {};
}

/// The picture of a paper that is so many mm wide.
Pixels in_real_size(const QImage& picture, double width) {
    Pixels out = pixels_from(picture);
    out.mm_per_pixel = std::max(width, 1.0) / std::max(out.width, 1);
    return out;
}

/// What nobody has said about a side is taken from its picture.
void suggest(const Pixels& pixels, const json& j, PaperFace& face) {
    const LookOfPaper look = look_of(pixels);
    if (!j.contains("pattern")) {
        face.pattern = look.pattern;
        if (!j.contains("direction")) face.direction = look.direction;
        if (face.repeat <= 0) face.repeat = look.repeat.value_or(0);
    }
    if (j.contains("angle_deg")) return;
    if (face.pattern == Pattern::Stripe) face.angle_deg = look.stripes_deg.value_or(0);
    if (face.pattern == Pattern::Ombre) face.angle_deg = look.ombre_deg.value_or(0);
}

} // namespace

Result<Rgb> colour_from(const json& j, const char* key, const std::string& where) {
    const auto colour = j.is_string() ? parse_colour(j.get<std::string>()) : std::nullopt;
    if (!colour) return fail(ErrorKind::BadInput, where + ": \"" + key + "\" must look like #rrggbb");
    return *colour;
}

Result<void> known_look(const json& j, const std::string& where, PaperFace& face) {
    if (j.contains("palette")) {
        if (!j["palette"].is_array() || j["palette"].size() > most_colours)
            return fail(ErrorKind::BadInput, where + ": \"palette\" must be up to 6 colours");
        for (const json& c : j["palette"]) {
            const bool pair = c.is_array() && c.size() == 2 && c[1].is_number() && c[1].get<double>() >= 0 &&
                              c[1].get<double>() <= 1;
            const auto colour = colour_from(pair ? c[0] : json(), "palette", where);
            if (!colour) return tl::make_unexpected(colour.error());
            face.palette.push_back({*colour, c[1].get<double>()});
        }
    }
    if (auto r = known_variation(j, where, face); !r) return r;
    if (!j.contains("cells")) return {};
    if (!j["cells"].is_array() || j["cells"].size() != std::size_t{coarse_cells} * coarse_cells)
        return fail(ErrorKind::BadInput, where + ": \"cells\" must be 64 colours");
    for (const json& c : j["cells"]) {
        const auto colour = colour_from(c, "cells", where);
        if (!colour) return tl::make_unexpected(colour.error());
        face.coarse.push_back(*colour);
    }
    return {};
}

Result<void> look_at_picture(const json& j, const std::string& where, double width, const PictureBytes& from,
                             PaperFace& face) {
    const bool known = !face.coarse.empty() && j.contains("colour") && j.contains("pattern");
    if (known && !from.key().empty()) return {}; // looked at when it was put there
    const auto held = from.get();
    if (!held) return fail(ErrorKind::Unreadable, where + ": its picture cannot be read any more");
    const auto bytes = QByteArray::fromRawData(held->data(), static_cast<qsizetype>(held->size()));
    if (known)
        return check_picture(bytes).map_error([&](Error e) {
            e.message = where + ": " + e.message;
            return e;
        });
    const auto picture = read_picture(bytes);
    if (!picture) return fail(ErrorKind::BadInput, where + ": " + picture.error().message);
    const Pixels small =
        pixels_from(picture->scaled(64, 64, Qt::IgnoreAspectRatio, Qt::SmoothTransformation));
    face.colour = coarser(small, 1).at.front();
    // Pixels as they are: a mean would mix the dots of a pattern with its ground.
    if (face.palette.empty())
        face.palette = palette_of(pixels_from(
            picture->scaled(palette_pixels, palette_pixels, Qt::IgnoreAspectRatio, Qt::FastTransformation)));
    face.variation.clear();
    face.coarse = coarser(small, coarse_cells).at;
    const Pixels close = in_real_size(
        picture->scaled(variation_pixels, variation_pixels, Qt::KeepAspectRatio, Qt::SmoothTransformation),
        width);
    for (const double v : variation_of(close)) face.variation.push_back(std::round(100 * v) / 100);
    const bool has_angle = face.pattern == Pattern::Stripe || face.pattern == Pattern::Ombre;
    if (j.contains("pattern") && (!has_angle || j.contains("angle_deg"))) return {};
    suggest(in_real_size(*picture, width), j, face);
    return {};
}

void write_look(const PaperFace& face, json& out) {
    for (const PaletteColour& c : face.palette) out["palette"].push_back({format_colour(c.colour), c.share});
    for (const Rgb c : face.coarse) out["cells"].push_back(format_colour(c));
    for (const double v : face.variation) out["variation"].push_back(v);
}

} // namespace zesty
