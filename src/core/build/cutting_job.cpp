#include "core/build/cutting_job.h"

#include "core/build/tool_path.h"
#include "core/geometry/measure.h"

#include <algorithm>
#include <cassert>
#include <cmath>
#include <numeric>

namespace zesty {

namespace {

constexpr double same_within = 0.01;
constexpr double hair = 1e-6;
constexpr double cross_clear = 4; ///< mm between a cross and what is cut
constexpr int crosses_wanted = 2;

bool one_outline(const Ring& a, const Ring& b) {
    if (a.size() != b.size()) return false;
    const auto near = [](Point p, Point q) { return distance(p, q) <= same_within; };
    for (std::size_t first = 0; first < b.size(); ++first) {
        if (!near(a[0], b[first])) continue;
        bool along = true, back = true;
        for (std::size_t i = 0; i < a.size() && (along || back); ++i) {
            along = along && near(a[i], b[(first + i) % b.size()]);
            back = back && near(a[i], b[(first + b.size() - i) % b.size()]);
        }
        if (along || back) return true;
    }
    return false;
}

/// What is still to be laid in windows.
struct Group {
    std::vector<int> contours;
    Box box;
    bool laid = false;
};

/// A little wider than the mat: a group that is as wide as it is in it whatever its corner is rounded to.
Box window_at(Point corner, double w, double h) {
    return Box{corner.x, corner.y, corner.x + w, corner.y + h}.grown(2 * hair);
}

/// Of the windows with an edge along an open group's, the one that takes most of them in.
Point best_window(const std::vector<Group>& groups, const Box& sheet, double w, double h) {
    Point best{};
    std::size_t most = 0;
    for (const Group& left : groups)
        for (const Group& upper : groups) {
            if (left.laid || upper.laid) continue;
            // The window need not reach beyond the sheet where the sheet is larger.
            const double x = std::max(sheet.x0, std::min(left.box.x0, sheet.x1 - w));
            const double y = std::max(sheet.y0, std::min(upper.box.y0, sheet.y1 - h));
            const Box window = window_at({x, y}, w, h);
            const auto held =
                static_cast<std::size_t>(std::count_if(groups.begin(), groups.end(), [&](const Group& g) {
                    return !g.laid && window.holds(g.box);
                }));
            if (held > most) {
                most = held;
                best = {x, y};
            }
        }
    return best;
}

/// Places that two windows have in common, as far apart as may be, clear of everything that is cut.
std::vector<Point> crosses_in(const Box& common, const std::vector<Group>& groups) {
    constexpr int grid = 9;
    std::vector<Point> free;
    const Box inner = common.grown(-cross_clear);
    if (inner.empty()) return {};
    for (int i = 0; i < grid; ++i)
        for (int k = 0; k < grid; ++k) {
            const Point p{inner.x0 + inner.width() * i / (grid - 1),
                          inner.y0 + inner.height() * k / (grid - 1)};
            if (std::none_of(groups.begin(), groups.end(),
                             [&](const Group& g) { return g.box.grown(cross_clear).contains(p); }))
                free.push_back(p);
        }
    std::vector<Point> out;
    double farthest = 0;
    for (const Point a : free)
        for (const Point b : free)
            if (distance(a, b) > farthest) {
                farthest = distance(a, b);
                out = {a, b};
            }
    if (out.empty() && !free.empty()) out = {free.front()};
    return out;
}

} // namespace

CuttingJob test_piece(const CuttingJob& of) {
    constexpr double side = 10, rim = 2, inner = 3;
    CuttingJob out;
    out.key = "test-piece";
    out.from = of.from;
    out.material = of.material;
    out.file.title = "test piece";
    out.file.width = of.file.width;
    out.file.height = of.file.height;
    const double x = of.file.width - side - rim;
    const double y = of.file.height - side - rim;
    out.file.contours = {ring_of(Box{x + inner, y + inner, x + 2 * inner, y + 2 * inner}),
                         ring_of(Box{x, y, x + side, y + side})};
    return out;
}

std::vector<std::vector<int>> nested_groups(const std::vector<Ring>& contours) {
    const std::vector<int> around = lying_in(contours);
    std::vector<std::vector<int>> out;
    std::vector<std::size_t> group_of(contours.size(), 0);
    for (std::size_t c = 0; c < contours.size(); ++c)
        if (around[c] < 0) {
            group_of[c] = out.size();
            out.push_back({static_cast<int>(c)});
        }
    for (std::size_t c = 0; c < contours.size(); ++c) {
        if (around[c] < 0) continue;
        std::size_t outer = c;
        while (around[outer] >= 0) outer = static_cast<std::size_t>(around[outer]);
        out[group_of[outer]].push_back(static_cast<int>(c));
    }
    return out;
}

std::vector<Ring> without_doubles(std::vector<Ring> contours) {
    std::vector<Ring> out;
    std::vector<Box> boxes;
    for (Ring& ring : contours) {
        const Box box = bounds(ring);
        bool known = false;
        for (std::size_t i = 0; i < out.size() && !known; ++i)
            known = std::abs(boxes[i].x0 - box.x0) <= same_within &&
                    std::abs(boxes[i].y1 - box.y1) <= same_within &&
                    std::abs(boxes[i].x1 - box.x1) <= same_within && one_outline(out[i], ring);
        if (known) continue;
        out.push_back(std::move(ring));
        boxes.push_back(box);
    }
    return out;
}

SheetParts parts_of(const Box& sheet, const std::vector<Ring>& contours, double mat_width,
                    double mat_height) {
    SheetParts out;
    std::vector<Group> groups;
    // What is cut may reach beyond the sheet; a window that must not would never hold it.
    Box all = sheet;
    for (std::vector<int>& group : nested_groups(contours)) {
        const Box box = bounds(contours[static_cast<std::size_t>(group.front())]);
        if (box.empty()) continue;
        if (box.width() > mat_width + hair || box.height() > mat_height + hair)
            out.too_large.insert(out.too_large.end(), group.begin(), group.end());
        else {
            all.add(box);
            groups.push_back({std::move(group), box, false});
        }
    }
    while (std::any_of(groups.begin(), groups.end(), [](const Group& g) { return !g.laid; })) {
        SheetParts::Part part;
        part.corner = best_window(groups, all, mat_width, mat_height);
        const Box window = window_at(part.corner, mat_width, mat_height);
        for (Group& g : groups) {
            if (g.laid || !window.holds(g.box)) continue;
            g.laid = true;
            part.contours.insert(part.contours.end(), g.contours.begin(), g.contours.end());
        }
        assert(!part.contours.empty());
        out.parts.push_back(std::move(part));
    }
    for (std::size_t k = 1; k < out.parts.size(); ++k) {
        const auto window = [&](const SheetParts::Part& p) {
            return Box{p.corner.x, p.corner.y, p.corner.x + mat_width, p.corner.y + mat_height};
        };
        std::size_t with = 0;
        std::vector<Point> best;
        for (std::size_t j = 0; j < k; ++j) {
            const Box both = common(common(window(out.parts[j]), window(out.parts[k])), sheet);
            const std::vector<Point> found = both.empty() ? std::vector<Point>{} : crosses_in(both, groups);
            const double far = found.size() == crosses_wanted ? distance(found[0], found[1]) : 0;
            const double so_far = best.size() == crosses_wanted ? distance(best[0], best[1]) : -1;
            if (!found.empty() && far > so_far) {
                best = found;
                with = j;
            }
        }
        for (const Point p : best) {
            auto& there = out.parts[with].crosses;
            if (std::find(there.begin(), there.end(), p) == there.end()) there.push_back(p);
            out.parts[k].crosses.push_back(p);
        }
    }
    return out;
}

} // namespace zesty
