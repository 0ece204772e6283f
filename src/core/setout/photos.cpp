#include "core/setout/photos.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/setout/fixes.h"
#include "core/setout/photo_mats.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr int rim_corners = 96;
constexpr double covered_at_all = 1.0; ///< mm2 of a face

Transform to_page(const Photo& photo) {
    return Transform::moved(photo.centre.x, photo.centre.y) * Transform::turned_deg(photo.turn_deg);
}

/// Spans that overlap by more than half of the shorter become one, in order.
struct Span {
    double from;
    double to;
};
std::vector<Span> lines_of(std::vector<Span> spans) {
    std::sort(spans.begin(), spans.end(), [](Span a, Span b) { return a.from < b.from; });
    std::vector<Span> out;
    for (Span s : spans) {
        if (!out.empty()) {
            const double common = std::min(out.back().to, s.to) - std::max(out.back().from, s.from);
            if (common > 0.5 * std::min(out.back().to - out.back().from, s.to - s.from)) {
                out.back().from = std::min(out.back().from, s.from);
                out.back().to = std::max(out.back().to, s.to);
                continue;
            }
        }
        out.push_back(s);
    }
    return out;
}

Finding over_edge(const SetOutDecisions& decided, Units units, std::size_t i, const Box& b) {
    const Box page = decided.page.whole();
    const double over = std::max({page.x0 - b.x0, page.y0 - b.y0, b.x1 - page.x1, b.y1 - page.y1});
    const Photo& photo = decided.photos[i];
    Finding f{.code = Code::PhotoOverEdge,
              .title = name_of(photo, i) + " hangs off the page",
              .message =
                  "It reaches " + format_length(over, units) + " beyond the edge and would be trimmed.",
              .where = photo.centre};
    if (b.width() > page.width() || b.height() > page.height()) return f;
    const Point c{std::clamp(b.centre().x, page.x0 + b.width() / 2, page.x1 - b.width() / 2),
                  std::clamp(b.centre().y, page.y0 + b.height() / 2, page.y1 - b.height() / 2)};
    f.fixes = {{"Move it onto the page", MovePhoto{static_cast<int>(i), photo.centre + (c - b.centre())}}};
    return f;
}

/// What lies over a photo: photos after it on its side of the cuts, and the cuts themselves.
Region above(const SetOutDecisions& decided, const CutMaterial& material, std::size_t photo) {
    Region out;
    const bool on_top = decided.photos[photo].on_top;
    for (std::size_t k = 0; k < decided.photos.size(); ++k)
        if (k != photo && (decided.photos[k].on_top == on_top ? k > photo : decided.photos[k].on_top))
            out.push_back(matted_outline(decided.photos[k]));
    if (!on_top)
        for (std::size_t c = 0; c < material.size(); ++c)
            if (decided.cuts[c].above_photos) out.insert(out.end(), material[c].begin(), material[c].end());
    return out;
}

} // namespace

const std::vector<PhotoSize>& usual_photo_sizes() {
    static const std::vector<PhotoSize> prints = [] {
        std::vector<PhotoSize> out;
        for (const auto& [w, h] : {std::pair{2.0, 2.0},
                                   {2.5, 2.5},
                                   {2.0, 3.0},
                                   {3.0, 3.0},
                                   {2.5, 3.5},
                                   {3.0, 4.0},
                                   {4.0, 4.0},
                                   {3.5, 5.0},
                                   {4.0, 6.0},
                                   {5.0, 5.0},
                                   {5.0, 7.0},
                                   {6.0, 6.0},
                                   {6.0, 8.0},
                                   {8.0, 8.0},
                                   {8.0, 10.0}})
            out.push_back({w * mm_per_inch, h * mm_per_inch});
        return out;
    }();
    return prints;
}

std::string name_of(const Photo& photo, std::size_t place) {
    return photo.name.empty() ? "Photo " + std::to_string(place + 1) : photo.name;
}

Polygon outline_of(const Photo& photo) {
    const Ring ring = photo.round
                          ? circle({}, photo.width / 2, rim_corners)
                          : ring_of({-photo.width / 2, -photo.height / 2, photo.width / 2, photo.height / 2});
    return {transformed(ring, to_page(photo)), {}};
}

Polygon outline_of(const Photo& photo, const Box& protected_parts) {
    return {transformed(ring_of(protected_parts), to_page(photo)), {}};
}

namespace {

constexpr double least_part = 2; ///< mm

Box face_of(const Photo& photo) {
    const double h = photo.round ? photo.width : photo.height;
    return {-photo.width / 2, -h / 2, photo.width / 2, h / 2};
}

} // namespace

std::optional<Box> part_between(const Photo& photo, Point from, Point to) {
    const Transform to_photo = inverse(to_page(photo));
    const Point a = to_photo(from);
    const Point b = to_photo(to);
    const Box face = face_of(photo);
    const Box part{std::max(std::min(a.x, b.x), face.x0), std::max(std::min(a.y, b.y), face.y0),
                   std::min(std::max(a.x, b.x), face.x1), std::min(std::max(a.y, b.y), face.y1)};
    if (part.width() < least_part || part.height() < least_part) return {};
    return part;
}

int part_at(const Photo& photo, PartsOfPhoto parts, Point on_page) {
    const Point p = inverse(to_page(photo))(on_page);
    int best = -1;
    double least = std::numeric_limits<double>::infinity();
    for (std::size_t i = 0; i < (photo.*parts).size(); ++i) {
        const Box& b = (photo.*parts)[i];
        const double size = b.area();
        if (!b.contains(p) || size >= least) continue;
        best = static_cast<int>(i);
        least = size;
    }
    return best;
}

Photo with_part_moved(Photo photo, PartsOfPhoto parts, Point by, Point larger) {
    if ((photo.*parts).empty()) return photo;
    Box& part = (photo.*parts).back();
    const Box face = face_of(photo);
    const double w = std::clamp(part.width() + larger.x, least_part, face.width());
    const double h = std::clamp(part.height() + larger.y, least_part, face.height());
    const double x = std::clamp(part.x0 + by.x, face.x0, face.x1 - w);
    const double y = std::clamp(part.y0 + by.y, face.y0, face.y1 - h);
    part = {x, y, x + w, y + h};
    return photo;
}

std::string size_in_words(const Photo& photo, Units units) {
    return photo.round ? format_length(photo.width, units) + " round"
                       : format_size(photo.width, photo.height, units);
}

std::vector<PhotoCount> photos_to_order(const std::vector<Photo>& photos) {
    std::vector<PhotoCount> out;
    for (const Photo& p : photos) {
        const double height = p.round ? p.width : p.height;
        const PhotoCount one{std::min(p.width, height), std::max(p.width, height), p.round, 1};
        const auto same = std::find_if(out.begin(), out.end(), [&](const PhotoCount& c) {
            return c.round == one.round && std::abs(c.width - one.width) < 0.1 &&
                   std::abs(c.height - one.height) < 0.1;
        });
        if (same == out.end())
            out.push_back(one);
        else
            ++same->count;
    }
    std::stable_sort(out.begin(), out.end(), [](const PhotoCount& a, const PhotoCount& b) {
        return a.width * a.height > b.width * b.height;
    });
    return out;
}

std::vector<Box> free_cells(const std::vector<Photo>& photos) {
    std::vector<Box> boxes;
    std::vector<Span> across;
    std::vector<Span> down;
    for (const Photo& p : photos) {
        if (std::abs(std::remainder(p.turn_deg, 90.0)) > 0.5) continue;
        boxes.push_back(bounds(outline_of(p)));
        across.push_back({boxes.back().x0, boxes.back().x1});
        down.push_back({boxes.back().y0, boxes.back().y1});
    }
    const auto columns = lines_of(across);
    const auto rows = lines_of(down);
    std::vector<Box> out;
    if (columns.size() < 2 || rows.size() < 2 || boxes.size() < 3) return out;
    for (const Span& r : rows)
        for (const Span& c : columns) {
            const Box cell{c.from, r.from, c.to, r.to};
            const bool taken = std::any_of(boxes.begin(), boxes.end(), [&](const Box& b) {
                return std::min(b.x1, cell.x1) - std::max(b.x0, cell.x0) > 0.5 &&
                       std::min(b.y1, cell.y1) - std::max(b.y0, cell.y0) > 0.5;
            });
            if (!taken) out.push_back(cell);
        }
    return out;
}

std::vector<Finding> photo_findings(const SetOutDecisions& decided, Units units,
                                    const CutMaterial& material) {
    std::vector<Finding> out;
    for (std::size_t i = 0; i < decided.photos.size(); ++i) {
        const Photo& photo = decided.photos[i];
        const Box b = bounds(matted_outline(photo));
        const Box page = decided.page.whole();
        if (b.x0 < page.x0 - 0.05 || b.y0 < page.y0 - 0.05 || b.x1 > page.x1 + 0.05 || b.y1 > page.y1 + 0.05)
            out.push_back(over_edge(decided, units, i, b));
        if (photo.protected_parts.empty()) continue;
        const auto over = unite(above(decided, material, i));
        if (!over) continue;
        for (const Box& face : photo.protected_parts) {
            const auto hidden = intersect({outline_of(photo, face)}, *over);
            if (!hidden || area(*hidden) <= covered_at_all) continue;
            const double share = area(*hidden) / face.area();
            out.push_back(
                {.code = Code::CoveredPart,
                 .title = "Something covers a face of " + name_of(photo, i),
                 .message = std::to_string(static_cast<int>(std::ceil(share * 100))) +
                            " % of a protected area is hidden; move the photo or what lies over it.",
                 .where = bounds(*hidden).centre()});
        }
    }
    for (const Box& cell : free_cells(decided.photos))
        out.push_back({.code = Code::FreeCell,
                       .title = "A cell of " + format_size(cell.width(), cell.height(), units) + " is free",
                       .message = "The grid of photos leaves it for paper, a title or journaling.",
                       .where = cell.centre()});
    return out;
}

Result<void> put_grid(SetOutDecisions& decided, Units units, Photo like, int columns, int rows, double gap,
                      int left_free) {
    const double w = columns * like.width + (columns - 1) * gap;
    const double height = like.round ? like.width : like.height;
    const double h = rows * height + (rows - 1) * gap;
    if (columns < 1 || rows < 1 || left_free < 0 || left_free >= columns * rows)
        return fail(ErrorKind::BadInput, "a grid needs rows, columns and at least one photo");
    if (w > decided.page.full_width() || h > decided.page.full_height())
        return fail(ErrorKind::BadInput,
                    "a grid of " + format_size(w, h, units) + " is larger than the page");
    const Point from{(decided.page.full_width() - w) / 2, (decided.page.full_height() - h) / 2};
    for (int i = 0; i < columns * rows - left_free; ++i) {
        like.centre = from + Point{(i % columns) * (like.width + gap) + like.width / 2,
                                   static_cast<double>(i / columns) * (height + gap) + height / 2};
        decided.photos.push_back(like);
    }
    return {};
}

} // namespace zesty
