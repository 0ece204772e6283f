#include "io/trace/sheet_picture.h"

#include "core/geometry/measure.h"
#include "io/picture.h"
#include "io/trace/bilinear.h"
#include "io/trace/outlines.h"
#include "io/trace/plane.h"

#include <QBuffer>
#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double longest_side = 0.3; ///< how short a side may be against the longest: 4 x 12 in
constexpr int unlike_ground = 36;    ///< levels, all three together
constexpr double plain_rim = 0.9;    ///< of the rim that has to look like the ground
constexpr double least_of_picture = 0.1;

struct Ground {
    int r = 0, g = 0, b = 0;
    bool like(QRgb c) const {
        return std::abs(qRed(c) - r) + std::abs(qGreen(c) - g) + std::abs(qBlue(c) - b) < unlike_ground;
    }
};

std::vector<QRgb> rim_of(const QImage& image) {
    std::vector<QRgb> rim;
    for (int x = 0; x < image.width(); ++x)
        for (int y : {0, image.height() - 1}) rim.push_back(image.pixel(x, y));
    for (int y = 0; y < image.height(); ++y)
        for (int x : {0, image.width() - 1}) rim.push_back(image.pixel(x, y));
    return rim;
}

/// What the rim shows, if it shows one thing.
std::optional<Ground> ground_of(const QImage& image) {
    std::vector<QRgb> rim = rim_of(image);
    const auto median = [&](auto channel) {
        std::vector<int> levels;
        for (QRgb c : rim) levels.push_back(channel(c));
        std::nth_element(levels.begin(), levels.begin() + static_cast<long>(levels.size() / 2), levels.end());
        return levels[levels.size() / 2];
    };
    const Ground ground{median([](QRgb c) { return qRed(c); }), median([](QRgb c) { return qGreen(c); }),
                        median([](QRgb c) { return qBlue(c); })};
    const auto like = std::count_if(rim.begin(), rim.end(), [&](QRgb c) { return ground.like(c); });
    if (static_cast<double>(like) < plain_rim * static_cast<double>(rim.size())) return std::nullopt;
    return ground;
}

QRgb between(const QImage& image, Point p) {
    const auto mix = [&](auto channel) {
        return static_cast<int>(std::lround(bilinear(image.width(), image.height(), p, [&](int c, int r) {
            return static_cast<double>(channel(image.pixel(c, r)));
        })));
    };
    return qRgb(mix([](QRgb q) { return qRed(q); }), mix([](QRgb q) { return qGreen(q); }),
                mix([](QRgb q) { return qBlue(q); }));
}

QImage straightened(const QImage& image, const std::array<Point, 4>& c) {
    const int w = static_cast<int>(std::lround(std::max(distance(c[0], c[1]), distance(c[3], c[2]))));
    const int h = static_cast<int>(std::lround(std::max(distance(c[0], c[3]), distance(c[1], c[2]))));
    const PlaneMap map =
        PlaneMap::between({Point{0, 0}, Point{w * 1.0, 0}, Point{w * 1.0, h * 1.0}, Point{0, h * 1.0}}, c);
    QImage out(std::max(1, w), std::max(1, h), QImage::Format_RGB32);
    for (int y = 0; y < out.height(); ++y) {
        auto* row = reinterpret_cast<QRgb*>(out.scanLine(y));
        for (int x = 0; x < out.width(); ++x) row[x] = between(image, map({x + 0.5, y + 0.5}));
    }
    return out;
}

} // namespace

Result<QImage> cropped_to_sheet(const QImage& picture) {
    const QImage image = picture.convertToFormat(QImage::Format_RGB32);
    if (image.width() < 16 || image.height() < 16)
        return fail(ErrorKind::BadInput, "the picture is too small to find a sheet in it");
    const auto ground = ground_of(image);
    if (!ground)
        return fail(ErrorKind::BadInput, "there is no plain ground all round the sheet in the picture");
    const auto rings = outlines_of(image.width(), image.height(),
                                   [&](int x, int y) { return !ground->like(image.pixel(x, y)); });
    if (!rings) return tl::make_unexpected(rings.error());
    const auto largest = std::max_element(rings->begin(), rings->end(), [](const Ring& a, const Ring& b) {
        return std::abs(signed_area(a)) < std::abs(signed_area(b));
    });
    const double all = static_cast<double>(image.width()) * image.height();
    const auto corners = std::abs(signed_area(*largest)) > least_of_picture * all
                             ? quad_corners(*largest, longest_side)
                             : std::nullopt;
    if (!corners)
        return fail(ErrorKind::NothingToDo,
                    "no sheet with four straight sides lies on the ground of the picture");
    return straightened(image, upright(*corners));
}

Result<QByteArray> cropped_file(const QByteArray& data) {
    const auto picture = read_picture(data);
    if (!picture) return tl::make_unexpected(picture.error());
    const auto sheet = cropped_to_sheet(*picture);
    if (!sheet) return tl::make_unexpected(sheet.error());
    QByteArray out;
    QBuffer buffer(&out);
    buffer.open(QIODevice::WriteOnly);
    sheet->save(&buffer, "PNG");
    return out;
}

} // namespace zesty
