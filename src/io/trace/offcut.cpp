#include "io/trace/offcut.h"

#include "core/cutfile/cut_file.h"
#include "core/geometry/measure.h"
#include "io/trace/trace.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr double rounded_off = 0.05; ///< mm, of points that say nothing
constexpr double good_to = 0.4;      ///< mm; tracing adds its share
constexpr double least_hole = 3;     ///< mm2; less is a speck

} // namespace

Result<Polygon> measured_offcut(const QByteArray& picture, double square) {
    const auto drawing = trace_picture(picture, {square, good_to});
    if (!drawing) return tl::make_unexpected(drawing.error());
    const auto cut = read_cut(*drawing);
    if (!cut) return tl::make_unexpected(cut.error());
    const auto piece = std::max_element(cut->pieces.begin(), cut->pieces.end(),
                                        [](const Piece& a, const Piece& b) { return a.area < b.area; });
    if (piece == cut->pieces.end()) return fail(ErrorKind::NothingToDo, "there is nothing beside the square");
    Polygon out = simplified(piece->outline, rounded_off);
    std::erase_if(out.holes, [](const Ring& h) { return std::abs(signed_area(h)) < least_hole; });
    const Box box = bounds(out);
    return transformed(out, Transform::moved(-box.x0, -box.y0));
}

} // namespace zesty
