#include "core/setout/photo_ways.h"

#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/setout/photos.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double hardly = 0.2; ///< mm that are not worth saying
constexpr double air = 0.35;   ///< left round what a detail shows, of its size on each side
constexpr double most_area = 2.5;
constexpr std::size_t other_sizes = 2;

double height_of(const Photo& p) {
    return p.round ? p.width : p.height;
}

/// Parts of the photo where the picture has gone; whether nothing of them is lost.
bool moved_along(const Photo& before, Photo& after) {
    const PictureOnPhoto old = picture_on(before);
    const PictureOnPhoto now = picture_on(after);
    const double f = now.mm_per_pixel / old.mm_per_pixel;
    const Point by = (old.centre - now.centre) * now.mm_per_pixel;
    const Box face{-after.width / 2, -height_of(after) / 2, after.width / 2, height_of(after) / 2};
    bool kept = true;
    for (std::vector<Box>* parts : {&after.protected_parts, &after.hidden_parts})
        for (Box& b : *parts) {
            const Box there{b.x0 * f + by.x, b.y0 * f + by.y, b.x1 * f + by.x, b.y1 * f + by.y};
            if (parts == &after.protected_parts && !face.grown(hardly).holds(there)) kept = false;
            if (after.round && parts == &after.protected_parts)
                for (const Point p : ring_of(there))
                    if (length(p) > after.width / 2 + hardly) kept = false;
            b = common(there, face);
        }
    std::erase_if(after.protected_parts, [](const Box& b) { return b.empty(); });
    std::erase_if(after.hidden_parts, [](const Box& b) { return b.empty(); });
    return kept;
}

WayToPrint measured(PhotoWay way, const Photo& before, Photo photo) {
    WayToPrint out;
    out.way = way;
    out.cuts_protected = !moved_along(before, photo);
    const PictureOnPhoto on = picture_on(photo);
    const double across = (on.width * on.mm_per_pixel - photo.width) / 2;
    const double down = (on.height * on.mm_per_pixel - height_of(photo)) / 2;
    out.lost_across = std::max(0.0, across);
    out.lost_down = std::max(0.0, down);
    out.rim_across = std::max(0.0, -across);
    out.rim_down = std::max(0.0, -down);
    const double shown = photo.round ? 0.785398163 * photo.width * photo.width
                                     : (photo.width - 2 * out.rim_across) * (photo.height - 2 * out.rim_down);
    const double all =
        static_cast<double>(photo.picture->width) * photo.picture->height * on.mm_per_pixel * on.mm_per_pixel;
    out.lost = std::clamp(1 - shown / all, 0.0, 1.0);
    out.pixels_per_inch = mm_per_inch / on.mm_per_pixel;
    out.photo = std::move(photo);
    return out;
}

std::string both_sides(double across, double down, Units units, const char* left_right,
                       const char* top_bottom) {
    std::string out;
    if (across > hardly) out += format_length(across, units) + left_right;
    if (down > hardly) out += (out.empty() ? "" : " and ") + format_length(down, units) + top_bottom;
    return out;
}

std::string words_of_way(const WayToPrint& w, const Photo& before, Units units) {
    std::string out = size_in_words(w.photo, units);
    if (w.way == PhotoWay::WhiteRim) {
        out += " with all of it, and " + both_sides(w.rim_across, w.rim_down, units,
                                                    " of white on the left and right",
                                                    " of white at the top and bottom");
    } else if (w.way == PhotoWay::Detail) {
        const double larger = picture_on(w.photo).mm_per_pixel / picture_on(before).mm_per_pixel;
        out += " of a detail, " + std::to_string(std::lround(larger * 100)) + " % of its size now";
    } else if (w.photo.round) {
        out += " cuts off " + percent(w.lost) + " of the picture";
    } else {
        const std::string sides =
            both_sides(w.lost_across, w.lost_down, units, " on the left and right", " at the top and bottom");
        out += sides.empty() ? " shows all of it"
                             : " cuts off " + sides + ", " + percent(w.lost) + " of the picture";
    }
    if (w.cuts_protected) out += "; a protected part is lost";
    if (w.pixels_per_inch < soft_below)
        out += "; soft, with " + std::to_string(std::lround(w.pixels_per_inch)) + " pixels an inch";
    return out + ".";
}

/// What the protected parts span, with some air, in the proportions of the photo; nothing where that is all.
std::optional<Box> detail_of(const Photo& photo) {
    Box face;
    for (const Box& b : photo.protected_parts) face.add(b);
    if (face.empty()) return {};
    const double w = face.width() * (1 + 2 * air);
    const double h = face.height() * (1 + 2 * air);
    const double f = std::max(w / photo.width, h / height_of(photo));
    const PictureOnPhoto on = picture_on(photo);
    const Point m = on.centre + face.centre() * (1 / on.mm_per_pixel);
    const double half_w = f * photo.width / on.mm_per_pixel / 2;
    const double half_h = f * height_of(photo) / on.mm_per_pixel / 2;
    const double pw = photo.picture->width;
    const double ph = photo.picture->height;
    if (2 * half_w >= pw || 2 * half_h >= ph || f > 0.9) return {};
    const Point c{std::clamp(m.x, half_w, pw - half_w), std::clamp(m.y, half_h, ph - half_h)};
    return Box{(c.x - half_w) / pw, (c.y - half_h) / ph, (c.x + half_w) / pw, (c.y + half_h) / ph};
}

/// The usual sizes that lose less than `lost`, those near in size first.
std::vector<WayToPrint> others(const Photo& photo, double lost) {
    const PictureOnPhoto on = picture_on(photo);
    std::vector<WayToPrint> out;
    for (const PhotoSize& s : usual_photo_sizes()) {
        Photo other = photo;
        other.width = on.width > on.height ? s.height : s.width;
        other.height = on.width > on.height ? s.width : s.height;
        const double larger = s.width * s.height / (photo.width * photo.height);
        const bool same =
            std::abs(other.width - photo.width) < 0.5 && std::abs(other.height - photo.height) < 0.5;
        if (same || larger > most_area || larger < 1 / most_area) continue;
        WayToPrint way = measured(PhotoWay::OtherSize, photo, other);
        if (way.lost < lost - 0.01) out.push_back(std::move(way));
    }
    const auto steps = [](double share) { return std::lround(share * 100); };
    const auto off = [&](const WayToPrint& w) {
        return std::abs(std::log(w.photo.width * w.photo.height / (photo.width * photo.height)));
    };
    std::stable_sort(out.begin(), out.end(), [&](const WayToPrint& a, const WayToPrint& b) {
        return std::pair(steps(a.lost), off(a)) < std::pair(steps(b.lost), off(b));
    });
    if (out.size() > other_sizes) out.resize(other_sizes);
    return out;
}

} // namespace

PictureOnPhoto picture_on(const Photo& photo) {
    PictureOnPhoto out;
    const double pw = photo.picture->width;
    const double ph = photo.picture->height;
    out.width = pw * photo.part.width();
    out.height = ph * photo.part.height();
    out.centre = {photo.part.centre().x * pw, photo.part.centre().y * ph};
    const double across = photo.width / out.width;
    const double down = height_of(photo) / out.height;
    out.mm_per_pixel = photo.whole ? std::min(across, down) : std::max(across, down);
    return out;
}

std::vector<WayToPrint> ways_to_print(const Photo& photo, Units units) {
    std::vector<WayToPrint> out;
    if (!photo.picture || photo.picture->width <= 0 || photo.picture->height <= 0) return out;
    out.push_back(measured(PhotoWay::AsItIs, photo, photo));
    const double lost = out.front().lost;
    Photo plain = photo;
    plain.whole = false;
    if (!photo.round && std::abs(photo.width - photo.height) > hardly) {
        Photo turned = plain;
        std::swap(turned.width, turned.height);
        if (WayToPrint way = measured(PhotoWay::Turned, photo, turned); way.lost < lost - 0.01)
            out.push_back(std::move(way));
    }
    if (!photo.round)
        for (WayToPrint& way : others(plain, lost)) out.push_back(std::move(way));
    if (!photo.round && !photo.whole) {
        Photo rimmed = photo;
        rimmed.whole = true;
        WayToPrint way = measured(PhotoWay::WhiteRim, photo, rimmed);
        if (way.rim_across > hardly || way.rim_down > hardly) out.push_back(std::move(way));
    }
    if (const auto part = detail_of(plain)) {
        Photo detail = plain;
        detail.part = *part;
        out.push_back(measured(PhotoWay::Detail, photo, detail));
    }
    if (!photo.round) {
        Photo circle = plain;
        circle.round = true;
        circle.width = circle.height = std::min(photo.width, photo.height);
        out.push_back(measured(PhotoWay::Circle, photo, circle));
    }
    for (WayToPrint& way : out) way.in_words = words_of_way(way, photo, units);
    return out;
}

} // namespace zesty
