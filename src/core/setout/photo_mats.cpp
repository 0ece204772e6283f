#include "core/setout/photo_mats.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/setout/photos.h"

#include <algorithm>
#include <cassert>

namespace zesty {

namespace {

constexpr int mat_corners = 96;
constexpr double worth_gutting = 400; ///< mm2

/// Of the photo alone, or with so much around it, in its own directions.
Polygon grown_photo(const Photo& photo, double by) {
    const double w = photo.width / 2 + by;
    const double h = (photo.round ? photo.width : photo.height) / 2 + by;
    return {photo.round ? circle({}, w, mat_corners) : ring_of({-w, -h, w, h}), {}};
}

Box half_plane(MatSpan span) {
    constexpr double far = 1e6;
    switch (span) {
    case MatSpan::Left:
        return {-far, -far, 0, far};
    case MatSpan::Right:
        return {0, -far, far, far};
    case MatSpan::Upper:
        return {-far, -far, far, 0};
    case MatSpan::Lower:
        return {-far, 0, far, far};
    case MatSpan::Whole:
        break;
    }
    return {-far, -far, far, far};
}

double out_to(const Photo& photo, std::size_t mat) {
    double out = 0;
    for (std::size_t i = 0; i <= mat; ++i) out += photo.mats[i].border;
    return out;
}

Polygon in_photo(const Photo& photo, std::size_t mat, double more) {
    const PhotoMat& m = photo.mats[mat];
    Polygon whole = grown_photo(photo, out_to(photo, mat) + more);
    if (m.span != MatSpan::Whole)
        if (const auto half = clipped(whole, half_plane(m.span)); half && !half->empty())
            whole = largest(*half);
    return transformed(whole, Transform::moved(m.shift.x, m.shift.y));
}

} // namespace

Polygon outline_of_mat(const Photo& photo, std::size_t mat) {
    assert(mat < photo.mats.size());
    return transformed(in_photo(photo, mat, 0), Transform::moved(photo.centre.x, photo.centre.y) *
                                                    Transform::turned_deg(photo.turn_deg));
}

Polygon blank_of_mat(const Photo& photo, std::size_t mat, double lip) {
    assert(mat < photo.mats.size());
    const PhotoMat& m = photo.mats[mat];
    Polygon blank = in_photo(photo, mat, m.torn ? m.tear : 0);
    if (m.gut && !m.see_through) {
        // What lies directly on it hides the middle: the photo, or a whole mat that is no vellum.
        Region hidden{grown_photo(photo, -lip)};
        for (std::size_t i = 0; i < mat; ++i)
            if (const PhotoMat& above = photo.mats[i]; !above.see_through && !above.torn)
                if (const auto inner = grow({in_photo(photo, i, 0)}, -lip, Corner::Sharp))
                    hidden.insert(hidden.end(), inner->begin(), inner->end());
        if (const auto joined = unite(hidden); joined && !joined->empty()) {
            const auto safe = grow({blank}, -lip, Corner::Sharp);
            const auto middle = safe ? intersect(*joined, *safe) : safe;
            if (middle && !middle->empty() && area(largest(*middle)) > worth_gutting)
                blank.holes.push_back(largest(*middle).outer);
        }
    }
    const Point middle = bounds(blank).centre();
    return transformed(blank, Transform::moved(-middle.x, -middle.y));
}

std::string name_of_mat(const Photo& photo, std::size_t place, std::size_t mat) {
    return "Photo mat " + std::to_string(mat + 1) + " of " + name_of(photo, place);
}

double reach_of_mats(const Photo& photo) {
    double out = 0;
    double reach = 0;
    for (const PhotoMat& m : photo.mats) {
        out += m.border;
        if (m.span == MatSpan::Whole) reach = out;
    }
    return reach;
}

Polygon matted_outline(const Photo& photo) {
    Region all{outline_of(photo)};
    for (std::size_t i = 0; i < photo.mats.size(); ++i) all.push_back(outline_of_mat(photo, i));
    if (all.size() == 1) return all.front();
    const auto joined = unite(all);
    return joined && !joined->empty() ? largest(*joined) : all.front();
}

} // namespace zesty
