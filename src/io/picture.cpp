#include "io/picture.h"

#include "io/edge.h"
#include "io/read_file.h"

#include <QBuffer>
#include <QDate>
#include <QFileInfo>
#include <QImageReader>
#include <QtEndian>
#include <libexif/exif-data.h>
#include <memory>
#include <zlib.h>

namespace zesty {

namespace {

constexpr qint64 most_pixels = 60'000'000; ///< what Qt's limit of 256 MB for a picture allows

/// Every chunk of the file is whole and as it was written (PNG, third edition, 5.3).
bool sound_png(const QByteArray& data) {
    qsizetype at = 8;
    while (at + 12 <= data.size()) {
        const auto* chunk = reinterpret_cast<const uchar*>(data.constData()) + at;
        const auto length = static_cast<qsizetype>(qFromBigEndian<quint32>(chunk));
        if (at + 12 + length > data.size()) return false;
        const uLong sum = crc32(0, chunk + 4, static_cast<uInt>(length + 4));
        if (sum != qFromBigEndian<quint32>(chunk + 8 + length)) return false;
        if (qFromBigEndian<quint32>(chunk + 4) == 0x49454E44) return true; // IEND
        at += 12 + length;
    }
    return false;
}

tl::unexpected<Error> damaged() {
    return fail(ErrorKind::BadInput, "the picture is damaged");
}

} // namespace

bool named_as_picture(const QString& path) {
    const QString ending = QFileInfo(path).suffix().toLower();
    return ending == "png" || ending == "jpg" || ending == "jpeg";
}

Result<void> check_picture(const QByteArray& data) {
    if (data.startsWith("\x89PNG") && !sound_png(data)) return damaged();
    QBuffer buffer;
    buffer.setData(data);
    buffer.open(QIODevice::ReadOnly);
    const QSize size = QImageReader(&buffer).size();
    if (size.isEmpty()) return damaged();
    if (static_cast<qint64>(size.width()) * size.height() > most_pixels)
        return fail(ErrorKind::TooLarge, "the picture has more than 60 million pixels");
    return {};
}

Result<QImage> read_picture(const QByteArray& data, QSize fit) {
    if (auto r = check_picture(data); !r) return tl::make_unexpected(r.error());
    QBuffer buffer;
    buffer.setData(data);
    buffer.open(QIODevice::ReadOnly);
    QImageReader reader(&buffer);
    reader.setAutoTransform(true); // photos say which way up they were taken
    // Colours out of a palette cannot be mixed before they are looked up.
    const bool palette = reader.imageFormat() == QImage::Format_Mono ||
                         reader.imageFormat() == QImage::Format_MonoLSB ||
                         reader.imageFormat() == QImage::Format_Indexed8;
    if (fit.isValid() && !palette) reader.setScaledSize(fit);
    QImage image = reader.read();
    if (image.isNull()) return damaged();
    if (palette) image = image.convertToFormat(QImage::Format_ARGB32);
    if (palette && fit.isValid()) image = image.scaled(fit, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
    return image;
}

namespace {

/// In pixels, the right way up.
QSize upright_size(const QByteArray& data) {
    QBuffer buffer;
    buffer.setData(data);
    buffer.open(QIODevice::ReadOnly);
    const QImageReader reader(&buffer);
    const QSize size = reader.size();
    return reader.transformation() & QImageIOHandler::TransformationRotate90 ? size.transposed() : size;
}

/// As 2026-05-17, from the Exif data of a JPEG; empty where it does not say, or says nonsense.
std::string day_taken(const QByteArray& data) {
    const std::unique_ptr<ExifData, decltype(&exif_data_unref)> exif(
        exif_data_new_from_data(reinterpret_cast<const unsigned char*>(data.constData()),
                                static_cast<unsigned>(data.size())),
        &exif_data_unref);
    if (!exif) return {};
    for (const auto& [ifd, tag] : {std::pair(EXIF_IFD_EXIF, EXIF_TAG_DATE_TIME_ORIGINAL),
                                   std::pair(EXIF_IFD_EXIF, EXIF_TAG_DATE_TIME_DIGITIZED)}) {
        const ExifEntry* entry = exif_content_get_entry(exif->ifd[ifd], tag);
        if (!entry || !entry->data || entry->size < 10) continue;
        const auto said = QString::fromLatin1(reinterpret_cast<const char*>(entry->data), 10);
        const QDate day = QDate::fromString(said, "yyyy:MM:dd");
        if (day.isValid()) return day.toString(Qt::ISODate).toStdString();
    }
    return {};
}

} // namespace

Result<Shared<BroughtPicture>> brought_picture(const std::string& name, const std::string& bytes) {
    const auto data = QByteArray::fromRawData(bytes.data(), static_cast<qsizetype>(bytes.size()));
    const auto image = read_picture(data, {256, 256});
    if (!image) return fail(image.error().kind, name + ": " + image.error().message);
    // Cells keep small strong colours that a mean would lose: each is a pixel of the picture.
    const QImage cells =
        image->scaled(picture_cells, picture_cells, Qt::IgnoreAspectRatio, Qt::FastTransformation);
    BroughtPicture out{name_in_archive(name), bytes, palette_of(pixels_from(*image)), pixels_from(cells).at};
    const QSize size = upright_size(data);
    out.width = size.width();
    out.height = size.height();
    out.taken = day_taken(data);
    return Shared<BroughtPicture>{std::make_shared<const BroughtPicture>(std::move(out))};
}

Result<Shared<BroughtPicture>> brought_from(const QString& path) {
    const auto bytes = read_file(path, 64LL << 20);
    if (!bytes) return tl::make_unexpected(bytes.error());
    return brought_picture(QFileInfo(path).fileName().toStdString(), bytes->toStdString());
}

Pixels pixels_from(const QImage& image) {
    const QImage rgb = image.convertToFormat(QImage::Format_RGB32);
    Pixels out;
    out.width = rgb.width();
    out.height = rgb.height();
    out.at.reserve(static_cast<std::size_t>(out.width) * static_cast<std::size_t>(out.height));
    for (int y = 0; y < rgb.height(); ++y) {
        const auto* line = reinterpret_cast<const QRgb*>(rgb.constScanLine(y));
        for (int x = 0; x < rgb.width(); ++x)
            out.at.push_back({static_cast<std::uint8_t>(qRed(line[x])),
                              static_cast<std::uint8_t>(qGreen(line[x])),
                              static_cast<std::uint8_t>(qBlue(line[x]))});
    }
    return out;
}

} // namespace zesty
