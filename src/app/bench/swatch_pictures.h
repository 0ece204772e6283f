#pragma once
// What the swatches of the drawer show of their papers: painted off the window's thread, and kept, so that a
// large stash is not decoded again at each look.

#include "core/stash/stash.h"
#include "io/paint/textures.h"

#include <QCache>
#include <QImage>
#include <QObject>
#include <QPointer>
#include <QThreadPool>
#include <QWidget>

namespace zesty {

class SwatchPictures : public QObject {
public:
    explicit SwatchPictures(QObject* parent);
    ~SwatchPictures() override { pool_.clear(); }

    struct Wanted {
        int paper = 0;
        Side side = Side::A;
        bool whole = false; ///< the sheet squeezed into the swatch, instead of a part at its true size
        QSize size;         ///< in the window's units
        double pixels_per_unit = 1;
        double units_per_mm = 1;
    };
    /// Null while it is not painted yet; `wants` is painted again when it is.
    QImage picture(const std::shared_ptr<const Textures>& textures, const Wanted& wanted, QWidget* wants);
    /// Nothing is being painted.
    bool settled() const { return asked_.empty(); }

private:
    /// Not the one all share: Qt fills large areas there, and whoever paints the page would wait for
    /// swatches.
    QThreadPool pool_;
    QCache<QString, QImage> painted_;                   ///< cost in kilobytes
    std::map<QString, QList<QPointer<QWidget>>> asked_; ///< who wants to be painted again
};

} // namespace zesty
