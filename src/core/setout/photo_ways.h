#pragma once
// Which photo to order of a picture: what its size cuts off, and what else it could be.

#include "core/geometry/lengths.h"
#include "core/names.h"
#include "core/setout/photo.h"

#include <vector>

namespace zesty {

enum class PhotoWay { AsItIs, Turned, OtherSize, WhiteRim, Detail, Circle };
template <>
inline constexpr std::array words_of<PhotoWay>{"as-it-is",  "turned", "other-size",
                                               "white-rim", "detail", "circle"};

struct WayToPrint {
    PhotoWay way = PhotoWay::AsItIs;
    Photo photo; ///< as it would be; what is protected and hidden lies on the same things
    double lost_across = 0, lost_down = 0; ///< mm of the photo cut off on the left and right, top and bottom
    double lost = 0;                       ///< share of the picture
    double rim_across = 0, rim_down = 0;   ///< mm of white on the left and right, top and bottom
    double pixels_per_inch = 0;
    bool cuts_protected = false;  ///< something of a protected part is lost
    std::vector<int> edge_behind; ///< openings behind whose bars the edge of a circle can be hidden
    std::string in_words;
};

/// Below this a photo looks soft.
inline constexpr double soft_below = 150; ///< pixels an inch

/// As it is first. Sizes of up to 2 1/2 times the area, and down to 2/5 of it, count as others. Empty without
/// a picture of known size.
std::vector<WayToPrint> ways_to_print(const Photo& photo, Units units);

/// How a picture lies on its photo.
struct PictureOnPhoto {
    double mm_per_pixel = 0;
    Point centre;                 ///< the pixel in the middle of the photo
    double width = 0, height = 0; ///< pixels of the part that is printed
};
/// The photo must have a picture of known size.
PictureOnPhoto picture_on(const Photo& photo);

} // namespace zesty
