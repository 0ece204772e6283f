#include "io/trace/trace.h"

#include "core/cutfile/cut_file.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "io/picture.h"
#include "io/trace/edges.h"
#include "io/trace/outlines.h"
#include "io/trace/plane.h"

#include <algorithm>
#include <array>

namespace zesty {

namespace {

constexpr double sure = 3;         ///< standard deviations
constexpr double rough_corner = 1; ///< pixels a corner may be off that only the tracing tells

using Levels = std::vector<std::uint8_t>;

/// N. Otsu, "A threshold selection method from gray-level histograms", IEEE Trans. SMC 9, 1979.
int threshold_of(const Levels& levels) {
    std::array<double, 256> histogram{};
    for (const std::uint8_t l : levels) ++histogram[l];
    double all = 0;
    for (int i = 0; i < 256; ++i) all += i * histogram[static_cast<std::size_t>(i)];
    const auto n = static_cast<double>(levels.size());
    double below = 0;
    double below_sum = 0;
    double best = -1;
    int first = 128;
    int last = 128;
    for (int i = 0; i < 255; ++i) {
        below += histogram[static_cast<std::size_t>(i)];
        below_sum += i * histogram[static_cast<std::size_t>(i)];
        if (below == 0 || below == n) continue;
        const double apart = below_sum / below - (all - below_sum) / (n - below);
        const double between = below * (n - below) * apart * apart;
        if (between > best * (1 + 1e-12)) {
            best = between;
            first = i;
            last = i;
        } else if (between >= best * (1 - 1e-12)) {
            last = i;
        }
    }
    return (first + last) / 2;
}

/// The picture by how opaque it is, where it has a see-through ground; else by how light.
GreyPicture levels_of(const QImage& picture, bool& by_opacity) {
    const QImage image = picture.convertToFormat(QImage::Format_ARGB32);
    const int w = image.width();
    const int h = image.height();
    Levels alpha;
    Levels grey;
    alpha.reserve(static_cast<std::size_t>(w) * static_cast<std::size_t>(h));
    grey.reserve(alpha.capacity());
    std::size_t clear = 0;
    for (int y = 0; y < h; ++y) {
        const auto* row = reinterpret_cast<const QRgb*>(image.constScanLine(y));
        for (int x = 0; x < w; ++x) {
            alpha.push_back(static_cast<std::uint8_t>(qAlpha(row[x])));
            grey.push_back(static_cast<std::uint8_t>(qGray(row[x])));
            clear += qAlpha(row[x]) < 32;
        }
    }
    by_opacity = clear > alpha.size() / 100;
    return {w, h, std::move(by_opacity ? alpha : grey)};
}

/// Whether most of the rim is dark: what lies on a dark ground is light.
template <class Light> bool lies_on_dark(int w, int h, Light light) {
    std::size_t light_rim = 0;
    std::size_t rim = 0;
    for (int x = 0; x < w; ++x, rim += 2) light_rim += light(x, 0) + light(x, h - 1);
    for (int y = 0; y < h; ++y, rim += 2) light_rim += light(0, y) + light(w - 1, y);
    return 2 * light_rim < rim;
}

Result<std::vector<Ring>> material_outlines(const GreyPicture& picture, bool by_opacity,
                                            const TraceOptions& options) {
    const Levels& levels = picture.levels;
    const auto [least, most] = std::minmax_element(levels.begin(), levels.end());
    if (*most - *least < 40)
        return fail(ErrorKind::NothingToDo, "the picture shows nothing that could be traced");
    const int threshold = threshold_of(levels);
    const int w = picture.width;
    const int h = picture.height;
    const auto light = [&](int x, int y) {
        return levels[static_cast<std::size_t>(y) * static_cast<std::size_t>(w) +
                      static_cast<std::size_t>(x)] > threshold;
    };
    const bool material_is_light =
        by_opacity || options.light_paper.value_or(options.square > 0 && lies_on_dark(w, h, light));
    return outlines_of(w, h, [&](int x, int y) { return light(x, y) == material_is_light; });
}

Drawing drawing_of(std::vector<Ring> rings, double width, double height) {
    Drawing out;
    out.width = width;
    out.height = height;
    out.shapes.push_back(even_odd_shape(std::move(rings)));
    return out;
}

std::array<Point, 4> real_square(double side) {
    return {Point{0, 0}, Point{side, 0}, Point{side, side}, Point{0, side}};
}

/// Turn and scale alone, from all four sides.
PlaneMap straight_map(const std::array<Point, 4>& corners, double side) {
    double sum = 0;
    for (std::size_t k = 0; k < 4; ++k) sum += distance(corners[k], corners[(k + 1) % 4]);
    const Point across = (corners[1] - corners[0]) + (corners[2] - corners[3]);
    const double turn = std::atan2(across.y, across.x) * 180 / M_PI;
    const double scale = side * 4 / sum;
    const Transform t = Transform::scaled(scale) * Transform::turned_deg(-turn);
    const std::array<Point, 4> from{Point{0, 0}, Point{1000, 0}, Point{1000, 1000}, Point{0, 1000}};
    return PlaneMap::between(from, {t(from[0]), t(from[1]), t(from[2]), t(from[3])});
}

/// Whether the square is seen as one, as far as its corners are known to so many pixels.
bool seen_straight_on(const std::array<Point, 4>& c, double error) {
    const auto [least, most] =
        std::minmax({distance(c[0], c[1]), distance(c[1], c[2]), distance(c[2], c[3]), distance(c[3], c[0])});
    const double diagonals = std::abs(distance(c[0], c[2]) - distance(c[1], c[3]));
    return most - least < sure * error && diagonals < sure * error;
}

/// How far off the map may put a point, mm, when each corner may be off by so many pixels.
double doubt(const std::array<Point, 4>& corners, double side, double error, const std::vector<Ring>& rings) {
    const PlaneMap exact = PlaneMap::between(corners, real_square(side));
    std::vector<PlaneMap> others;
    for (std::size_t k = 0; k < 4; ++k)
        for (const Point by : {Point{error, 0}, Point{0, error}}) {
            std::array<Point, 4> moved = corners;
            moved[k] = moved[k] + by;
            others.push_back(PlaneMap::between(moved, real_square(side)));
        }
    double worst = 0;
    for (const Ring& r : rings)
        for (const Point p : r) {
            double variance = 0;
            for (const PlaneMap& other : others) variance += std::pow(distance(other(p), exact(p)), 2);
            worst = std::max(worst, std::sqrt(variance));
        }
    return worst;
}

/// The map that makes the square a square of that side, upright on the page.
Result<PlaneMap> map_by(const std::array<Point, 4>& seen, double side, const GreyPicture& picture,
                        double good_to, const std::vector<Ring>& rings) {
    const std::array<Point, 4> rough = upright(seen);
    const auto sharp = sharpened(picture, rough);
    if (!sharp && good_to > 0)
        return fail(ErrorKind::BadInput, "the square's edges are not clear enough to measure by");
    const std::array<Point, 4> corners = sharp ? sharp->corners : rough;
    const double error = sharp ? sharp->error : rough_corner;
    // Seen straight on, only turn and scale are taken from the square: its corners are known less well than
    // that there is no perspective.
    if (seen_straight_on(corners, error)) return straight_map(corners, side);
    if (good_to > 0 && sure * doubt(corners, side, error, rings) > good_to)
        return fail(ErrorKind::BadInput,
                    "the picture is taken at too great a slant for so small a square; scan it "
                    "flat, photograph it from straight above, or lay a larger square beside it");
    return PlaneMap::between(corners, real_square(side));
}

/// Takes the square out of the rings and the rest into millimetres.
Result<Drawing> by_square(std::vector<Ring> rings, const GreyPicture& picture, const TraceOptions& options) {
    const double side = options.square;
    const auto cut = read_cut(drawing_of(std::move(rings), 1, 1));
    if (!cut) return tl::make_unexpected(cut.error());
    std::optional<std::array<Point, 4>> best;
    int square = -1;
    for (std::size_t p = 0; p < cut->pieces.size(); ++p) {
        const Piece& piece = cut->pieces[p];
        if (!piece.openings.empty() || piece.in_opening >= 0) continue;
        const auto corners = square_corners(piece.outline.outer);
        // The largest square that stands alone: smaller ones are parts of the cut.
        if (corners && square < 0) {
            best = corners;
            square = static_cast<int>(p);
        }
    }
    if (!best)
        return fail(ErrorKind::NothingToDo, "no square stands alone in the picture; lay a plain one of " +
                                                format_mm(side) + " beside the cut, apart from it");
    std::vector<Ring> outer;
    for (std::size_t p = 0; p < cut->pieces.size(); ++p)
        if (static_cast<int>(p) != square) outer.push_back(cut->pieces[p].outline.outer);
    const auto known = map_by(*best, side, picture, options.good_to, outer);
    if (!known) return tl::make_unexpected(known.error());
    const PlaneMap& map = *known;
    std::vector<Ring> out;
    Box box;
    for (std::size_t p = 0; p < cut->pieces.size(); ++p) {
        if (static_cast<int>(p) == square) continue;
        const auto add = [&](const Ring& ring) {
            out.emplace_back();
            for (Point q : ring) {
                out.back().push_back(map(q));
                box.add(out.back().back());
            }
        };
        add(cut->pieces[p].outline.outer);
        for (const Ring& h : cut->pieces[p].outline.holes) add(h);
    }
    if (out.empty()) return fail(ErrorKind::NothingToDo, "there is nothing beside the square");
    for (Ring& r : out)
        for (Point& q : r) q = q - Point{box.x0, box.y0};
    Drawing drawing = drawing_of(std::move(out), box.width(), box.height());
    drawing.size_known = true;
    drawing.size_real = true;
    return drawing;
}

} // namespace

Result<Drawing> trace_picture(const QByteArray& data, const TraceOptions& options) {
    const auto picture = read_picture(data);
    if (!picture) return tl::make_unexpected(picture.error());
    const QImage& image = *picture;
    bool by_opacity = false;
    const GreyPicture grey = levels_of(image, by_opacity);
    auto rings = material_outlines(grey, by_opacity, options);
    if (!rings) return tl::make_unexpected(rings.error());
    if (options.square > 0) return by_square(std::move(*rings), grey, options);
    const double mm = 1000.0 / std::max(1, image.dotsPerMeterX());
    for (Ring& r : *rings) r = transformed(r, Transform::scaled(mm));
    Drawing out = drawing_of(std::move(*rings), image.width() * mm, image.height() * mm);
    out.size_known = false;
    return out;
}

} // namespace zesty
