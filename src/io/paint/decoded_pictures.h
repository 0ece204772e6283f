#pragma once
// Pictures of papers as images, decoded when they are first wanted. Those that were wanted longest ago are
// let go beyond a bound, and decoded again when somebody wants them.

#include "core/stash/picture_bytes.h"

#include <QCache>
#include <QImage>
#include <QSize>
#include <mutex>

namespace zesty {

/// May be used on any thread.
class DecodedPictures {
public:
    DecodedPictures();

    /// Of one picture; it stays the same as long as the number does.
    struct Levels {
        QSize size; ///< pixels as it came; empty where it cannot be read
        int count = 0;
    };
    Levels levels(unsigned number, const PictureBytes& bytes);
    /// Level 0 is as fine as it came, each further one half as fine as the one before; null where it cannot
    /// be read.
    QImage image(unsigned number, const PictureBytes& bytes, int level);

private:
    std::vector<QImage> decode(unsigned number, const PictureBytes& bytes, int finest_kept);

    std::mutex mutex_; ///< of both
    std::map<unsigned, Levels> levels_;
    QCache<std::pair<unsigned, int>, QImage> images_; ///< cost in kilobytes
};

} // namespace zesty
