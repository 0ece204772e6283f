#include "core/match/face.h"

namespace zesty {

std::vector<Face> faces_of(const Stash& stash) {
    std::vector<Face> out;
    for (const Side side : {Side::A, Side::B})
        for (std::size_t p = 0; p < stash.papers.size(); ++p)
            if (stash.papers[p].has(side)) out.push_back({static_cast<int>(p), side});
    return out;
}

int face_of(const Stash& stash, int paper, Side side) {
    if (paper < 0 || side == Side::A || !stash.papers[paper].back) return paper;
    int number = static_cast<int>(stash.papers.size());
    for (int p = 0; p < paper; ++p) number += stash.papers[p].back.has_value();
    return number;
}

} // namespace zesty
