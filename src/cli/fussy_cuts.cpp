#include "cli/fussy_cuts.h"

#include "cli/typed.h"
#include "core/stash/fussy_cut.h"
#include "io/edge.h"
#include "io/motif_picture.h"
#include "io/paper_pixels.h"

#include <algorithm>
#include <tuple>

namespace zesty::cli {

namespace {

Result<int> paper_called(const char* option, const Stash& stash, const std::string& id) {
    const int at = stash.find(id);
    if (at < 0) return fail(ErrorKind::BadInput, std::string(option) + ": there is no paper \"" + id + "\"");
    return at;
}

/// "barley:2": a paper and one of its fussy cuts.
struct Chosen {
    std::size_t paper = 0;
    std::size_t motif = 0;
};
Result<Chosen> chosen(const char* option, const Stash& stash, const std::string& text) {
    const For f = typed_for(text);
    const auto paper = paper_called(option, stash, f.which);
    if (!paper) return tl::make_unexpected(paper.error());
    const auto& all = stash.papers[static_cast<std::size_t>(*paper)].fussy_cuts;
    if (all.empty())
        return fail(ErrorKind::BadInput, std::string(option) + ": " + f.which + " has no fussy cuts");
    const auto n = typed_numbers(option, f.what, static_cast<int>(all.size()));
    if (!n) return tl::make_unexpected(n.error());
    return Chosen{static_cast<std::size_t>(*paper), static_cast<std::size_t>(n->front())};
}

Result<void> find(const StashArgs& a, Stash& stash) {
    const For f = typed_for(a.fussy);
    const auto paper = paper_called("--fussy-cut", stash, f.which);
    if (!paper) return tl::make_unexpected(paper.error());
    const auto at = typed_point("--fussy-cut", f.what, "give paper:x,y on its picture", 3000);
    if (!at) return tl::make_unexpected(at.error());
    const auto tolerance = a.tolerance.empty() ? Result<double>(usual_tolerance)
                                               : typed_number("--tolerance", a.tolerance, {1, 60});
    if (!tolerance) return tl::make_unexpected(tolerance.error());
    Paper& known = stash.papers[static_cast<std::size_t>(*paper)];
    const auto pixels = pixels_of_paper(stash, known);
    if (!pixels) return fail(pixels.error().kind, "--fussy-cut: " + pixels.error().message);
    auto outline = motif_at(*pixels, *at, *tolerance);
    if (!outline) return fail(outline.error().kind, "--fussy-cut: " + outline.error().message);
    known.fussy_cuts.push_back({"", std::move(*outline), 0});
    return {};
}

/// "barley:1:..." into the fussy cut and the rest.
Result<std::pair<FussyCut*, std::string>> chosen_and_rest(const char* option, Stash& stash,
                                                          const std::string& text, const char* hint) {
    const std::size_t second = text.find(':', text.find(':') + 1);
    if (text.find(':') == std::string::npos || second == std::string::npos)
        return fail(ErrorKind::BadInput, std::string(option) + ": " + hint);
    const auto c = chosen(option, stash, text.substr(0, second));
    if (!c) return tl::make_unexpected(c.error());
    return std::pair{&stash.papers[c->paper].fussy_cuts[c->motif], text.substr(second + 1)};
}

Result<void> correct(const char* option, const std::string& text, const std::string& brush, bool add,
                     Stash& stash) {
    const auto which = chosen_and_rest(option, stash, text, "give paper:number:x,y;x,y on its picture");
    if (!which) return tl::make_unexpected(which.error());
    Ring stroke;
    for (const std::string& one : split(which->second, ';')) {
        const auto at = typed_point(option, one, "give x,y on its picture", 3000);
        if (!at) return tl::make_unexpected(at.error());
        stroke.push_back(*at);
    }
    double width = usual_brush;
    if (!brush.empty()) {
        const auto typed = typed_length("--brush", brush, brush_limits.least, brush_limits.most);
        if (!typed) return tl::make_unexpected(typed.error());
        width = typed->value_or(usual_brush);
    }
    auto outline = corrected(which->first->outline, stroke, width / 2, add);
    if (!outline) return fail(outline.error().kind, std::string(option) + ": " + outline.error().message);
    which->first->outline = std::move(*outline);
    return {};
}

} // namespace

bool changes_fussy_cuts(const StashArgs& a) {
    const auto given = {&a.fussy, &a.take_fussy, &a.drop_fussy, &a.more_fussy, &a.less_fussy, &a.name_fussy};
    return std::any_of(given.begin(), given.end(), [](const std::string* text) { return !text->empty(); });
}

Result<Stash> with_fussy_cuts(const StashArgs& a, const Stash& now) {
    Stash out = now;
    if (!a.fussy.empty())
        if (auto r = find(a, out); !r) return tl::make_unexpected(r.error());
    for (const auto& [option, text, add] : {std::tuple{"--add-to-fussy-cut", &a.more_fussy, true},
                                            std::tuple{"--trim-fussy-cut", &a.less_fussy, false}}) {
        if (text->empty()) continue;
        if (auto r = correct(option, *text, a.brush, add, out); !r) return tl::make_unexpected(r.error());
    }
    if (!a.name_fussy.empty()) {
        const auto which = chosen_and_rest("--name-fussy-cut", out, a.name_fussy, "give paper:number:name");
        if (!which) return tl::make_unexpected(which.error());
        which->first->name = as_text(which->second);
    }
    if (!a.take_fussy.empty()) {
        const auto c = chosen("--take-fussy-cut", out, a.take_fussy);
        if (!c) return tl::make_unexpected(c.error());
        Project project;
        project.stash = std::make_shared<const Stash>(out);
        auto taken = with_motif_cut_out_and_shown(out, c->paper, c->motif, Textures(project));
        if (!taken) return fail(taken.error().kind, "--take-fussy-cut: " + taken.error().message);
        out = std::move(*taken);
    }
    if (!a.drop_fussy.empty()) {
        const auto c = chosen("--drop-fussy-cut", out, a.drop_fussy);
        if (!c) return tl::make_unexpected(c.error());
        auto& all = out.papers[c->paper].fussy_cuts;
        all.erase(all.begin() + static_cast<std::ptrdiff_t>(c->motif));
    }
    return out;
}

} // namespace zesty::cli
