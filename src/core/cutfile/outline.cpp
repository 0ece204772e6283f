#include "core/cutfile/outline.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/sentences.h"

#include <algorithm>
#include <map>

namespace zesty {

namespace {

double open_length(const Ring& line) {
    double sum = 0;
    for (std::size_t i = 1; i < line.size(); ++i) sum += distance(line[i - 1], line[i]);
    return sum;
}

/// Strings lines together end to end until no two ends meet. Ends are looked up on a grid of the tolerance.
class Chains {
public:
    Chains(std::vector<Ring> lines, double tolerance) : lines_(std::move(lines)), tolerance_(tolerance) {
        for (std::size_t i = 0; i < lines_.size(); ++i) note(static_cast<int>(i));
    }

    std::vector<Ring> joined() {
        for (std::size_t i = 0; i < lines_.size(); ++i) {
            if (lines_[i].empty()) continue;
            while (!closes(lines_[i])) {
                const int other = partner(static_cast<int>(i), lines_[i].back());
                if (other < 0) {
                    const int before = partner(static_cast<int>(i), lines_[i].front());
                    if (before < 0) break;
                    std::reverse(lines_[i].begin(), lines_[i].end());
                    continue;
                }
                append(static_cast<int>(i), other);
            }
        }
        std::vector<Ring> out;
        for (Ring& r : lines_)
            if (!r.empty()) out.push_back(std::move(r));
        return out;
    }

    bool closes(const Ring& line) const {
        return line.size() > 3 && distance(line.front(), line.back()) <= tolerance_;
    }

private:
    using Cell = std::pair<long, long>;
    Cell cell(Point p) const {
        return {std::lround(std::floor(p.x / tolerance_)), std::lround(std::floor(p.y / tolerance_))};
    }
    void note(int line) {
        ends_.emplace(cell(lines_[line].front()), line);
        ends_.emplace(cell(lines_[line].back()), line);
    }
    int partner(int self, Point end) const {
        const Cell c = cell(end);
        for (long dx = -1; dx <= 1; ++dx)
            for (long dy = -1; dy <= 1; ++dy) {
                const auto range = ends_.equal_range({c.first + dx, c.second + dy});
                for (auto it = range.first; it != range.second; ++it) {
                    const Ring& other = lines_[it->second];
                    if (it->second == self || other.empty()) continue;
                    if (distance(other.front(), end) <= tolerance_ ||
                        distance(other.back(), end) <= tolerance_)
                        return it->second;
                }
            }
        return -1;
    }
    void append(int self, int other) {
        Ring& line = lines_[self];
        Ring& more = lines_[other];
        if (distance(more.back(), line.back()) < distance(more.front(), line.back()))
            std::reverse(more.begin(), more.end());
        line.insert(line.end(), more.begin() + 1, more.end());
        more.clear();
        ends_.emplace(cell(line.back()), self);
    }

    std::vector<Ring> lines_;
    double tolerance_;
    std::multimap<Cell, int> ends_;
};

bool lies_on(const Ring& a, const Ring& b, double tolerance) {
    for (Point p : a) {
        bool near = false;
        for (std::size_t i = 0; i < b.size() && !near; ++i)
            near = distance_to_segment(p, b[i], b[(i + 1) % b.size()]) <= tolerance;
        if (!near) return false;
    }
    return true;
}

/// Drops rings that lie on an earlier one.
std::size_t drop_doubles(std::vector<Ring>& rings, double tolerance) {
    std::vector<Box> boxes;
    for (const Ring& r : rings) boxes.push_back(bounds(r));
    const BoxIndex index(boxes);
    std::vector<char> dropped(rings.size(), 0);
    std::size_t count = 0;
    for (std::size_t i = 0; i < rings.size(); ++i) {
        if (dropped[i]) continue;
        for (int j : index.meeting(boxes[i])) {
            if (j <= static_cast<int>(i) || dropped[j]) continue;
            const Box& a = boxes[i];
            const Box& b = boxes[j];
            const double off = std::max(
                {std::abs(a.x0 - b.x0), std::abs(a.y0 - b.y0), std::abs(a.x1 - b.x1), std::abs(a.y1 - b.y1)});
            if (off <= tolerance && lies_on(rings[i], rings[j], tolerance) &&
                lies_on(rings[j], rings[i], tolerance)) {
                dropped[j] = 1;
                ++count;
            }
        }
    }
    std::size_t at = 0;
    for (std::size_t i = 0; i < rings.size(); ++i)
        if (!dropped[i]) {
            if (at != i) rings[at] = std::move(rings[i]);
            ++at;
        }
    rings.resize(at);
    return count;
}

} // namespace

Outline outline_of(const std::vector<Contour>& contours, double size) {
    const double tolerance = std::max(size * 1e-4, 1e-9);
    Outline out;
    std::vector<Ring> open;
    for (const Contour& c : contours) {
        if (c.points.size() < 2) continue;
        const bool meets = c.points.size() > 3 && distance(c.points.front(), c.points.back()) <= tolerance;
        if (c.closed || meets)
            out.rings.push_back(c.points);
        else
            open.push_back(c.points);
    }
    std::size_t closed = 0;
    std::size_t left_out = 0;
    Chains chains(std::move(open), tolerance);
    for (Ring& line : chains.joined()) {
        if (chains.closes(line)) {
            out.rings.push_back(std::move(line));
        } else if (line.size() > 2 && distance(line.front(), line.back()) <= open_length(line) / 50) {
            out.rings.push_back(std::move(line));
            ++closed;
        } else {
            ++left_out;
        }
    }
    if (closed > 0)
        out.warnings.push_back(count_of(closed, "contour was", "contours were") +
                               " almost closed and has been closed.");
    if (left_out > 0)
        out.warnings.push_back(count_of(left_out, "open line was", "open lines were") +
                               " left out: only closed lines can be cut out.");
    if (const std::size_t doubles = drop_doubles(out.rings, tolerance))
        out.warnings.push_back(count_of(doubles, "contour lies", "contours lie") +
                               " exactly on another and counts once.");
    return out;
}

} // namespace zesty
