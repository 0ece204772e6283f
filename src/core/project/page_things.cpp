#include "core/project/page_things.h"

#include "core/dress/layers.h"
#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/findings.h"
#include "core/setout/photos.h"

#include <algorithm>
#include <set>

namespace zesty {

namespace {

constexpr double meets_from = 1; ///< mm2

/// A photo lies on its mats: what is one thing may overlap itself.
bool meet(const Region& a, const Region& b) {
    if (!bounds(a).meets(bounds(b))) return false;
    for (const Polygon& p : a)
        for (const Polygon& q : b) {
            if (!bounds(p).meets(bounds(q))) continue;
            const auto shared = intersect({p}, {q});
            if (shared && area(*shared) > meets_from) return true;
        }
    return false;
}

/// Each by its name, with a number where one before it has that name.
std::vector<std::string> told_apart(const std::string& kind, const std::vector<std::string>& names) {
    std::vector<std::string> out;
    for (const std::string& name : names) {
        std::string one = kind + ":" + name;
        for (int n = 2; std::find(out.begin(), out.end(), one) != out.end(); ++n)
            one = kind + ":" + name + "#" + std::to_string(n);
        out.push_back(one);
    }
    return out;
}

} // namespace

std::string name_of_opening(int opening) {
    return "o" + std::to_string(opening + 1);
}

std::string name_of_patch(const Patch& patch) {
    return "p" + std::to_string(patch.opening + 1);
}

PageThings::PageThings(const Project& project, const Plan& plan) : project_(project), plan_(plan) {
    std::vector<std::string> photos, layers;
    for (std::size_t i = 0; i < project.set_out.photos.size(); ++i)
        photos.push_back(name_of(project.set_out.photos[i], i));
    for (std::size_t i = 0; i < project.dress.layers.size(); ++i)
        layers.push_back(name_of(project.dress.layers[i], i));
    photos_ = told_apart("photo", photos);
    layers_ = told_apart("layer", layers);
    put_patches(PatchPlace::OnBase, -1);
    for (const LyingThing& thing : pile_of(dress_now(project, plan))) put(thing);
    for (std::size_t t = 0; t < plan.dress.titles.size(); ++t) {
        Region letters;
        for (const TitleLetter& l : plan.dress.titles[t].letters)
            if (!l.missing) letters.push_back(l.box);
        if (letters.empty()) continue;
        if (project.dress.titles[t].label && !plan.dress.titles[t].label.outer.empty())
            put(label(t), {plan.dress.titles[t].label});
        put(this->letters(t), letters);
    }
}

std::string PageThings::cut(std::size_t c) const {
    return "cut:" + std::to_string(project_.set_out.cuts[c].id);
}
std::string PageThings::photo(std::size_t i) const {
    return photos_[i];
}
std::string PageThings::layer(std::size_t i) const {
    return layers_[i];
}
std::string PageThings::embellishment(std::size_t i) const {
    return "embellishment:" + std::to_string(i + 1);
}
std::string PageThings::letters(std::size_t title) const {
    return "letters:" + std::to_string(title + 1);
}
std::string PageThings::label(std::size_t title) const {
    return "label:" + std::to_string(title + 1);
}
std::string PageThings::base(std::size_t leaf) const {
    return "base:" + std::to_string(leaf + 1);
}
std::string PageThings::frame(std::size_t leaf) const {
    return "frame:" + std::to_string(leaf + 1);
}

std::string PageThings::piece(const DressPiece& piece) const {
    if (piece.of_frame) return "frame:" + piece.what;
    if (piece.layer >= 0) return layer(static_cast<std::size_t>(piece.layer));
    return "mat:" + photos_[static_cast<std::size_t>(piece.photo)].substr(6) + "/" +
           std::to_string(piece.mat + 1);
}

PatchPlace PageThings::place_of(const Patch& patch) const {
    const auto o = static_cast<std::size_t>(patch.opening);
    if (plan_.sections.cut_of_opening[o] < 0) return PatchPlace::OnBase;
    if (is_piece(plan_.sections.spots[o])) return PatchPlace::Piece;
    const BackingMethod method = patch.fell_back ? BackingMethod::MachinePatches : patch.method;
    const bool on_top =
        method == BackingMethod::Punches && patch.punch > 0 && patch.lip <= 0 && patch.border > 0;
    if (method == BackingMethod::Inlay || method == BackingMethod::CutFrom || on_top)
        return PatchPlace::Inside;
    const auto& shakers = plan_.sections.shakers;
    return std::any_of(shakers.begin(), shakers.end(),
                       [&](const Shaker& s) { return s.opening == patch.opening; })
               ? PatchPlace::Closes
               : PatchPlace::Behind;
}

std::string PageThings::round(int opening) const {
    const auto o = static_cast<std::size_t>(opening);
    const int cut_number = plan_.sections.cut_of_opening[o];
    if (cut_number < 0) return {};
    if (is_lattice(static_cast<std::size_t>(cut_number))) return cut(static_cast<std::size_t>(cut_number));
    const auto& openings = plan_.sections.cut->openings;
    for (const Patch& p : plan_.sections.patches)
        if (place_of(p) == PatchPlace::Piece &&
            openings[static_cast<std::size_t>(p.opening)].piece == openings[o].piece)
            return is_there(p) ? name_of_patch(p) : std::string();
    return {};
}

bool PageThings::is_there(const Patch& patch) const {
    const auto p = static_cast<std::size_t>(&patch - plan_.sections.patches.data());
    return p < plan_.sheets.placed.size() && plan_.sheets.placed[p].sheet >= 0;
}

bool PageThings::is_there(const DressPiece& piece) const {
    return piece.placed || piece.paper.empty();
}

bool PageThings::layer_is_there(std::size_t i) const {
    return std::none_of(plan_.dress.pieces.begin(), plan_.dress.pieces.end(),
                        [&](const DressPiece& p) { return p.layer == static_cast<int>(i) && !is_there(p); });
}

bool PageThings::lies_under_a_cut(const std::string& name) const {
    std::set<std::string> of_cuts;
    for (std::size_t c = 0; c < project_.set_out.cuts.size(); ++c) of_cuts.insert(cut(c));
    for (const Patch& p : plan_.sections.patches)
        if (place_of(p) == PatchPlace::Piece) of_cuts.insert(name_of_patch(p));
    return std::any_of(pile_.begin(), pile_.end(), [&](const Lies& l) {
        return of_cuts.contains(l.name) && std::find(l.on.begin(), l.on.end(), name) != l.on.end();
    });
}

std::vector<std::string> PageThings::bases_below(const Region& region) const {
    std::vector<std::string> out;
    const Box box = bounds(region);
    const auto leaves = project_.set_out.page.leaves();
    for (std::size_t l = 0; l < leaves.size(); ++l)
        if (!box.empty() && project_.set_out.page.base_of(leaves[l]).meets(box)) out.push_back(base(l));
    if (out.empty()) out.push_back(base(0));
    return out;
}

std::vector<std::string> PageThings::below(const std::string& name) const {
    for (const Lies& lies : pile_)
        if (lies.name == name) return lies.on;
    return {base(0)};
}

std::vector<std::string> PageThings::below(const Region& region) const {
    std::vector<std::string> out = bases_below(region);
    for (const Lies& below : pile_)
        if (meet(below.region, region)) out.push_back(below.name);
    return out;
}

void PageThings::put(const std::string& name, Region region) {
    // A photo and its mats are one thing: they are fixed on each other first.
    const auto same = std::find_if(pile_.begin(), pile_.end(), [&](const Lies& l) { return l.name == name; });
    Lies lies = same == pile_.end() ? Lies{name, {}, bases_below(region)} : *same;
    for (const Lies& below : pile_)
        if (below.name != name && meet(below.region, region) &&
            std::find(lies.on.begin(), lies.on.end(), below.name) == lies.on.end())
            lies.on.push_back(below.name);
    for (Polygon& p : region) lies.region.push_back(std::move(p));
    if (same == pile_.end())
        pile_.push_back(std::move(lies));
    else
        *same = std::move(lies);
}

void PageThings::put_patches(PatchPlace place, int cut) {
    for (const Patch& p : plan_.sections.patches)
        if (plan_.sections.cut_of_opening[static_cast<std::size_t>(p.opening)] == cut && is_there(p) &&
            place_of(p) == place && (place != PatchPlace::Inside || !round(p.opening).empty()))
            put(name_of_patch(p), {p.outline});
}

void PageThings::put(const LyingThing& thing) {
    const auto i = static_cast<std::size_t>(thing.index);
    switch (thing.what) {
    case Lying::Layer:
        if (layer_is_there(i)) put(layer(i), thing.outline);
        return;
    case Lying::Cut:
        if (is_lattice(i))
            put(cut(i), thing.outline);
        else
            put_patches(PatchPlace::Piece, thing.index);
        return put_patches(PatchPlace::Inside, thing.index);
    case Lying::Mat:
    case Lying::Photo:
        return put(photo(i), thing.outline);
    case Lying::Embellishment:
        return put(embellishment(i), thing.outline);
    case Lying::Title:
        return;
    }
}

} // namespace zesty
