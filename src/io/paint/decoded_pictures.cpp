#include "io/paint/decoded_pictures.h"

#include "io/picture.h"

#include <algorithm>

namespace zesty {

namespace {
constexpr qsizetype most_kilobytes = 96 << 10;
constexpr qsizetype small_kilobytes = 1 << 10;
constexpr int most_levels = 4;
constexpr int coarse_enough = 64; ///< pixels

DecodedPictures::Levels levels_of(QSize size) {
    DecodedPictures::Levels out{size, 0};
    for (QSize s = size; out.count < most_levels && !s.isEmpty(); s /= 2) {
        ++out.count;
        if (std::min(s.width(), s.height()) < coarse_enough) break;
    }
    return out;
}

QImage half(const QImage& image) {
    return image.scaled(image.size() / 2, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
}

} // namespace

DecodedPictures::DecodedPictures() : images_(most_kilobytes) {}

QImage DecodedPictures::image(unsigned number, const PictureBytes& bytes,
                              const std::function<int(Levels)>& choose) {
    QImage finer;
    int at = 0;
    int wanted = 0;
    {
        const std::lock_guard lock(mutex_);
        if (const auto levels = levels_.find(number); levels != levels_.end()) {
            if (levels->second.count == 0) return {};
            wanted = choose(levels->second);
            for (at = wanted; at >= 0 && finer.isNull(); --at)
                if (const QImage* known = images_.object({number, at})) finer = *known;
            ++at;
            if (!finer.isNull() && at == wanted) return finer;
        }
    }
    if (finer.isNull()) {
        finer = decoded(bytes);
        const Levels levels = levels_of(finer.size());
        const std::lock_guard lock(mutex_);
        levels_[number] = levels;
        if (levels.count == 0) return {};
        wanted = choose(levels);
        at = 0;
    }
    for (; at < wanted; ++at) {
        // Fine ones that nobody has asked for are not worth their room.
        if (finer.sizeInBytes() >> 10 < small_kilobytes) keep(number, at, finer);
        finer = half(finer);
    }
    keep(number, wanted, finer);
    return finer;
}

QImage DecodedPictures::decoded(const PictureBytes& from) {
    const auto bytes = from.get();
    if (!bytes) return {};
    const auto picture =
        read_picture(QByteArray::fromRawData(bytes->data(), static_cast<qsizetype>(bytes->size())));
    return picture ? picture->convertToFormat(QImage::Format_ARGB32_Premultiplied) : QImage();
}

void DecodedPictures::keep(unsigned number, int level, const QImage& image) {
    const std::lock_guard lock(mutex_);
    images_.insert({number, level}, new QImage(image), std::max<qsizetype>(1, image.sizeInBytes() >> 10));
}

} // namespace zesty
