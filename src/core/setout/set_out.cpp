#include "core/setout/set_out.h"

#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/setout/fixes.h"

#include <algorithm>
#include <cassert>

namespace zesty {

namespace {

/// The box of the turned and mirrored cut, still in the size of the drawing.
Box turned_box(const CutFile& cut, const Transform& turn) {
    Box box;
    for (const Piece& p : cut.pieces)
        for (Point q : p.outline.outer) box.add(turn(q));
    return box;
}

double scale_for(const Box& box, const Page& page, const CutPlacement& p) {
    const double w = std::max(box.width(), 1e-9);
    const double h = std::max(box.height(), 1e-9);
    switch (p.rule) {
    case SizeRule::Margin:
        return std::min((page.full_width() - 2 * p.length) / w, (page.full_height() - 2 * p.length) / h);
    case SizeRule::Width:
        return p.length / w;
    case SizeRule::Frame: {
        const Box base = base_of(page);
        return std::min((base.width() - 2 * p.length) / w, (base.height() - 2 * p.length) / h);
    }
    case SizeRule::Height:
        break;
    }
    return p.length / h;
}

/// "between 3 and 7, 4 and the edge": the narrowest that are delicate, three at most.
std::string named_bars(const CutFile& cut, double scale, const CutOnPage& of) {
    std::string out;
    std::size_t n = 0;
    for (const Bar& b : cut.bars) {
        if (b.width * scale >= of.bars.glue) break;
        if (++n > 3) continue;
        out += (out.empty() ? "between " : ", ") + std::to_string(of.first_opening + b.a + 1) + " and " +
               (b.b == Bar::edge ? "the edge" : std::to_string(of.first_opening + b.b + 1));
    }
    return n > 3 ? out + " and " + std::to_string(n - 3) + " more" : out;
}

void check_bars(const CutFile& cut, SetOut& out, Units units, const CutOnPage& of) {
    const double blade_limit = of.bars.blade;
    if (cut.bars.empty() || out.thinnest_bar >= std::max(of.bars.glue, blade_limit)) return;
    const Bar& b = cut.bars.front();
    const auto thin = std::count_if(cut.bars.begin(), cut.bars.end(),
                                    [&](const Bar& x) { return x.width * out.scale < of.bars.glue; });
    const bool tears = out.thinnest_bar < blade_limit;
    Finding f{.code = tears ? Code::ThinBar : Code::DelicateBars,
              .title = tears ? "Thinnest bar " + format_mm(out.thinnest_bar)
                             : count_of(static_cast<std::size_t>(thin), "delicate bar", "delicate bars"),
              .where = out.to_page((b.from + b.to) * 0.5),
              .openings = {b.a}};
    f.message =
        tears ? "Paper this narrow tears on the cutting mat; the cut would have to be " +
                    format_length(std::max(out.size.x, out.size.y) * blade_limit / out.thinnest_bar, units) +
                    " on its longer side for bars of " + format_mm(blade_limit) + "."
              : "Thinnest " + format_mm(out.thinnest_bar) + ", " + named_bars(cut, out.scale, of) +
                    ": use a fine-tip glue or an adhesive sheet there, tape and foam will show.";
    out.findings.push_back(std::move(f));
}

double least_gap(const Box& inner, const Box& outer) {
    return std::min({inner.x0 - outer.x0, inner.y0 - outer.y0, outer.x1 - inner.x1, outer.y1 - inner.y1});
}

/// The smallest move after which the cut lies on the page, and smaller sizes that let it stay where it is.
std::vector<Fix> onto_the_page(const Page& page, const CutPlacement& p, int cut, const SetOut& now,
                               Units units) {
    std::vector<Fix> out;
    const Box& b = now.cut_box;
    const auto into = [](double low, double high, double most) {
        return low < 0 ? -low : high > most ? most - high : 0;
    };
    if (b.width() <= page.full_width() && b.height() <= page.full_height()) {
        CutPlacement moved = p;
        moved.shift =
            p.shift + Point{into(b.x0, b.x1, page.full_width()), into(b.y0, b.y1, page.full_height())};
        out.push_back({"Move it onto the page", ResizeCuts{{{cut, moved}}}});
    }
    CutPlacement fitting = sized(p, SizeRule::Margin, mm_per_inch / 4);
    fitting.shift = {};
    out.push_back({"Fit inside with a border of " + format_length(mm_per_inch / 4, units),
                   ResizeCuts{{{cut, fitting}}}});
    return out;
}

Fix border_of(double margin, int cut, const char* words, Units units) {
    return {words + format_length(margin, units), SetMargin{margin, cut}};
}

void check_page(const Page& page, const CutPlacement& p, int cut, SetOut& out, Units units) {
    const Box& b = out.cut_box;
    const double over = std::max({-b.x0, -b.y0, b.x1 - page.full_width(), b.y1 - page.full_height()});
    if (over > 0.05) {
        Finding f{.code = Code::OverEdge,
                  .title = "The cut hangs off the page",
                  .message = "It reaches " + format_length(over, units) +
                             " beyond the edge; trim the overhang after gluing.",
                  .where = Point{std::clamp(b.centre().x, 0.0, page.full_width()),
                                 std::clamp(b.centre().y, 0.0, page.full_height())}};
        f.fixes = onto_the_page(page, p, cut, out, units);
        out.findings.push_back(std::move(f));
        return;
    }
    if (!page.framed()) return;
    const double gap = out.frame_gap;
    if (gap >= -0.05) return;
    out.findings.push_back(
        {.code = Code::OverFrame,
         .title = "The cut covers the frame",
         .message = "It runs " + format_length(-gap, units) + " over the reveal of " +
                    format_length(page.reveal.most(), units) + ", so the frame does not show all round.",
         .where = out.base.centre(),
         .fixes = {border_of(page.reveal.most() + mm_per_inch / 8, cut, "Border of ", units)}});
}

} // namespace

std::vector<Box> bases_of(const Page& page) {
    std::vector<Box> out;
    for (const Box& leaf : page.leaves()) out.push_back(page.base_of(leaf));
    return out;
}

Box base_of(const Page& page) {
    const auto leaves = page.leaves();
    Box out = page.base_of(leaves.front());
    out.add(page.base_of(leaves.back()));
    return out;
}

Box measured_from(const Page& page, const Box& cut) {
    constexpr double slack = 0.05;
    for (const Box& leaf : page.leaves()) {
        if (cut.x0 < leaf.x0 - slack || cut.x1 > leaf.x1 + slack) continue;
        const Box base = page.base_of(leaf);
        const bool inside = cut.x0 >= base.x0 - slack && cut.x1 <= base.x1 + slack &&
                            cut.y0 >= base.y0 - slack && cut.y1 <= base.y1 + slack;
        return inside ? base : leaf;
    }
    return page.whole();
}

SetOut set_out(const CutFile& cut, const Page& page, const CutPlacement& p, Units units,
               const CutOnPage& of) {
    assert(!cut.pieces.empty());
    SetOut out;
    Transform turn = Transform::turned_deg(p.turn_deg);
    if (p.mirrored) turn = turn * Transform::mirrored_x();
    const CutFile& ruled = of.sized_by ? *of.sized_by : cut;
    const Box box = turned_box(ruled, turn);
    const Box measured = turned_box(ruled, Transform::turned_deg(p.sized_at_deg));
    double scale = scale_for(measured, page, p);
    const double least = 1.0 / std::max({measured.width(), measured.height(), 1e-9});
    if (!(scale >= least)) {
        scale = least;
        out.findings.push_back({.code = Code::NoRoomForCut,
                                .title = "No room for the cut",
                                .message = "A border of " + format_length(p.length, units) +
                                           " leaves nothing of a page of " +
                                           format_size(page.full_width(), page.full_height(), units) + ".",
                                .where = page.whole().centre(),
                                .fixes = {border_of(mm_per_inch / 2, of.id, "Border of ", units)}});
    }
    const Point middle = box.centre() * scale;
    const Point at = (p.rule == SizeRule::Frame ? base_of(page) : page.whole()).centre() + p.shift;
    out.to_page = Transform::moved(at.x - middle.x, at.y - middle.y) * Transform::scaled(scale) * turn;
    out.scale = scale;
    const Box own = of.sized_by ? turned_box(cut, turn) : box;
    const Transform placed = out.to_page * inverse(turn);
    out.cut_box.add(placed({own.x0, own.y0}));
    out.cut_box.add(placed({own.x1, own.y1}));
    out.base = base_of(page);
    out.size = {cut.box.width() * scale, cut.box.height() * scale};
    out.ruled = {ruled.box.width() * scale, ruled.box.height() * scale};
    out.ruled_turned = {box.width() * scale, box.height() * scale};
    out.border = least_gap(out.cut_box, page.whole());
    out.frame_gap = least_gap(out.cut_box, out.base);
    out.thinnest_bar = cut.narrowest_bar() * scale;
    out.cut_length = cut.cut_length * scale;
    for (std::size_t i = 0; i < cut.openings.size(); ++i) {
        const double across = 2 * cut.openings[i].label.radius * scale;
        if (out.smallest < 0 || across < out.smallest_opening) {
            out.smallest = static_cast<int>(i);
            out.smallest_opening = across;
        }
    }
    check_bars(cut, out, units, of);
    check_page(page, p, of.id, out, units);
    return out;
}

} // namespace zesty
