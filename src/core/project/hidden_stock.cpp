#include "core/project/hidden_stock.h"

#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/setout/place_in_sheet.h"
#include "core/setout/strip_in_sheet.h"

#include <algorithm>
#include <optional>

namespace zesty {

namespace {

constexpr double rim_under_photo = mm_per_inch / 2; ///< left of the base for the photo to be glued on
constexpr std::size_t most_joined = 4;              ///< parts of one strip of a frame
constexpr double least_joined = mm_per_inch;        ///< length of such a part
constexpr double same_within = 0.05;                ///< mm
constexpr double worth_offering = 400;              ///< mm2 of a drop-out or a piece from under a photo

class HiddenStock {
public:
    HiddenStock(const Project& project, Plan& plan) : project_(project), plan_(plan) {}

    void take_frame() {
        const Page& page = project_.set_out.page;
        if (!page.framed()) return;
        if (page.frame == FrameKind::Strips) return take_strips();
        if (page.frame_paper.empty()) return;
        int number = 0;
        for (const Box& leaf : page.leaves()) {
            const std::string what = "frame " + std::to_string(++number);
            if (has_been_cut(what, page.frame_paper, leaf)) continue;
            Sheet* best =
                smallest(page.frame_paper, [&](const Sheet& s) { return large_enough(leaf, s.outline); });
            if (!best) {
                miss(Code::FramePaper, "No sheet for the frame", "the frame's paper", leaf.width(),
                     leaf.height());
                return;
            }
            best->kind = SheetKind::Gutted;
            const Polygon whole = best->outline;
            keep(*best, page.gut ? gutted_out_of(page, leaf, best->outline).value_or(Polygon{}) : Polygon{});
            Polygon frame = whole;
            if (best->area > 0) frame.holes.push_back(best->outline.outer);
            plan_.papers.own.push_back({what, whole_sheet_of(best->id), std::move(frame)});
        }
    }

    void take_base() {
        const Page& page = project_.set_out.page;
        if (page.base_paper.empty()) return;
        int number = 0;
        for (const Box& leaf : page.leaves()) {
            const Box base = page.base_of(leaf);
            const std::string what = "base " + std::to_string(++number);
            if (has_been_cut(what, page.base_paper, base)) continue;
            const auto from = cut_from(page.base_paper, base);
            if (!from) {
                miss(Code::BasePaper, "No sheet for the base", "the base's paper", base.width(),
                     base.height());
                return;
            }
            note(what, *from, base).is_base = true;
            if (page.under_photos) offer_under_photos(base, *from);
        }
    }

    void take_cuts() {
        for (std::size_t c = 0; c < project_.set_out.cuts.size(); ++c) {
            const std::string& paper = project_.set_out.cuts[c].paper;
            // Pieces that come from papers of their own are patches.
            if (paper.empty() || project_.set_out.cuts[c].pieces_from_paper) continue;
            const Box box = plan_.set_out.each[c].cut_box;
            const std::string what = "cut " + std::to_string(project_.set_out.cuts[c].id);
            if (has_been_cut(what, paper, box)) continue;
            const auto from = cut_from(paper, box, true);
            if (!from) {
                miss(Code::CutPaper, "No sheet for the cut", "the cut's paper", box.width(), box.height());
                continue;
            }
            note(what, *from, box);
            offer_drop_outs(static_cast<int>(c), *from);
        }
    }

private:
    /// The sheet that something of the page is cut from, and the way from page to sheet.
    struct CutFrom {
        std::string sheet;
        int paper = -1;
        Transform to_sheet;
    };

    /// Whether it was cut from that paper, and as large as it is now.
    bool has_been_cut(const std::string& what, const std::string& paper, const Box& box) const {
        for (const TakenSheet& sheet : project_.keep.taken)
            for (const TakenPiece& piece : sheet.pieces) {
                const Box there = bounds(piece.on_sheet);
                if (sheet.paper == paper && piece.what == what &&
                    there.width() >= box.width() - same_within &&
                    there.height() >= box.height() - same_within)
                    return true;
            }
        return false;
    }

    OwnUse& note(const std::string& what, const CutFrom& from, const Box& box) {
        plan_.papers.own.push_back({what, whole_sheet_of(from.sheet),
                                    transformed(Polygon{ring_of(box), {}}, from.to_sheet), false,
                                    from.to_sheet});
        return plan_.papers.own.back();
    }

    /// Every strip from the smallest scrap or sheet that holds it, longest first; joined of several where
    /// none does.
    void take_strips() {
        std::vector<FrameStrip> strips = plan_.set_out.frame.strips;
        std::sort(strips.begin(), strips.end(),
                  [](const FrameStrip& a, const FrameStrip& b) { return a.length > b.length; });
        int number = 0;
        for (const FrameStrip& strip : strips)
            for (int i = 0; i < strip.count && !strip.paper.empty(); ++i) {
                strip_ = "strip " + std::to_string(++number);
                if (has_been_cut(strip_, strip)) continue;
                if (!take_whole_strip(strip) && !join_strip(strip)) {
                    miss(Code::FramePaper, "Not enough for the frame",
                         "the frame's paper, nor what is left of "
                         "several of them,",
                         strip.width, strip.length);
                    return;
                }
            }
    }

    bool take_whole_strip(const FrameStrip& strip) {
        Sheet* best = nullptr;
        Box place;
        for (Sheet* s : sheets_with(strip.paper)) {
            if (best && s->area >= best->area) continue;
            const auto found = strip_in(s->outline, strip.width, strip.length);
            if (!found || longer_side(*found) < strip.length - 0.01) continue;
            best = s;
            place = *found;
        }
        if (best) cut_strip(*best, place);
        return best != nullptr;
    }

    bool join_strip(const FrameStrip& strip) {
        const auto before = plan_.papers.sheets;
        const std::size_t own_before = plan_.papers.own.size();
        std::vector<double> parts;
        double missing = strip.length;
        while (missing > 0.01 && parts.size() < most_joined) {
            Sheet* best = nullptr;
            Box place;
            for (Sheet* s : sheets_with(strip.paper))
                if (const auto found = strip_in(s->outline, strip.width);
                    found && (!best || longer_side(*found) > longer_side(place))) {
                    best = s;
                    place = *found;
                }
            if (!best || longer_side(place) < std::min(least_joined, missing)) break;
            double& end = place.width() > place.height() ? place.x1 : place.y1;
            end -= std::max(0.0, longer_side(place) - missing);
            parts.push_back(longer_side(place));
            missing -= parts.back();
            cut_strip(*best, place);
        }
        if (missing > 0.01) {
            plan_.papers.own.resize(own_before);
            plan_.papers.sheets = before;
            return false;
        }
        std::vector<std::string> lengths;
        for (const double part : parts) lengths.push_back(format_length(part, project_.units));
        plan_.set_out.frame.to_cut.push_back("Join a strip of " +
                                             format_size(strip.width, strip.length, project_.units) +
                                             " end to end from parts of " + in_a_row(lengths) + ".");
        return true;
    }

    void cut_strip(Sheet& sheet, const Box& place) {
        cut_off(sheet, place);
        plan_.papers.own.push_back({strip_, whole_sheet_of(sheet.id), {ring_of(place), {}}});
    }

    /// The parts of one that was joined have together its length.
    bool has_been_cut(const std::string& what, const FrameStrip& strip) const {
        double length = 0;
        for (const TakenSheet& sheet : project_.keep.taken)
            for (const TakenPiece& piece : sheet.pieces) {
                const Box there = bounds(piece.on_sheet);
                const double width = std::min(there.width(), there.height());
                if (sheet.paper == strip.paper && piece.what == what && width >= strip.width - same_within)
                    length += longer_side(there);
            }
        return length >= strip.length - same_within;
    }

    static double longer_side(const Box& box) { return std::max(box.width(), box.height()); }

    std::vector<Sheet*> sheets_with(const std::string& id) {
        const int paper = project_.stash ? project_.stash->find(id) : -1;
        std::vector<Sheet*> out;
        for (Sheet& s : plan_.papers.sheets)
            if (paper >= 0 && s.paper == paper && s.kind > SheetKind::Gutted && s.area > 0) out.push_back(&s);
        return out;
    }

    /// The box is cut from the smallest sheet that holds it, near a corner; nothing when none does.
    std::optional<CutFrom> cut_from(const std::string& id, const Box& box, bool turns = false) {
        std::optional<PlaceInSheet> place;
        Sheet* best = nullptr;
        for (Sheet* s : sheets_with(id)) {
            if (best && s->area >= best->area) continue;
            if (const auto found = place_in_sheet(s->outline, box, turns && may_turn(s->paper))) {
                best = s;
                place = found;
            }
        }
        if (!best) return std::nullopt;
        CutFrom out{best->id, best->paper, place->to_sheet};
        cut_off(*best, place->box);
        return out;
    }

    bool may_turn(int paper) const {
        return allows(project_.stash->papers[static_cast<std::size_t>(paper)].direction, 90);
    }

    template <class Fits> Sheet* smallest(const std::string& id, Fits fits) {
        Sheet* best = nullptr;
        for (Sheet* s : sheets_with(id))
            if (fits(*s) && (!best || s->area < best->area)) best = s;
        return best;
    }

    void keep(Sheet& sheet, Polygon left) {
        sheet.outline = std::move(left);
        sheet.area = area(sheet.outline);
    }

    /// The largest piece that is left when a corner has been cut off.
    void cut_off(Sheet& sheet, const Box& corner) {
        const auto rest = subtract({sheet.outline}, {{ring_of(corner.grown(project_.sheets.blade_gap)), {}}});
        const bool some = rest && !rest->empty() && area(largest(*rest)) > worth_offering;
        sheet.kind = SheetKind::Offcut;
        keep(sheet, some ? largest(*rest) : Polygon{});
    }

    void offer(const Polygon& outline, SheetKind kind, int paper, const std::string& id) {
        const auto inside = grow({outline}, -project_.sheets.blade_gap / 2);
        if (!inside) return;
        for (const Polygon& p : *inside)
            if (area(p) > worth_offering) plan_.papers.sheets.push_back({id, paper, p, area(p), kind});
    }

    void offer_under_photos(const Box& base, const CutFrom& from) {
        Region hidden;
        for (const Photo& photo : project_.set_out.photos) {
            const auto inner = grow({outline_of(photo)}, -rim_under_photo);
            if (inner) hidden.insert(hidden.end(), inner->begin(), inner->end());
        }
        const auto joined = unite(hidden);
        if (!joined) return;
        int number = 0;
        for (const Polygon& p : *joined) {
            const auto part = clipped(p, base);
            if (!part) continue;
            for (const Polygon& q : *part)
                offer(transformed(q, from.to_sheet), SheetKind::UnderPhoto, from.paper,
                      from.sheet + "/photo" + std::to_string(++number));
        }
    }

    void offer_drop_outs(int cut, const CutFrom& from) {
        const Transform onto = from.to_sheet * plan_.set_out.whole.to_page;
        for (std::size_t o = 0; o < plan_.sections.cut->openings.size(); ++o) {
            const Spot name = plan_.sections.spots[o];
            if (plan_.sections.cut_of_opening[o] != cut || name.part != 0 || name.opening >= first_piece_spot)
                continue;
            offer(transformed(plan_.sections.cut->openings[o].outline, onto), SheetKind::DropOut, from.paper,
                  from.sheet + "/out" + std::to_string(name.opening + 1));
        }
    }

    void miss(Code code, const char* title, const std::string& whose, double width, double height) {
        plan_.set_out.frame.findings.push_back({.code = code,
                                                .title = title,
                                                .message = "No sheet of " + whose + " is " +
                                                           format_size(width, height, project_.units) +
                                                           ", which is what it takes.",
                                                .where = Point{project_.set_out.page.width / 2, 0}});
    }

    const Project& project_;
    Plan& plan_;
    std::string strip_; ///< that is being cut
};

} // namespace

void take_hidden_stock(const Project& project, Plan& plan) {
    HiddenStock hidden(project, plan);
    hidden.take_frame();
    hidden.take_base();
    if (plan.sections.cut && !project.set_out.cuts.empty()) hidden.take_cuts();
}

} // namespace zesty
