#pragma once
// Pictures from files: PNG, JPEG and what else Qt reads, the right way up.

#include "core/result.h"
#include "core/setout/brought_picture.h"
#include "core/shared.h"
#include "core/stash/pixels.h"

#include <QByteArray>
#include <QImage>
#include <QString>

namespace zesty {

/// Damaged files and files of more than 60 million pixels are refused with one sentence; a damaged PNG is
/// found out before its decoder complains about it on its own. `fit` scales the picture down to that size
/// while it is read; an invalid size keeps it.
Result<QImage> read_picture(const QByteArray& data, QSize fit = {});

/// By its ending: PNG or JPEG.
bool named_as_picture(const QString& path);

/// Whether read_picture() would begin to read it, told from its head alone.
Result<void> check_picture(const QByteArray& data);

/// A photo as somebody brought it, its colours read.
Result<Shared<BroughtPicture>> brought_picture(const std::string& name, const std::string& bytes);

/// The same from a file, of up to 64 MB.
Result<Shared<BroughtPicture>> brought_from(const QString& path);

/// The pixels as the core looks at them; a millimetre each until somebody knows better.
Pixels pixels_from(const QImage& image);

} // namespace zesty
