#include "io/paint/decoded_pictures.h"

#include "io/picture.h"

#include <algorithm>

namespace zesty {

namespace {
constexpr qsizetype most_kilobytes = 96 << 10;
constexpr qsizetype small_kilobytes = 1 << 10;
constexpr int most_levels = 4;
constexpr int coarse_enough = 64; ///< pixels
} // namespace

DecodedPictures::DecodedPictures() : images_(most_kilobytes) {}

DecodedPictures::Levels DecodedPictures::levels(unsigned number, const PictureBytes& bytes) {
    {
        const std::lock_guard lock(mutex_);
        if (const auto known = levels_.find(number); known != levels_.end()) return known->second;
    }
    decode(number, bytes, 1);
    const std::lock_guard lock(mutex_);
    return levels_[number];
}

QImage DecodedPictures::image(unsigned number, const PictureBytes& bytes, int level) {
    {
        const std::lock_guard lock(mutex_);
        if (const QImage* known = images_.object({number, level})) return *known;
    }
    const std::vector<QImage> all = decode(number, bytes, level);
    return all.empty() ? QImage() : all[std::min(static_cast<std::size_t>(level), all.size() - 1)];
}

/// Keeps those that are not finer than asked for, or small anyway.
std::vector<QImage> DecodedPictures::decode(unsigned number, const PictureBytes& from, int finest_kept) {
    std::vector<QImage> out;
    const auto bytes = from.get();
    const auto picture =
        bytes ? read_picture(QByteArray::fromRawData(bytes->data(), static_cast<qsizetype>(bytes->size())))
              : fail(ErrorKind::Unreadable, "a picture cannot be read any more");
    QImage image = picture ? picture->convertToFormat(QImage::Format_ARGB32_Premultiplied) : QImage();
    for (int level = 0; level < most_levels && !image.isNull(); ++level) {
        out.push_back(image);
        if (std::min(image.width(), image.height()) < coarse_enough) break;
        image = image.scaled(image.size() / 2, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
    }
    const std::lock_guard lock(mutex_);
    levels_[number] = {out.empty() ? QSize() : out[0].size(), static_cast<int>(out.size())};
    for (int level = static_cast<int>(out.size()) - 1; level >= 0; --level) {
        const QImage& one = out[static_cast<std::size_t>(level)];
        const qsizetype kilobytes = std::max<qsizetype>(1, one.sizeInBytes() >> 10);
        if (level >= finest_kept || kilobytes < small_kilobytes)
            images_.insert({number, level}, new QImage(one), kilobytes);
    }
    return out;
}

} // namespace zesty
