#include "io/paper_pixels.h"

#include "io/picture.h"

#include <algorithm>

namespace zesty {

Result<Pixels> pixels_of_paper(const Stash& stash, const Paper& paper) {
    const auto bytes = stash.pictures.find(paper.picture);
    if (bytes == stash.pictures.end())
        return fail(ErrorKind::NothingToDo, paper.name + " has no picture in which a motif could be found");
    const auto held = bytes->second.get();
    if (!held)
        return fail(ErrorKind::Unreadable, "the picture of " + paper.name + " cannot be read any more");
    const auto image = read_picture(QByteArray::fromStdString(*held));
    if (!image) return tl::make_unexpected(image.error());
    Pixels out = pixels_from(*image);
    const Box covers = picture_box(paper);
    out.mm_per_pixel = std::max(covers.width(), covers.height()) / std::max({out.width, out.height, 1});
    return out;
}

} // namespace zesty
