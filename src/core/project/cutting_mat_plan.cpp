#include "core/project/cutting_mat_plan.h"

#include "core/geometry/measure.h"
#include "core/project/loaded_sheets.h"
#include "core/stash/colour_words.h"

#include <algorithm>

namespace zesty {

namespace {

bool same_contour(const Ring& a, const Ring& b) {
    return a.size() == b.size() && distance(a.front(), b.front()) < 1e-6;
}

bool of_one_cardstock(const PlacedCut& a, const PlacedCut& b) {
    if (a.paper != b.paper || a.colour != b.colour) return false;
    if (!a.paper.empty() || a.colour) return true;
    return a.layers == b.layers && (a.grown > 0) == (b.grown > 0);
}

std::string cardstock_of(const Project& project, const PlacedCut& cut) {
    if (!cut.paper.empty() && project.stash)
        if (const int paper = project.stash->find(cut.paper); paper >= 0)
            return project.stash->papers[static_cast<std::size_t>(paper)].name;
    if (cut.colour) return colour_words(*cut.colour);
    if (cut.grown > 0) return "the shadow's paper";
    return cut.layers.empty() ? "the cut's paper" : "the paper of " + cut.layers.front();
}

std::vector<int> outer_pieces_of(const Plan& plan, int cut) {
    std::vector<int> out;
    const auto& pieces = plan.sections.cut->pieces;
    for (std::size_t p = 0; p < pieces.size(); ++p)
        if (pieces[p].layer == cut && pieces[p].in_opening < 0) out.push_back(static_cast<int>(p));
    return out;
}

/// What lies on the mat of these cuts, loading by loading.
CuttingMatLayout on_their_sheets(const Project& project, const Plan& plan, const std::vector<int>& cuts) {
    CuttingMatLayout out;
    const CuttingMat& size = project.set_out.cutting_mat;
    for (const LoadedSheet& sheet : loaded_sheets(project, plan)) {
        const bool here = std::any_of(sheet.cuts.begin(), sheet.cuts.end(), [&](std::size_t c) {
            return std::find(cuts.begin(), cuts.end(), static_cast<int>(c)) != cuts.end();
        });
        if (!here) continue;
        const std::vector<Ring> contours = contours_on(sheet, project, plan);
        const SheetParts parts = parts_of(bounds(sheet.outline), contours, size.width, size.height);
        for (const SheetParts::Part& part : parts.parts) {
            std::vector<OnCuttingMat> mat;
            for (const std::size_t c : sheet.cuts) {
                const Transform onto = drawing_to_sheet(project, plan, c);
                for (std::size_t p = 0; p < plan.sections.cut->pieces.size(); ++p) {
                    if (plan.sections.cut->pieces[p].layer != static_cast<int>(c)) continue;
                    const Ring outer = transformed(plan.sections.cut->pieces[p].outline.outer, onto);
                    const bool cut_here = std::any_of(part.contours.begin(), part.contours.end(), [&](int n) {
                        return same_contour(contours[static_cast<std::size_t>(n)], outer);
                    });
                    if (cut_here)
                        mat.push_back({static_cast<int>(p), 0,
                                       Transform::moved(-part.corner.x, -part.corner.y) * onto});
                }
            }
            if (!mat.empty()) out.mats.push_back(std::move(mat));
        }
        // One for each contour that is too large, which is said of pieces.
        for (std::size_t n = 0; n < parts.too_large.size(); ++n) out.too_large.push_back(0);
    }
    return out;
}

constexpr int halvings = 6;
constexpr double least_share = 0.2; ///< of its size, for one more that is smaller

} // namespace

std::vector<CutsOnCuttingMats> mats_of(const Project& project, const Plan& plan, const StopToken& stop) {
    std::vector<CutsOnCuttingMats> out;
    if (!plan.sections.cut) return out;
    for (std::size_t c = 0; c < project.set_out.cuts.size(); ++c) {
        if (project.set_out.cuts[c].pieces_from_paper) continue;
        const auto same = std::find_if(out.begin(), out.end(), [&](const CutsOnCuttingMats& m) {
            const auto first = static_cast<std::size_t>(m.cuts.front());
            return of_one_cardstock(project.set_out.cuts[first], project.set_out.cuts[c]) &&
                   (sheet_of_cut(project, plan, first) != nullptr) ==
                       (sheet_of_cut(project, plan, c) != nullptr);
        });
        if (same == out.end())
            out.push_back({{static_cast<int>(c)}, cardstock_of(project, project.set_out.cuts[c]), {}});
        else
            same->cuts.push_back(static_cast<int>(c));
    }
    const CuttingMat& size = project.set_out.cutting_mat;
    for (CutsOnCuttingMats& one : out) {
        one.of_stock = std::all_of(one.cuts.begin(), one.cuts.end(), [&](int c) {
            return sheet_of_cut(project, plan, static_cast<std::size_t>(c)) != nullptr;
        });
        if (one.of_stock) {
            one.layout = on_their_sheets(project, plan, one.cuts);
            continue;
        }
        std::vector<int> pieces;
        for (std::size_t p = 0; p < plan.sections.cut->pieces.size(); ++p)
            if (std::find(one.cuts.begin(), one.cuts.end(), plan.sections.cut->pieces[p].layer) !=
                one.cuts.end())
                pieces.push_back(static_cast<int>(p));
        one.layout = lay_on_cutting_mats(*plan.sections.cut, plan.set_out.whole.to_page, pieces, size, stop);
    }
    return out;
}

std::vector<CuttingExtra> extras_on(const Project& project, const Plan& plan, const CutsOnCuttingMats& mats,
                                    const StopToken& stop) {
    std::vector<CuttingExtra> out;
    if (!plan.sections.cut || mats.layout.mats.empty()) return out;
    std::vector<int> there;
    for (const OnCuttingMat& p : mats.layout.mats.back())
        if (plan.sections.cut->pieces[p.piece].in_opening < 0) there.push_back(p.piece);
    const auto fits = [&](const std::vector<OneMore>& more) {
        return fits_beside(*plan.sections.cut, plan.set_out.whole.to_page, there, more,
                           project.set_out.cutting_mat, stop);
    };
    std::vector<const PlacedCut*> told;
    for (const int c : mats.cuts) {
        const PlacedCut& cut = project.set_out.cuts[c];
        const SetOut& lies = plan.set_out.each[c];
        // Copies of one size are the same extra.
        if (std::any_of(told.begin(), told.end(), [&](const PlacedCut* t) {
                return t->drawing == cut.drawing && t->left_out == cut.left_out && t->layers == cut.layers &&
                       t->grown == cut.grown;
            }))
            continue;
        told.push_back(&cut);
        const OneMore one{outer_pieces_of(plan, c)};
        int spares = 0;
        while (!stopped(stop) && fits(std::vector<OneMore>(static_cast<std::size_t>(spares + 1), one)))
            ++spares;
        if (spares > 0) out.push_back({CuttingExtra::Kind::Spare, c, spares, 0});
        OneMore shadow = one;
        shadow.grown = project.set_out.usual.shadow;
        if (spares > 0 && cut.grown == 0 && fits({shadow}))
            out.push_back({CuttingExtra::Kind::Shadow, c, 1, 0});
        if (spares > 0) continue;
        double good = 0, bad = 1;
        for (int i = 0; i < halvings && !stopped(stop); ++i) {
            const double factor = std::max(least_share, (good + bad) / 2);
            OneMore smaller = one;
            smaller.factor = factor;
            (fits({smaller}) ? good : bad) = factor;
            if (bad <= least_share) break;
        }
        if (good > 0)
            out.push_back({CuttingExtra::Kind::Smaller, c, 1, good * std::max(lies.size.x, lies.size.y)});
    }
    return out;
}

std::string extras_in_words(const Project& project, const std::vector<CuttingExtra>& extras) {
    std::string out;
    for (const CuttingExtra& e : extras) {
        const PlacedCut& cut = project.set_out.cuts[e.cut];
        const std::string& name = project.set_out.drawings[cut.drawing]->name;
        out += out.empty() ? "" : ", ";
        switch (e.kind) {
        case CuttingExtra::Kind::Spare:
            out += e.count == 1 ? "a spare of " + name : std::to_string(e.count) + " spares of " + name;
            break;
        case CuttingExtra::Kind::Shadow:
            out += "or its shadow";
            break;
        case CuttingExtra::Kind::Smaller:
            out += name + " once more at " + format_length(e.size, project.units);
            break;
        }
    }
    return out;
}

} // namespace zesty
