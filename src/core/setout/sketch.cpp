#include "core/setout/sketch.h"

#include "core/setout/decisions.h"

#include <algorithm>

namespace zesty {

void take_over_sketch(SetOutDecisions& page) {
    for (const SketchBox& one : page.sketch.boxes) {
        const double width = one.box.width();
        const double height = one.box.height();
        if (!photo_side_limits.hold(width) || !photo_side_limits.hold(height)) continue;
        if (one.role == SketchRole::Photo) {
            const bool there = std::any_of(page.photos.begin(), page.photos.end(),
                                           [&](const Photo& p) { return one.box.contains(p.centre); });
            if (there) continue;
            Photo photo;
            photo.width = width;
            photo.height = height;
            photo.centre = one.box.centre();
            page.photos.push_back(photo);
            continue;
        }
        const RoomWanted room{one.role == SketchRole::Title ? RoomFor::Title : RoomFor::Journaling, width,
                              height};
        if (page.rooms.size() < most_rooms &&
            std::find(page.rooms.begin(), page.rooms.end(), room) == page.rooms.end())
            page.rooms.push_back(room);
    }
}

} // namespace zesty
