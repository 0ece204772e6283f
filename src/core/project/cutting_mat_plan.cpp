#include "core/project/cutting_mat_plan.h"

#include <algorithm>

namespace zesty {

namespace {

bool of_one_paper(const PlacedCut& a, const PlacedCut& b) {
    return a.drawing == b.drawing && a.layers == b.layers && a.grown == b.grown;
}

} // namespace

std::vector<CutsOnCuttingMats> mats_of(const Project& project, const Plan& plan, const StopToken& stop) {
    std::vector<CutsOnCuttingMats> out;
    if (!plan.sections.cut) return out;
    for (std::size_t c = 0; c < project.set_out.cuts.size(); ++c) {
        if (project.set_out.cuts[c].pieces_from_paper) continue;
        const auto same = std::find_if(out.begin(), out.end(), [&](const CutsOnCuttingMats& m) {
            return of_one_paper(project.set_out.cuts[m.cuts.front()], project.set_out.cuts[c]);
        });
        if (same == out.end())
            out.push_back({{static_cast<int>(c)}, {}});
        else
            same->cuts.push_back(static_cast<int>(c));
    }
    const CuttingMat& size = project.set_out.cutting_mat;
    for (CutsOnCuttingMats& one : out) {
        std::vector<int> pieces;
        for (std::size_t p = 0; p < plan.sections.cut->pieces.size(); ++p)
            if (std::find(one.cuts.begin(), one.cuts.end(), plan.sections.cut->pieces[p].layer) !=
                one.cuts.end())
                pieces.push_back(static_cast<int>(p));
        one.layout = lay_on_cutting_mats(*plan.sections.cut, plan.set_out.whole.to_page, pieces, size, stop);
    }
    return out;
}

} // namespace zesty
