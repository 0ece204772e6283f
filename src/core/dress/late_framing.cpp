#include "core/dress/late_framing.h"

#include "core/dress/fixes.h"
#include "core/dress/wet.h"
#include "core/geometry/boolean.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/setout/photo_mats.h"
#include "core/setout/photos.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double says_from = 0.5; ///< mm of depth
constexpr double least_window = 20;
constexpr double hardly_there = 0.5; ///< mm2

/// The four corners of the inner edge, from the upper left clockwise.
Ring inner_corners(const Box& leaf, const LateFrame& frame) {
    const auto& c = frame.corners;
    return {{leaf.x0 + c[0], leaf.y0 + c[0]},
            {leaf.x1 - c[1], leaf.y0 + c[1]},
            {leaf.x1 - c[2], leaf.y1 - c[2]},
            {leaf.x0 + c[3], leaf.y1 - c[3]}};
}

/// How far a thing reaches over the inner edge.
double depth_of(const Region& hidden, const Ring& inner) {
    double out = 0;
    for (const Polygon& part : hidden)
        for (const Point p : part.outer) {
            double nearest = std::numeric_limits<double>::infinity();
            for (std::size_t i = 0; i < inner.size(); ++i)
                nearest = std::min(nearest, distance_to_segment(p, inner[i], inner[(i + 1) % inner.size()]));
            out = std::max(out, nearest);
        }
    return out;
}

/// The two ends of a straight line, prolonged to the edges of the leaf.
void add_marks(const Box& leaf, Point a, Point b, std::vector<Point>& out) {
    const Point way = b - a;
    if (length(way) < 1e-9) return;
    double from = -1e9;
    double to = 1e9;
    const auto clip = [&](double at, double step, double least, double most) {
        if (std::abs(step) < 1e-12) return;
        const double t0 = (least - at) / step;
        const double t1 = (most - at) / step;
        from = std::max(from, std::min(t0, t1));
        to = std::min(to, std::max(t0, t1));
    };
    clip(a.x, way.x, leaf.x0, leaf.x1);
    clip(a.y, way.y, leaf.y0, leaf.y1);
    if (from < to) {
        out.push_back(a + way * from);
        out.push_back(a + way * to);
    }
}

class FramingLook {
public:
    FramingLook(const DressNow& now, const std::vector<LyingThing>& pile)
        : now_(now), pile_(pile), frame_(now.decided.frame) {}

    LateFrameFacts run(const std::vector<WetFacts>& wet, const std::vector<TitleFacts>& titles) {
        Region rim;
        for (const Box& leaf : now_.page.page.leaves()) {
            out_.inner.push_back(inside_frame(leaf, frame_));
            const Ring corners = inner_corners(leaf, frame_);
            for (std::size_t i = 0; i < corners.size(); ++i)
                add_marks(leaf, corners[i], corners[(i + 1) % corners.size()], out_.marks);
            const auto around = out_.inner.back().empty()
                                    ? Result<Region>(Region{{ring_of(leaf), {}}})
                                    : subtract({{ring_of(leaf), {}}}, {{out_.inner.back(), {}}});
            if (around) rim.insert(rim.end(), around->begin(), around->end());
        }
        rim_ = std::move(rim);
        for (const LyingThing& thing : pile_)
            if (thing.what != Lying::Layer && thing.what != Lying::Mat)
                look(name_of(thing, now_), thing.outline, thing.what == Lying::Photo ? thing.index : -1);
        for (std::size_t i = 0; i < wet.size(); ++i) look(name_of(now_.decided.wet[i], i), wet[i].wet, -1);
        for (const TitleFacts& t : titles) {
            Region letters;
            for (const TitleLetter& l : t.letters) letters.push_back(l.box);
            look("the title", letters, -1);
        }
        bars();
        widest_even();
        return std::move(out_);
    }

private:
    void look(const std::string& name, const Region& thing, int photo) {
        const auto hidden = intersect(thing, rim_);
        if (!hidden || area(*hidden) < hardly_there) return;
        FramedThing out;
        out.name = name;
        out.share = area(*hidden) / std::max(1e-9, area(thing));
        for (std::size_t l = 0; l < out_.inner.size(); ++l) {
            const Box leaf = now_.page.page.leaves()[l];
            const auto here = intersect(*hidden, {{ring_of(leaf), {}}});
            if (here && !out_.inner[l].empty())
                out.depth = std::max(out.depth, depth_of(*here, out_.inner[l]));
        }
        if (out.depth < says_from) return;
        out.photo = photo >= 0;
        if (photo >= 0) {
            const Photo& of = now_.page.photos[static_cast<std::size_t>(photo)];
            for (const Box& part : of.protected_parts) {
                const auto face = intersect({outline_of(of, part)}, rim_);
                out.protected_part |= face && area(*face) > hardly_there;
            }
        }
        out_.hides.push_back(std::move(out));
    }

    void bars() {
        if (!now_.bar_places) return;
        for (const BarPlace& place : *now_.bar_places) {
            const Point at = now_.whole.to_page(place.at);
            for (const Polygon& p : rim_)
                if (contains(p, at)) {
                    out_.bars += place.length * now_.whole.to_page.scale();
                    break;
                }
        }
    }

    void widest_even() {
        double out = std::numeric_limits<double>::infinity();
        for (const Box& leaf : now_.page.page.leaves()) {
            out = std::min(out, std::min(leaf.width(), leaf.height()) / 2 - least_window);
            for (const Photo& photo : now_.page.photos) {
                const Box box = bounds(outline_of(photo));
                if (!box.meets(leaf)) continue;
                out = std::min(std::min(out, std::min(box.x0 - leaf.x0, leaf.x1 - box.x1)),
                               std::min(box.y0 - leaf.y0, leaf.y1 - box.y1));
            }
        }
        out_.most_even = std::max(0.0, std::floor(out / (mm_per_inch / 16)) * (mm_per_inch / 16));
    }

    const DressNow& now_;
    const std::vector<LyingThing>& pile_;
    const LateFrame& frame_;
    Region rim_;
    LateFrameFacts out_;
};

Polygon strip(double width, double height) {
    return {ring_of(Box{-width / 2, -height / 2, width / 2, height / 2}), {}};
}

} // namespace

Ring inside_frame(const Box& leaf, const LateFrame& frame) {
    Ring corners = inner_corners(leaf, frame);
    const bool room =
        corners[1].x - corners[0].x > least_window && corners[2].x - corners[3].x > least_window &&
        corners[3].y - corners[0].y > least_window && corners[2].y - corners[1].y > least_window;
    return room ? corners : Ring{};
}

std::optional<LateFrameFacts> late_frame_facts(const DressNow& now, const std::vector<LyingThing>& pile,
                                               const std::vector<WetFacts>& wet,
                                               const std::vector<TitleFacts>& titles) {
    if (now.decided.frame.how == LateFraming::None) return {};
    return FramingLook(now, pile).run(wet, titles);
}

std::vector<FrameBlank> frame_blanks(const Page& page, const LateFrame& frame) {
    std::vector<FrameBlank> out;
    if (frame.how == LateFraming::None) return out;
    const auto& c = frame.corners;
    const double lip = frame.how == LateFraming::Trimmed ? frame.lip : 0;
    const std::string& sides = frame.side_paper.empty() ? frame.paper : frame.side_paper;
    const auto leaves = page.leaves();
    for (std::size_t l = 0; l < leaves.size(); ++l) {
        const Box& leaf = leaves[l];
        const std::string of = leaves.size() > 1 ? (l == 0 ? " of the left page" : " of the right page") : "";
        if (frame.how == LateFraming::Trimmed && sides == frame.paper) {
            Polygon whole = strip(leaf.width(), leaf.height());
            const double in = *std::max_element(c.begin(), c.end()) + lip;
            if (leaf.width() - 2 * in > least_window && leaf.height() - 2 * in > least_window)
                whole.holes.push_back(strip(leaf.width() - 2 * in, leaf.height() - 2 * in).outer);
            out.push_back({"Frame" + of, frame.paper, std::move(whole)});
            continue;
        }
        const double top = std::max(c[0], c[1]) + lip;
        const double bottom = std::max(c[2], c[3]) + lip;
        const double between = leaf.height() - (lip > 0 ? 0 : top + bottom);
        out.push_back({"Upper strip of the frame" + of, frame.paper, strip(leaf.width(), top)});
        out.push_back({"Lower strip of the frame" + of, frame.paper, strip(leaf.width(), bottom)});
        out.push_back({"Left strip of the frame" + of, sides, strip(std::max(c[0], c[3]) + lip, between)});
        out.push_back({"Right strip of the frame" + of, sides, strip(std::max(c[1], c[2]) + lip, between)});
    }
    std::erase_if(out, [](const FrameBlank& b) { return area(b.outline) < hardly_there; });
    return out;
}

std::vector<Finding> late_frame_findings(const DressNow& now, const DressFacts& facts) {
    std::vector<Finding> out;
    if (!facts.frame) return out;
    const LateFrameFacts& f = *facts.frame;
    const auto narrower = [&](Finding finding) {
        if (f.most_even > 0) {
            LateFrame fresh = now.decided.frame;
            fresh.corners.fill(f.most_even);
            finding.fixes.emplace_back("Frame of " + format_length(f.most_even, now.units) + " all round",
                                       SetLateFrame{fresh});
        }
        LateFrame none = now.decided.frame;
        none.how = LateFraming::None;
        finding.fixes.emplace_back("Leave the page without a frame", SetLateFrame{none});
        return finding;
    };
    const char* does = now.decided.frame.how == LateFraming::Trimmed ? "cuts off" : "hides";
    for (const FramedThing& thing : f.hides) {
        if (!thing.photo) continue;
        out.push_back(narrower({.code = thing.protected_part ? Code::FrameHidesFace : Code::FrameHides,
                                .title = std::string("The frame ") + does + " " +
                                         format_length(thing.depth, now.units) + " of " + thing.name,
                                .message = percent(thing.share) + " of it" +
                                           (thing.protected_part ? ", and a part that must stay free" : "") +
                                           "; the widest even frame that spares the photos is " +
                                           format_length(f.most_even, now.units) + "."}));
    }
    std::vector<std::string> others;
    for (const FramedThing& thing : f.hides)
        if (!thing.photo) others.push_back(format_length(thing.depth, now.units) + " of " + thing.name);
    if (!others.empty())
        out.push_back({.code = Code::FrameHides,
                       .title = std::string("The frame ") + does + " " + in_a_row(others),
                       .message = f.bars > 0
                                      ? format_length(f.bars, now.units) + " of the cuts' bars lie under it."
                                      : "Move them inwards, or take a narrower frame."});
    return out;
}

} // namespace zesty
