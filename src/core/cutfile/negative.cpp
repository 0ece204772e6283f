#include "core/cutfile/negative.h"

#include "core/cutfile/cut_file.h"
#include "core/geometry/measure.h"

namespace zesty {

Result<Drawing> negative_of(const Drawing& drawing) {
    const auto cut = read_cut(drawing);
    if (!cut) return tl::make_unexpected(cut.error());
    Region material;
    for (const Piece& p : cut->pieces) material.push_back(p.outline);
    Box whole = cut->box;
    whole.add(Box{0, 0, drawing.width, drawing.height});
    const auto rest = subtract({{ring_of(whole), {}}}, material);
    if (!rest) return tl::make_unexpected(rest.error());
    if (rest->empty()) return fail(ErrorKind::NothingToDo, "the drawing has no openings to become paper");
    Drawing out;
    out.width = drawing.width;
    out.height = drawing.height;
    out.size_known = drawing.size_known;
    out.size_real = drawing.size_real;
    std::vector<Ring> contours;
    for (const Polygon& p : *rest) {
        contours.push_back(p.outer);
        contours.insert(contours.end(), p.holes.begin(), p.holes.end());
    }
    out.shapes.push_back(even_odd_shape(std::move(contours)));
    return out;
}

} // namespace zesty
