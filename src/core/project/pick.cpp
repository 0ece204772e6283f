// What of a drawing there is to pick, and how a cut stays where it lies while parts of it go.

#include "core/cutfile/layers.h"
#include "core/geometry/measure.h"
#include "core/project/planner.h"

namespace zesty {

namespace {

bool in_material(const CutFile& cut, Point at) {
    return std::any_of(cut.pieces.begin(), cut.pieces.end(),
                       [&](const Piece& p) { return p.box.contains(at) && contains(p.outline, at); });
}

bool inside_outline(const CutFile& cut, Point at) {
    return std::any_of(cut.pieces.begin(), cut.pieces.end(),
                       [&](const Piece& p) { return p.box.contains(at) && contains(p.outline.outer, at); });
}

} // namespace

int piece_at(const Pickable& all, Point at) {
    const auto& pieces = all.pieces->pieces;
    // The largest come first.
    for (std::size_t p = pieces.size(); p-- > 0;)
        if (pieces[p].box.contains(at) && contains(pieces[p].outline, at)) return static_cast<int>(p);
    for (std::size_t p = pieces.size(); p-- > 0;)
        if (pieces[p].box.contains(at) && contains(pieces[p].outline.outer, at)) return static_cast<int>(p);
    return -1;
}

int layer_at(const Pickable& all, Point at) {
    for (const auto& there : {in_material, inside_outline})
        for (std::size_t l = all.of_layer.size(); l-- > 0;)
            if (there(*all.of_layer[l], at)) return static_cast<int>(l);
    return -1;
}

Result<Pickable> Planner::pickable(const Project& project, int cut) {
    PlacedCut one = project.set_out.cuts[cut];
    one.left_out.clear();
    one.grown = 0;
    const auto read = [&](const PlacedCut& of) -> Result<std::shared_ptr<const CutFile>> {
        auto part = parts_.of_cut(project.set_out, project.units, of);
        if (!part) return tl::make_unexpected(part.error());
        return std::shared_ptr<const CutFile>(*part, &(*part)->cut);
    };
    Pickable out;
    auto pieces = read(one);
    if (!pieces) return tl::make_unexpected(pieces.error());
    out.pieces = std::move(*pieces);
    for (const std::string& layer : layers_of(project.set_out.drawings[one.drawing]->drawing)) {
        one.layers = {layer};
        auto alone = read(one);
        if (!alone) continue; // nothing that could be cut
        out.layers.push_back(layer);
        out.of_layer.push_back(std::move(*alone));
    }
    return out;
}

Result<CutPlacement> Planner::by_whole_drawing(const Project& project, int cut) {
    const SetOutDecisions& page = project.set_out;
    const PlacedCut& now = page.cuts[cut];
    if (now.by_whole) return now.place;
    const auto part = parts_.of_cut(page, project.units, now);
    if (!part) return tl::make_unexpected(part.error());
    PlacedCut then = now;
    then.by_whole = true;
    then.grown = 0;
    const auto whole = parts_.of_cut(page, project.units, then);
    if (!whole) return tl::make_unexpected(whole.error());
    const CutFile& used = (*part)->cut;
    const SetOut lies =
        set_out(used, page.page, now.place, project.units, {.sized_by = (*part)->sized_by.get()});
    const CutFile& sized_by = *(*whole)->sized_by;
    CutPlacement place = sized(now.place, SizeRule::Width, sized_by.box.width() * lies.scale);
    const SetOut comes = set_out((*whole)->cut, page.page, place, project.units, {.sized_by = &sized_by});
    place.shift = place.shift + (lies.to_page({0, 0}) - comes.to_page({0, 0}));
    return place;
}

} // namespace zesty
