#include "core/match/face_distances.h"

#include "core/on_two_threads.h"
#include "core/stash/likeness.h"

namespace zesty {

std::vector<PaperFace> looks_of(const Stash& stash) {
    std::vector<PaperFace> out;
    for (const Face& f : faces_of(stash)) out.push_back(stash.papers[f.paper].face(f.side));
    return out;
}

std::shared_ptr<const FaceDistances> distances_of(const std::vector<PaperFace>& sides) {
    FaceDistances out;
    out.count = sides.size();
    out.colours.assign(out.count * out.count, 0);
    out.looks = out.colours;
    on_two_threads(out.count, [&](std::size_t a) {
        for (std::size_t b = a + 1; b < out.count; ++b) {
            const double colours = palette_distance(palette_or_colour(sides[a]), palette_or_colour(sides[b]));
            const double looks = unlikeness(sides[a], sides[b], colours);
            out.colours[a * out.count + b] = out.colours[b * out.count + a] = colours;
            out.looks[a * out.count + b] = out.looks[b * out.count + a] = looks;
        }
    });
    return std::make_shared<const FaceDistances>(std::move(out));
}

} // namespace zesty
