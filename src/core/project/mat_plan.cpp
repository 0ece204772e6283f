#include "core/project/mat_plan.h"

#include <algorithm>

namespace zesty {

namespace {

bool of_one_paper(const PlacedCut& a, const PlacedCut& b) {
    return a.drawing == b.drawing && a.layers == b.layers && a.grown == b.grown;
}

} // namespace

std::vector<CutsOnMats> mats_of(const Project& project, const Plan& plan, const StopToken& stop) {
    std::vector<CutsOnMats> out;
    if (!plan.cut) return out;
    for (std::size_t c = 0; c < project.cuts.size(); ++c) {
        if (project.cuts[c].pieces_from_paper) continue;
        const auto same = std::find_if(out.begin(), out.end(), [&](const CutsOnMats& m) {
            return of_one_paper(project.cuts[m.cuts.front()], project.cuts[c]);
        });
        if (same == out.end())
            out.push_back({{static_cast<int>(c)}, {}});
        else
            same->cuts.push_back(static_cast<int>(c));
    }
    const MatSize size{project.mat_width, project.mat_height};
    for (CutsOnMats& one : out) {
        std::vector<int> pieces;
        for (std::size_t p = 0; p < plan.cut->pieces.size(); ++p)
            if (std::find(one.cuts.begin(), one.cuts.end(), plan.cut->pieces[p].layer) != one.cuts.end())
                pieces.push_back(static_cast<int>(p));
        one.layout = lay_on_mats(*plan.cut, plan.set_out.to_page, pieces, size, stop);
    }
    return out;
}

} // namespace zesty
