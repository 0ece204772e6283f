#include "io/paint/textures.h"

#include "core/geometry/measure.h"
#include "io/picture.h"

#include <algorithm>
#include <atomic>
#include <cmath>

namespace zesty {

QTransform to_qt(const Transform& t) {
    return {t.a, t.b, t.c, t.d, t.e, t.f};
}

QColor to_qt(Rgb c) {
    return {c.r, c.g, c.b};
}

QPainterPath to_path(const Polygon& polygon) {
    QPainterPath path;
    path.setFillRule(Qt::OddEvenFill);
    const auto add = [&](const Ring& ring) {
        if (ring.empty()) return;
        path.moveTo(ring[0].x, ring[0].y);
        for (std::size_t i = 1; i < ring.size(); ++i) path.lineTo(ring[i].x, ring[i].y);
        path.closeSubpath();
    };
    add(polygon.outer);
    for (const Ring& h : polygon.holes) add(h);
    return path;
}

QPainterPath to_path(const Region& region) {
    QPainterPath path;
    path.setFillRule(Qt::OddEvenFill);
    for (const Polygon& p : region) path.addPath(to_path(p));
    return path;
}

double pixels_per_mm(const QPainter& painter) {
    return std::sqrt(std::abs(painter.combinedTransform().determinant()));
}

namespace {
constexpr int photo_pixels = 1200;

/// Of a picture whose longer side is so long, mm.
double mm_per_pixel(double longer, QSize size) {
    return longer / std::max(1, std::max(size.width(), size.height()));
}
} // namespace

Textures::Textures(const Project& project, const Textures* before)
    : decoded_(before && before->decoded_ ? before->decoded_ : std::make_shared<DecodedPictures>()),
      stash_(project.stash.pointer()) {
    if (stash_) take(*stash_, before);
    for (const Photo& p : project.set_out.photos) take_picture(p.picture, before);
    take_picture(project.set_out.sketch.picture, before);
}

void Textures::take_picture(const Shared<BroughtPicture>& brought, const Textures* before) {
    if (!brought || photos_.contains(brought.pointer())) return;
    if (before)
        if (const auto known = before->photos_.find(brought.pointer()); known != before->photos_.end()) {
            photos_.insert(*known);
            return;
        }
    const auto picture = read_picture(QByteArray::fromStdString(brought->bytes));
    photos_[brought.pointer()] =
        picture ? picture->scaled(photo_pixels, photo_pixels, Qt::KeepAspectRatio, Qt::SmoothTransformation)
                : QImage();
}

unsigned Textures::next_number() {
    static std::atomic<unsigned> last = 0;
    return ++last;
}

bool Textures::made_of(const Project& project) const {
    const auto& sketch = project.set_out.sketch.picture;
    return stash_ == project.stash.pointer() && (!sketch || photos_.contains(sketch.pointer())) &&
           std::all_of(project.set_out.photos.begin(), project.set_out.photos.end(),
                       [&](const Photo& p) { return !p.picture || photos_.contains(p.picture.pointer()); });
}

const QImage& Textures::photo(const Photo& photo) const {
    return picture(photo.picture);
}

const QImage& Textures::picture(const Shared<BroughtPicture>& brought) const {
    static const QImage none;
    const auto found = photos_.find(brought.pointer());
    return found == photos_.end() ? none : found->second;
}

void Textures::take(const Stash& stash, const Textures* before) {
    const auto picture_of = [&](const PictureBytes& bytes) {
        Picture& picture = pictures_[bytes.identity()];
        if (picture.number > 0) return picture;
        if (before)
            if (const auto known = before->pictures_.find(bytes.identity()); known != before->pictures_.end())
                return picture = known->second;
        return picture = {bytes, next_number()};
    };
    for (const Embellishment& e : stash.embellishments)
        if (const auto found = stash.pictures.find(e.picture); found != stash.pictures.end())
            embellishments_[e.picture] = picture_of(found->second);
    for (const Paper& p : stash.papers) {
        std::array<Texture, 2> both;
        for (const Side side : {Side::A, Side::B}) {
            Texture& t = both[side == Side::B];
            const PaperFace face = p.face(side);
            t = {{}, to_qt(face.colour), picture_box(p)};
            const auto found = stash.pictures.find(face.picture);
            if (found == stash.pictures.end()) continue;
            if (side == Side::B && !p.back) {
                t = both[0];
                continue;
            }
            t.picture = picture_of(found->second);
        }
        textures_.push_back(std::move(both));
    }
}

const Textures::Texture* Textures::find(int paper, Side side) const {
    if (paper < 0 || paper >= static_cast<int>(textures_.size())) return nullptr;
    return &textures_[static_cast<std::size_t>(paper)][side == Side::B];
}

unsigned Textures::picture_number(int paper, Side side) const {
    const Texture* t = find(paper, side);
    return t ? t->picture.number : 0;
}

Box Textures::covers(int paper, Side side) const {
    const Texture* t = find(paper, side);
    return t ? t->covers : Box{};
}

QColor Textures::colour(int paper, Side side) const {
    const Texture* t = find(paper, side);
    return t ? t->colour : QColor(Qt::white);
}

QImage Textures::image(const Picture& picture, double longer, double pixels_per_mm) const {
    return decoded_->image(picture.number, picture.bytes, [&](const DecodedPictures::Levels& levels) {
        int level = 0;
        while (pixels_per_mm > 0 && level + 1 < levels.count &&
               mm_per_pixel(longer, levels.size / (2 << level)) * pixels_per_mm < 1.3)
            ++level;
        return level;
    });
}

QImage Textures::embellishment(const Embellishment& thing, double pixels_per_mm) const {
    const auto found = embellishments_.find(thing.picture);
    if (found == embellishments_.end()) return {};
    const Box box = bounds(thing.outline);
    return image(found->second, std::max(box.width(), box.height()), pixels_per_mm);
}

QBrush Textures::brush(int paper, const Transform& sheet_to_target, double pixels_per_mm, Side side) const {
    const Texture* found = find(paper, side);
    if (!found) return Qt::white;
    const Texture& t = *found;
    if (t.picture.number == 0) return t.colour;
    // Pixels to millimetres of the sheet: the picture keeps its proportions across the longer side.
    const double longer = std::max(t.covers.width(), t.covers.height());
    const QImage image = this->image(t.picture, longer, pixels_per_mm);
    if (image.isNull()) return t.colour;
    QBrush brush(image);
    // Side B is looked at from behind: its picture begins at the right of the sheet.
    const Transform seen = side == Side::B
                               ? Transform::moved(t.covers.x0 + t.covers.x1, 0) * Transform::mirrored_x()
                               : Transform{};
    brush.setTransform(to_qt(sheet_to_target * seen * Transform::scaled(mm_per_pixel(longer, image.size()))));
    return brush;
}

} // namespace zesty
