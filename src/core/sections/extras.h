#pragma once
// What treatments need besides paper: acetate and foam for shakers, prints for photos, room for words. Page
// millimetres.

#include "core/finding.h"
#include "core/sections/spots.h"
#include "core/setout/photos.h"

namespace zesty {

/// Foam is set this far back from the opening so that it does not show.
inline constexpr double foam_setback = 0.5;

struct Shaker {
    int opening = 0;
    Box acetate;            ///< of the sheet of acetate, lips included; turned upright
    double foam_width = 0;  ///< as wanted
    double wall_length = 0; ///< of foam strip, along its middle
    double inner_area = 0;  ///< mm2 to fill, inside the walls
    double room = 0;        ///< for foam at the narrowest place of its bars
    bool walls_fit = false;
};
/// Walls stand on the bars beside the opening; where the opening across is a shaker too they share the bar.
std::vector<Shaker> shakers_of(const Spots& spots, const std::vector<Treatment>& treatment_by_opening,
                               const std::vector<double>& lip_by_opening, double foam_width,
                               const Transform& to_page);

/// The print to order for an opening that shows a photo.
struct SectionPhoto {
    int opening = 0;
    PhotoSize size;    ///< as ordered
    bool usual = true; ///< false when no usual size covers: this is the size to trim to
    Point centre;
    double turn_deg = 0;
};
/// The smallest usual print that covers the opening and the lip all round, however it has to be turned.
SectionPhoto photo_size_for(const Polygon& opening, double lip);

/// Level lines of writing that an opening has room for.
struct WritingRoom {
    int opening = 0;
    int lines = 0;
    double length = 0; ///< of all lines together
};
inline constexpr double line_height = 7;
WritingRoom writing_room(const Polygon& opening);

} // namespace zesty
