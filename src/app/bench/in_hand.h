#pragma once
// What moves, turns and sizes at Set out are for: one of the cuts, or one of the photos.

#include "core/project/project.h"

#include <QObject>

namespace zesty {

class InHand : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;

    /// Index into the project's cuts, -1 without cuts. While a photo is in hand it is the cut before it.
    int cut(const Project& project) const;
    /// The same cut for changing; null without cuts.
    PlacedCut* placed(Project& project) const;
    /// Index into the project's photos, or -1 while a cut is in hand.
    int photo(const Project& project) const;

    void take_cut(int id);
    void take_photo(int photo);
    /// The thing after the one in hand: every cut, then every photo, then from the start.
    void take_next(const Project& project);

signals:
    void changed();

private:
    int cut_id_ = 0;
    int photo_ = -1; ///< before the cut
};

} // namespace zesty
