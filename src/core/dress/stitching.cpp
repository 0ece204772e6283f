#include "core/dress/stitching.h"

#include "core/dress/fixes.h"
#include "core/geometry/boolean.h"
#include "core/geometry/lengths.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"
#include "core/setout/set_out.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

constexpr double fastening = 150;       ///< mm of thread for both ends of a run
constexpr double over_and_under = 1.05; ///< thread for a length of running stitch
constexpr double back_again = 2.6; ///< the same of back stitch: twice on the back, once in front, and slack
constexpr int least_stitches = 2;
constexpr double hair = 0.02; ///< mm: how wide the line is taken to be

struct StitchedEdge {
    Point from, to;
};

std::vector<StitchedEdge> sides_of(const Stitching& s, const Box& base) {
    const Box line{base.x0 + s.inset, base.y0 + s.inset, base.x1 - s.inset, base.y1 - s.inset};
    std::vector<StitchedEdge> out;
    if (line.empty()) return out;
    if (s.top) out.push_back({{line.x0, line.y0}, {line.x1, line.y0}});
    if (s.right) out.push_back({{line.x1, line.y0}, {line.x1, line.y1}});
    if (s.bottom) out.push_back({{line.x1, line.y1}, {line.x0, line.y1}});
    if (s.left) out.push_back({{line.x0, line.y1}, {line.x0, line.y0}});
    return out;
}

/// Where along a side a region lies on it: from and to, by length. All of it where that cannot be told.
void add_taken(const StitchedEdge& side, const Result<Region>& lying,
               std::vector<std::pair<double, double>>& out) {
    const Point way = side.to - side.from;
    const double whole = length(way);
    const Point along = way * (1 / whole);
    const Point across{-along.y * hair / 2, along.x * hair / 2};
    const Polygon thin{{side.from - across, side.to - across, side.to + across, side.from + across}, {}};
    const auto on_it = lying ? intersect({thin}, *lying) : lying;
    if (!on_it) {
        out.emplace_back(0, whole);
        return;
    }
    for (const Polygon& p : *on_it) {
        double least = whole;
        double most = 0;
        for (const Point q : p.outer) {
            const double at = dot(q - side.from, along);
            least = std::min(least, at);
            most = std::max(most, at);
        }
        out.emplace_back(std::max(0.0, least), std::min(whole, most));
    }
}

/// Sorted, those that meet as one.
std::vector<std::pair<double, double>> joined(std::vector<std::pair<double, double>> taken) {
    std::sort(taken.begin(), taken.end());
    std::vector<std::pair<double, double>> out;
    for (const auto& next : taken)
        if (out.empty() || next.first > out.back().second + 1e-9)
            out.push_back(next);
        else
            out.back().second = std::max(out.back().second, next.second);
    return out;
}

/// Where along a side something lies on it, or nearer than the clearance.
std::vector<std::pair<double, double>> taken_along(const StitchedEdge& side, double clearance,
                                                   const std::vector<LyingThing>& pile) {
    // Only what is close by matters, and growing it is what takes time.
    const Box near = bounds(Ring{side.from, side.to}).grown(clearance + 1);
    std::vector<std::pair<double, double>> out;
    for (const LyingThing& thing : pile) {
        if (!thing.box.meets(near)) continue;
        for (const Polygon& part : thing.outline) {
            const auto close = clipped(part, near);
            add_taken(side, close && clearance > 0 ? grow(*close, clearance) : close, out);
        }
    }
    return joined(std::move(out));
}

void add_run(const Stitching& s, const StitchedEdge& side, double from, double to, StitchingFacts& out) {
    const double run = to - from;
    if (run < least_stitches * s.spacing - 1e-9) return;
    const int stitches = std::max(least_stitches, static_cast<int>(std::lround(run / s.spacing)));
    const Point along = (side.to - side.from) * (1 / distance(side.from, side.to));
    out.runs.push_back({side.from + along * from, side.from + along * to, stitches + 1, run / stitches});
    out.length += run;
    out.holes += stitches + 1;
    out.thread += run * (s.stitch == Stitch::Back ? back_again : over_and_under) + fastening;
}

} // namespace

StitchingFacts stitched(const Stitching& s, const DressNow& now, const std::vector<LyingThing>& pile) {
    StitchingFacts out;
    for (const Box& base : bases_of(now.page.page))
        for (const StitchedEdge& side : sides_of(s, base)) {
            const double whole = distance(side.from, side.to);
            if (whole < 1e-6) continue;
            out.wanted += whole;
            double free_from = 0;
            for (const auto& [from, to] : taken_along(side, s.clearance, pile)) {
                add_run(s, side, free_from, from, out);
                free_from = std::max(free_from, to);
                for (const LyingThing& thing : pile) {
                    const Point middle = side.from + (side.to - side.from) * ((from + to) / 2 / whole);
                    const std::string name = name_of(thing, now);
                    if (thing.box.grown(s.clearance + 1).contains(middle) &&
                        std::find(out.kept_clear_of.begin(), out.kept_clear_of.end(), name) ==
                            out.kept_clear_of.end())
                        out.kept_clear_of.push_back(name);
                }
            }
            add_run(s, side, free_from, whole, out);
        }
    return out;
}

namespace {

constexpr double much_left_out = 0.3;

bool is_broken(const StitchingFacts& f) {
    return f.wanted > 0 && f.length < (1 - much_left_out) * f.wanted;
}

/// Other insets for all sides first, then fewer sides.
std::vector<std::pair<std::string, Stitching>> other_ways(const Stitching& s, Units units) {
    std::vector<std::pair<std::string, Stitching>> out;
    for (const double eighths : {1.0, 2.0, 3.0, 4.0, 6.0, 8.0}) {
        Stitching other = s;
        other.inset = eighths * mm_per_inch / 8;
        if (std::abs(other.inset - s.inset) > 0.1)
            out.emplace_back(format_length(other.inset, units) + " from the edge", other);
    }
    const auto without = [&](bool Stitching::*side, const char* name) {
        Stitching other = s;
        other.*side = false;
        if (s.*side && (other.left || other.top || other.right || other.bottom))
            out.emplace_back(std::string("Leave the ") + name + " out", other);
    };
    without(&Stitching::left, "left side");
    without(&Stitching::top, "upper side");
    without(&Stitching::right, "right side");
    without(&Stitching::bottom, "lower side");
    return out;
}

} // namespace

std::vector<Finding> stitching_findings(const DressNow& now, const DressFacts& facts) {
    std::vector<Finding> out;
    std::vector<LyingThing> pile;
    for (std::size_t i = 0; i < facts.stitchings.size(); ++i) {
        const StitchingFacts& f = facts.stitchings[i];
        if (!is_broken(f)) continue;
        Finding broken{.code = Code::StitchingBroken,
                       .title = "Much of the stitching is left out",
                       .message = percent(1 - f.length / f.wanted) + " of the line would run through " +
                                  (f.kept_clear_of.empty() ? "something" : in_a_row(f.kept_clear_of)) + "."};
        if (pile.empty()) pile = pile_of(now);
        for (const auto& [label, other] : other_ways(now.decided.stitchings[i], now.units)) {
            if (is_broken(stitched(other, now, pile))) continue;
            broken.fixes = {{label, SetStitching{static_cast<int>(i), other}}};
            break;
        }
        if (broken.fixes.empty())
            broken.message += " Neither another inset nor one side less helps: move what lies there.";
        out.push_back(std::move(broken));
    }
    return out;
}

} // namespace zesty
