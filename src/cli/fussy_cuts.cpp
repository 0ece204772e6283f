#include "cli/fussy_cuts.h"

#include "cli/typed.h"
#include "core/stash/fussy_cut.h"
#include "io/paper_pixels.h"

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

} // namespace

Result<Stash> with_fussy_cuts(const StashArgs& a, const Stash& now) {
    Stash out = now;
    if (!a.fussy.empty())
        if (auto r = find(a, out); !r) return tl::make_unexpected(r.error());
    if (!a.take_fussy.empty()) {
        const auto c = chosen("--take-fussy-cut", out, a.take_fussy);
        if (!c) return tl::make_unexpected(c.error());
        auto taken = with_motif_taken(out.papers[c->paper], c->motif);
        if (!taken) return fail(taken.error().kind, "--take-fussy-cut: " + taken.error().message);
        out.papers[c->paper] = std::move(*taken);
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
