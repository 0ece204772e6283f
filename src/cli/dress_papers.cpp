// Photo mats and paper layers from the command line.

#include "cli/command.h"
#include "cli/dress_args.h"
#include "cli/typed.h"
#include "core/setout/placed_cut.h"

#include <algorithm>
#include <cmath>

namespace zesty::cli {

namespace {

/// "gull-print" or "gull-print:B"; "none" for paper from elsewhere.
struct TypedPaper {
    std::string id;
    Side side = Side::A;
};
Result<TypedPaper> typed_paper(const std::string& option, const std::string& text, const Project& project) {
    if (text == "none") return TypedPaper{};
    TypedPaper out{text, Side::A};
    if (text.ends_with(":A") || text.ends_with(":B")) {
        out.side = text.back() == 'B' ? Side::B : Side::A;
        out.id = text.substr(0, text.size() - 2);
    }
    const int at = project.stash ? project.stash->find(out.id) : -1;
    if (at < 0)
        return fail(ErrorKind::BadInput, option + ": there is no paper '" + out.id + "' in the stash");
    if (!project.stash->papers[static_cast<std::size_t>(at)].has(out.side))
        return fail(ErrorKind::BadInput, option + ": " + out.id + " has no side B");
    return out;
}

/// "no" or how much more is cut for it.
Result<void> take_torn(const std::string& option, const std::string& text, bool& torn, double& tear) {
    if (text.empty()) return {};
    torn = text != "no";
    if (!torn) return {};
    return take_length(option, text, tear_limits, tear);
}

bool says_of_mats(const DressArgs& a) {
    return !a.mat_paper.empty() || !a.mat_border.empty() || !a.mat_span.empty() || !a.mat_shift.empty() ||
           !a.mat_torn.empty() || a.see_through || a.opaque || a.gut || a.no_gut || a.remove_mat;
}

Result<void> edit_mat(const DressArgs& a, const Project& project, PhotoMat& mat) {
    if (!a.mat_paper.empty()) {
        const auto paper = typed_paper("--photo-mat-paper", a.mat_paper, project);
        if (!paper) return tl::make_unexpected(paper.error());
        mat.paper = paper->id;
        mat.side = paper->side;
    }
    if (const auto r = take_length("--photo-mat-border", a.mat_border, mat_border_limits, mat.border); !r)
        return r;
    if (!a.mat_span.empty()) {
        const auto span = typed_word<MatSpan>("--photo-mat-behind", a.mat_span);
        if (!span) return tl::make_unexpected(span.error());
        mat.span = *span;
    }
    if (!a.mat_shift.empty()) {
        const auto shift =
            typed_point("--photo-mat-shift", a.mat_shift, "give x,y along the photo", mat_shift_limits.most);
        if (!shift) return tl::make_unexpected(shift.error());
        mat.shift = *shift;
    }
    if (a.see_through || a.opaque) mat.see_through = a.see_through;
    if (a.gut || a.no_gut) mat.gut = a.gut;
    return take_torn("--photo-mat-torn", a.mat_torn, mat.torn, mat.tear);
}

Result<PaperLayer*> asked_layer(const DressArgs& a, Project& project) {
    auto& all = project.dress.layers;
    const auto count = static_cast<int>(all.size());
    if (count == 0)
        return fail(ErrorKind::NothingToDo, "there is no paper layer on the page; --add-layer adds one");
    if (a.layer > count) return only_so_many("--layer", all.size(), "paper layer", "paper layers");
    return &all[static_cast<std::size_t>(a.layer > 0 ? a.layer - 1 : count - 1)];
}

bool says_of_layers(const DressArgs& a) {
    return !a.layer_name.empty() || !a.layer_paper.empty() || !a.layer_at.empty() || !a.layer_size.empty() ||
           !a.layer_edge.empty() || !a.layer_inset.empty() || !a.layer_place.empty() ||
           !a.layer_torn.empty() || a.layer_turn || a.raise_layer || a.remove_layer;
}

Result<void> place_layer(const DressArgs& a, PaperLayer& layer) {
    if (!a.layer_at.empty()) {
        const auto at =
            typed_point("--layer-at", a.layer_at, "give x,y from the top left of the page", 10000);
        if (!at) return tl::make_unexpected(at.error());
        layer.centre = *at;
    }
    if (!a.layer_size.empty()) {
        const auto size =
            typed_size("--layer-size", a.layer_size, layer_side_limits.least, layer_side_limits.most);
        if (!size) return tl::make_unexpected(size.error());
        layer.width = size->x;
        layer.height = size->y;
    }
    if (!a.layer_edge.empty()) {
        const auto edge = typed_word<BaseEdge>("--layer-edge", a.layer_edge);
        if (!edge) return tl::make_unexpected(edge.error());
        layer.edge = *edge;
    }
    if (const auto r = take_length("--layer-inset", a.layer_inset, layer_inset_limits, layer.inset); !r)
        return r;
    if (!a.layer_place.empty()) {
        const auto place = typed_word<LayerPlace>("--layer-lies", a.layer_place);
        if (!place) return tl::make_unexpected(place.error());
        layer.place = *place;
    }
    if (a.layer_turn) layer.turn_deg = std::remainder(*a.layer_turn, 360.0);
    return take_torn("--layer-torn", a.layer_torn, layer.torn, layer.tear);
}

} // namespace

Result<void> edit_mats(const DressArgs& a, Project& project) {
    auto& photos = project.set_out.photos;
    const auto count = static_cast<int>(photos.size());
    if (a.add_mat.empty() && !says_of_mats(a)) return {};
    if (count == 0)
        return fail(ErrorKind::NothingToDo, "there is no photo on the page to lie on a photo mat");
    if (a.photo > count)
        return only_so_many("--of-photo", static_cast<std::size_t>(count), "photo", "photos");
    bool any = false;
    for (int i = 0; i < count; ++i) {
        if (a.photo > 0 && i != a.photo - 1) continue;
        auto& mats = photos[static_cast<std::size_t>(i)].mats;
        if (!a.add_mat.empty()) {
            const auto paper = typed_paper("--add-photo-mat", a.add_mat, project);
            if (!paper) return tl::make_unexpected(paper.error());
            if (mats.size() >= most_mats)
                return fail(ErrorKind::TooLarge, "--add-photo-mat: a photo has at most " +
                                                     std::to_string(most_mats) + " photo mats");
            PhotoMat mat;
            mat.paper = paper->id;
            mat.side = paper->side;
            mats.push_back(mat);
        }
        if (!says_of_mats(a) || mats.empty()) continue;
        if (a.mat > static_cast<int>(mats.size()))
            return fail(ErrorKind::BadInput, "--photo-mat: photo " + std::to_string(i + 1) + " has " +
                                                 std::to_string(mats.size()));
        const std::size_t which = a.mat > 0 ? static_cast<std::size_t>(a.mat) - 1 : mats.size() - 1;
        any = true;
        if (a.remove_mat)
            mats.erase(mats.begin() + static_cast<std::ptrdiff_t>(which));
        else if (const auto r = edit_mat(a, project, mats[which]); !r)
            return r;
    }
    if (says_of_mats(a) && !any)
        return fail(ErrorKind::NothingToDo, "there is no photo mat; --add-photo-mat adds one");
    return {};
}

Result<void> edit_layers(const DressArgs& a, Project& project) {
    auto& layers = project.dress.layers;
    if (!a.add_layer.empty()) {
        const auto shape = typed_word<LayerShape>("--add-layer", a.add_layer);
        if (!shape) return tl::make_unexpected(shape.error());
        if (layers.size() >= most_layers)
            return fail(ErrorKind::TooLarge,
                        "--add-layer: there are at most " + std::to_string(most_layers) + " of them");
        PaperLayer layer;
        layer.shape = *shape;
        layer.centre = project.set_out.page.leaves().front().centre();
        layers.push_back(layer);
    }
    if (!says_of_layers(a)) return {};
    const auto asked = asked_layer(a, project);
    if (!asked) return tl::make_unexpected(asked.error());
    const auto at = layers.begin() + (*asked - layers.data());
    if (a.remove_layer) {
        layers.erase(at);
        return {};
    }
    if (a.layer_name.size() > 200) return fail(ErrorKind::TooLarge, "--layer-name: this is too long");
    if (!a.layer_name.empty()) at->name = a.layer_name;
    if (!a.layer_paper.empty()) {
        const auto paper = typed_paper("--layer-paper", a.layer_paper, project);
        if (!paper) return tl::make_unexpected(paper.error());
        at->paper = paper->id;
        at->side = paper->side;
    }
    if (const auto r = place_layer(a, *at); !r) return r;
    if (a.raise_layer && at + 1 != layers.end()) std::iter_swap(at, at + 1);
    return {};
}

void add_paper_options(CLI::App& c, DressArgs& a) {
    const auto text = [&](const char* name, std::string& to, const char* help, const char* group) {
        c.add_option(name, to, help)->group(group);
    };
    const auto flag = [&](const char* name, bool& to, const char* help, const char* group) {
        c.add_flag(name, to, help)->group(group);
    };
    c.add_option("--of-photo", a.photo,
                 "The photo whose photo mats the options are for, from 1; all photos without it")
        ->check(CLI::Range(1, 1000))
        ->group("Photo mats");
    text("--add-photo-mat", a.add_mat, "One more photo mat in this paper: gull-print, gull-print:B, none",
         "Photo mats");
    c.add_option("--photo-mat", a.mat,
                 "Which photo mat, from the photo outwards, from 1; the outermost without it")
        ->check(CLI::Range(1, static_cast<int>(most_mats)))
        ->group("Photo mats");
    text("--photo-mat-paper", a.mat_paper, "Its paper, as for --add-photo-mat", "Photo mats");
    text("--photo-mat-border", a.mat_border, "Its border beyond what lies on it: 1/8in", "Photo mats");
    text("--photo-mat-behind", a.mat_span, "whole, left, right, upper or lower part of the photo",
         "Photo mats");
    text("--photo-mat-shift", a.mat_shift, "How far it is moved: x,y along the photo", "Photo mats");
    text("--photo-mat-torn", a.mat_torn, "Torn edges with so much more to cut, or no", "Photo mats");
    flag("--see-through", a.see_through, "Vellum or acetate", "Photo mats");
    flag("--opaque", a.opaque, "No vellum", "Photo mats");
    flag("--gut-photo-mat", a.gut, "Takes its hidden middle out", "Photo mats");
    flag("--no-gut-photo-mat", a.no_gut, "Leaves it whole", "Photo mats");
    flag("--remove-photo-mat", a.remove_mat, "Removes it", "Photo mats");
    text("--add-layer", a.add_layer, "A paper layer: strip, hill or tape", "Layers");
    c.add_option("--layer", a.layer, "Which layer the options are for, from 1; the last without it")
        ->check(CLI::Range(1, static_cast<int>(most_layers)))
        ->group("Layers");
    text("--layer-name", a.layer_name, "What it is called", "Layers");
    text("--layer-paper", a.layer_paper, "Its paper, as for --add-photo-mat", "Layers");
    text("--layer-at", a.layer_at, "Its middle: x,y", "Layers");
    text("--layer-size", a.layer_size, "Length and height: 6x1in; of tape the height counts", "Layers");
    add_number(c, "--layer-turn", a.layer_turn, "Its turn in degrees", turn_limits)->group("Layers");
    text("--layer-edge", a.layer_edge, "Edge that tape runs along: left, top, right, bottom", "Layers");
    text("--layer-inset", a.layer_inset, "How far tape is from that edge", "Layers");
    text("--layer-lies", a.layer_place, "under-cuts, under-photos or on-top", "Layers");
    text("--layer-torn", a.layer_torn, "Torn edges with so much more to cut, or no", "Layers");
    flag("--raise-layer", a.raise_layer, "Brings it forward", "Layers");
    flag("--remove-layer", a.remove_layer, "Takes it off the page", "Layers");
    flag("--cure", a.cure, "Makes the smallest moves that leave no slivers", "Layers");
}

} // namespace zesty::cli
