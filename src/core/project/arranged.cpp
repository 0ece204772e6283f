#include "core/project/arranged.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/all_fit.h"
#include "core/sentences.h"
#include "core/setout/photos.h"
#include "core/setout/set_out.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double hidden_for_good = 0.95; ///< share of an opening
constexpr double outline_detail = 0.1;   ///< mm by which outlines may be simpler

bool looks_at_bars(const Photo& p) {
    return !p.on_top && (!p.protected_parts.empty() || !p.hidden_parts.empty());
}

ArrangeQuestion question_of(const Project& project, const Plan& plan, bool cuts_move) {
    ArrangeQuestion out;
    out.bases = bases_of(project.set_out.page);
    std::erase_if(out.bases, [](const Box& b) { return b.empty(); });
    out.photos = project.set_out.photos;
    out.rooms = project.set_out.rooms;
    out.may_cover = project.set_out.may_cover;
    out.cuts_move = cuts_move;
    if (project.units == Units::Centimetres) out.step = 2.5;
    if (!plan.sections.cut) return out;
    const bool bars = std::any_of(out.photos.begin(), out.photos.end(), looks_at_bars);
    for (const Piece& p : plan.sections.cut->pieces) {
        const Polygon there = transformed(p.outline, plan.set_out.whole.to_page);
        if (p.in_opening < 0) out.silhouette.push_back(simplified({there.outer, {}}, outline_detail));
        if (bars && project.set_out.cuts[static_cast<std::size_t>(p.layer)].above_photos)
            out.over_photos.push_back(there);
    }
    if (auto one = unite(out.silhouette)) out.silhouette = std::move(*one);
    return out;
}

Region lying_on_top(const Arrangement& a) {
    Region out;
    for (const Photo& p : a.photos)
        if (p.on_top) out.push_back(outline_of(p));
    for (const RoomWanted& r : a.rooms) out.push_back({ring_of(r.box()), {}});
    const auto one = unite(out);
    return one ? *one : out;
}

std::vector<int> hidden_openings(const Plan& plan, const Arrangement& a) {
    std::vector<int> out;
    if (!plan.sections.cut) return out;
    const Region above = lying_on_top(a);
    const Box around = bounds(above);
    for (std::size_t o = 0; o < plan.sections.cut->openings.size(); ++o) {
        const Polygon opening =
            transformed(plan.sections.cut->openings[o].outline,
                        Transform::moved(a.cuts_moved.x, a.cuts_moved.y) * plan.set_out.whole.to_page);
        if (!around.meets(bounds(opening))) continue;
        const auto both = intersect({opening}, above);
        if (both && area(*both) >= hidden_for_good * area(opening)) out.push_back(static_cast<int>(o));
    }
    return out;
}

std::string words_of_page(const Project& project, const ArrangedPage& page, bool cut) {
    const Arrangement& a = page.arrangement;
    std::string out;
    if (cut) {
        out =
            a.covered < 0.0005 ? "Covers nothing of the cut" : "Covers " + percent(a.covered) + " of the cut";
        if (!page.hides.empty()) out += " and hides " + count_of(page.hides.size(), "opening", "openings");
        out += "; ";
    }
    const bool to_hide =
        std::any_of(a.photos.begin(), a.photos.end(), [](const Photo& p) { return !p.hidden_parts.empty(); });
    if (to_hide) out += percent(a.hidden) + " of what is to be hidden is; ";
    out += a.free.empty() ? "no room stays free"
                          : format_size(a.free.width(), a.free.height(), project.units) + " stay free";
    return sentence(out);
}

ArrangedPage page_of(const Project& project, const Plan& plan, Arrangement a) {
    ArrangedPage out;
    out.project = project;
    out.project.set_out.photos = a.photos;
    out.project.set_out.rooms = a.rooms;
    for (PlacedCut& c : out.project.set_out.cuts) c.place.shift = c.place.shift + a.cuts_moved;
    out.arrangement = std::move(a);
    out.hides = hidden_openings(plan, out.arrangement);
    out.in_words = words_of_page(project, out, plan.sections.cut != nullptr);
    return out;
}

double longer_side_of_cuts(const Plan& plan) {
    double most = 0;
    for (const SetOut& s : plan.set_out.each) most = std::max({most, s.size.x, s.size.y});
    return most;
}

std::string why_none(const Project& project, const Plan& plan, const Arranged& none) {
    const double cut = plan.sections.cut ? longer_side_of_cuts(plan) : 0;
    const bool about_cut = none.without_cut && cut > 0;
    std::string out = things_in_words(project, about_cut ? cut : 0) + " do not all fit on the page";
    if (about_cut) out += " with at most " + percent(project.set_out.may_cover) + " of the cut covered";
    if (none.short_mm2 > 0) out += ": " + format_area(none.short_mm2, project.units) + " short";
    if (about_cut && none.factor > 0) {
        constexpr double sixteenth = mm_per_inch / 16;
        const double side = std::floor(none.factor * cut / sixteenth + 1e-6) * sixteenth;
        if (side > 0) out += "; a cut of " + format_length(side, project.units) + " would do";
    }
    return out + ".";
}

} // namespace

Result<ArrangedPages> arranged_pages(const Project& project, const Plan& plan, bool cuts_move,
                                     const StopToken& stop) {
    if (project.set_out.photos.empty() && project.set_out.rooms.empty())
        return fail(ErrorKind::NothingToDo, "there are no photos and no rooms to arrange");
    const ArrangeQuestion question = question_of(project, plan, cuts_move);
    if (question.bases.empty()) return fail(ErrorKind::NothingToDo, "the page has no base to lie on");
    Arranged arranged = arrange(question, stop);
    ArrangedPages out;
    for (Arrangement& a : arranged.found) out.found.push_back(page_of(project, plan, std::move(a)));
    if (out.found.empty())
        out.in_words = why_none(project, plan, arranged);
    else if (static_cast<int>(out.found.size()) < arrangements_wanted)
        out.in_words = "There is no other arrangement that is really different.";
    return out;
}

} // namespace zesty
