#pragma once
// Pictures of papers as images, decoded when they are first wanted. Those that were wanted longest ago are
// let go beyond a bound, and decoded again when somebody wants them.

#include "core/stash/picture_bytes.h"

#include <QCache>
#include <QImage>
#include <QSize>
#include <functional>
#include <map>
#include <mutex>

namespace zesty {

/// May be used on any thread.
class DecodedPictures {
public:
    DecodedPictures();

    /// Of one picture: level 0 is as fine as it came, each further one half as fine as the one before.
    struct Levels {
        QSize size; ///< pixels as it came; empty where it cannot be read
        int count = 0;
    };
    /// The level that is chosen, from 0 to below their count; null where the picture cannot be read. A
    /// picture stays the same as long as its number does.
    QImage image(unsigned number, const PictureBytes& bytes, const std::function<int(Levels)>& choose);

private:
    static QImage decoded(const PictureBytes& bytes);
    void keep(unsigned number, int level, const QImage& image);

    std::mutex mutex_; ///< of both
    std::map<unsigned, Levels> levels_;
    QCache<std::pair<unsigned, int>, QImage> images_; ///< cost in kilobytes
};

} // namespace zesty
