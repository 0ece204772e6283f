#include "io/svg/path_data.h"

#include <algorithm>
#include <cctype>

namespace zesty::svg {

void Path::line_to(Point p) {
    if (!subpaths.empty()) subpaths.back().steps.push_back({false, {}, {}, p});
}

void Path::curve_to(Point c1, Point c2, Point p) {
    if (!subpaths.empty()) subpaths.back().steps.push_back({true, c1, c2, p});
}

void Path::close() {
    if (!subpaths.empty()) subpaths.back().closed = true;
}

Point Path::current() const {
    if (subpaths.empty()) return {};
    const Subpath& s = subpaths.back();
    return s.closed || s.steps.empty() ? s.start : s.steps.back().to;
}

void Path::arc_to(double rx, double ry, double turn_deg, bool large, bool sweep, Point p) {
    const Point from = current();
    if (from == p) return;
    rx = std::abs(rx);
    ry = std::abs(ry);
    if (rx < 1e-12 || ry < 1e-12) return line_to(p);
    const Transform turn = Transform::turned_deg(turn_deg);
    const Transform back = Transform::turned_deg(-turn_deg);
    const Point h = back((from - p) * 0.5);
    const double lambda = h.x * h.x / (rx * rx) + h.y * h.y / (ry * ry);
    if (lambda > 1) {
        rx *= std::sqrt(lambda);
        ry *= std::sqrt(lambda);
    }
    const double den = rx * rx * h.y * h.y + ry * ry * h.x * h.x;
    const double k = std::sqrt(std::max(0.0, (rx * rx * ry * ry - den) / den)) * (large == sweep ? -1 : 1);
    const Point c{k * rx * h.y / ry, -k * ry * h.x / rx};
    const Point centre = turn(c) + (from + p) * 0.5;
    const double a0 = std::atan2((h.y - c.y) / ry, (h.x - c.x) / rx);
    const double a1 = std::atan2((-h.y - c.y) / ry, (-h.x - c.x) / rx);
    double span = a1 - a0;
    if (sweep && span < 0) span += 2 * M_PI;
    if (!sweep && span > 0) span -= 2 * M_PI;
    const int n = std::max(1, static_cast<int>(std::ceil(std::abs(span) / (M_PI / 4) - 1e-9)));
    const double step = span / n;
    const double handle = 4.0 / 3 * std::tan(step / 4);
    const auto at = [&](double x, double y) { return centre + turn(Point{x * rx, y * ry}); };
    for (int i = 0; i < n; ++i) {
        const double u = a0 + step * i;
        const double v = u + step;
        const Point end = i + 1 == n ? p : at(std::cos(v), std::sin(v));
        curve_to(at(std::cos(u) - handle * std::sin(u), std::sin(u) + handle * std::cos(u)),
                 at(std::cos(v) + handle * std::sin(v), std::sin(v) - handle * std::cos(v)), end);
    }
}

void Path::transform(const Transform& t) {
    for (Subpath& s : subpaths) {
        s.start = t(s.start);
        for (Step& step : s.steps) {
            if (step.curve) {
                step.c1 = t(step.c1);
                step.c2 = t(step.c2);
            }
            step.to = t(step.to);
        }
    }
}

Box Path::bounds() const {
    Box box;
    for (const Subpath& s : subpaths) {
        if (s.steps.empty()) continue;
        box.add(s.start);
        for (const Step& step : s.steps) {
            if (step.curve) {
                box.add(step.c1);
                box.add(step.c2);
            }
            box.add(step.to);
        }
    }
    return box;
}

std::size_t Path::size() const {
    std::size_t n = 0;
    for (const Subpath& s : subpaths) n += s.steps.size() + 1;
    return n;
}

std::vector<Contour> Path::flattened(double tolerance) const {
    std::vector<Contour> out;
    for (const Subpath& s : subpaths) {
        if (s.steps.empty()) continue;
        Contour c{{s.start}, s.closed};
        for (const Step& step : s.steps) {
            if (step.curve) {
                const Point p = c.points.back();
                // A cubic strays from n chords by at most 3/4 of its largest second difference over n
                // squared.
                const double bend =
                    std::max(length(p - step.c1 * 2 + step.c2), length(step.c1 - step.c2 * 2 + step.to));
                const int n =
                    std::clamp(static_cast<int>(std::ceil(std::sqrt(0.75 * bend / tolerance))), 1, 500);
                for (int i = 1; i < n; ++i) {
                    const double t = static_cast<double>(i) / n;
                    const double u = 1 - t;
                    c.points.push_back(p * (u * u * u) + step.c1 * (3 * u * u * t) +
                                       step.c2 * (3 * u * t * t) + step.to * (t * t * t));
                }
            }
            c.points.push_back(step.to);
        }
        out.push_back(std::move(c));
    }
    return out;
}

namespace {

class PathParser {
public:
    explicit PathParser(std::string_view d) : in_(d) {}

    Result<Path> run(std::string& complaint) {
        while (char c = in_.peek()) {
            if (std::isalpha(static_cast<unsigned char>(c))) {
                command_ = c;
                in_.skip();
                if (path_.subpaths.empty() && c != 'M' && c != 'm') {
                    complaint = "A path that does not start with a move was left out.";
                    break;
                }
                if (c == 'Z' || c == 'z') {
                    path_.close();
                    last_ = c;
                    continue;
                }
            } else if (command_ == 0 || command_ == 'Z' || command_ == 'z') {
                complaint = "A path has numbers without a command and ends there.";
                break;
            }
            if (!segment()) {
                if (in_.nonsense())
                    return fail(ErrorKind::BadInput,
                                "a path of the drawing has something in place of a number "
                                "(NaN, or too large to draw)");
                complaint = "A path has a mistake and ends there.";
                break;
            }
            last_ = command_;
            if (command_ == 'M') command_ = 'L';
            if (command_ == 'm') command_ = 'l';
        }
        return std::move(path_);
    }

private:
    bool relative() const { return std::islower(static_cast<unsigned char>(command_)) != 0; }

    std::optional<Point> point() {
        const auto x = in_.next();
        const auto y = x ? in_.next() : std::nullopt;
        if (!y) return std::nullopt;
        const Point p{*x, *y};
        return relative() ? path_.current() + p : p;
    }

    /// A new subpath that begins where the closed one ended.
    void reopen() {
        if (!path_.subpaths.empty() && path_.subpaths.back().closed) path_.move_to(path_.current());
    }

    bool segment() {
        const char kind = static_cast<char>(std::toupper(static_cast<unsigned char>(command_)));
        if (kind != 'M') reopen();
        const Point from = path_.current();
        switch (kind) {
        case 'M': {
            const auto p = point();
            if (!p) return false;
            path_.move_to(*p);
            return true;
        }
        case 'L': {
            const auto p = point();
            if (!p) return false;
            path_.line_to(*p);
            return true;
        }
        case 'H': {
            const auto x = in_.next();
            if (!x) return false;
            path_.line_to({relative() ? from.x + *x : *x, from.y});
            return true;
        }
        case 'V': {
            const auto y = in_.next();
            if (!y) return false;
            path_.line_to({from.x, relative() ? from.y + *y : *y});
            return true;
        }
        case 'C':
        case 'S':
            return cubic(kind == 'S', from);
        case 'Q':
        case 'T':
            return quadratic(kind == 'T', from);
        case 'A':
            return arc();
        default:
            return false;
        }
    }

    bool cubic(bool smooth, Point from) {
        std::optional<Point> c1 = from;
        if (!smooth)
            c1 = point();
        else if (std::string_view("CcSs").find(last_) != std::string_view::npos)
            c1 = from * 2 - control_;
        const auto c2 = c1 ? point() : std::nullopt;
        const auto p = c2 ? point() : std::nullopt;
        if (!p) return false;
        path_.curve_to(*c1, *c2, *p);
        control_ = *c2;
        return true;
    }

    bool quadratic(bool smooth, Point from) {
        std::optional<Point> c = from;
        if (!smooth)
            c = point();
        else if (std::string_view("QqTt").find(last_) != std::string_view::npos)
            c = from * 2 - control_;
        const auto p = c ? point() : std::nullopt;
        if (!p) return false;
        path_.curve_to(from + (*c - from) * (2.0 / 3), *p + (*c - *p) * (2.0 / 3), *p);
        control_ = *c;
        return true;
    }

    bool arc() {
        const auto rx = in_.next();
        const auto ry = rx ? in_.next() : std::nullopt;
        const auto turn = ry ? in_.next() : std::nullopt;
        const auto large = turn ? in_.flag() : std::nullopt;
        const auto sweep = large ? in_.flag() : std::nullopt;
        const auto p = sweep ? point() : std::nullopt;
        if (!p) return false;
        path_.arc_to(*rx, *ry, *turn, *large, *sweep, *p);
        return true;
    }

    Numbers in_;
    Path path_;
    char command_ = 0;
    char last_ = 0;
    Point control_;
};

} // namespace

Result<Path> parse_path(std::string_view d, std::string& complaint) {
    return PathParser(d).run(complaint);
}

Path rectangle(double x, double y, double w, double h, double rx, double ry) {
    rx = std::min(rx, w / 2);
    ry = std::min(ry, h / 2);
    Path p;
    p.move_to({x + rx, y});
    p.line_to({x + w - rx, y});
    if (rx > 0 && ry > 0) p.arc_to(rx, ry, 0, false, true, {x + w, y + ry});
    p.line_to({x + w, y + h - ry});
    if (rx > 0 && ry > 0) p.arc_to(rx, ry, 0, false, true, {x + w - rx, y + h});
    p.line_to({x + rx, y + h});
    if (rx > 0 && ry > 0) p.arc_to(rx, ry, 0, false, true, {x, y + h - ry});
    p.line_to({x, y + ry});
    if (rx > 0 && ry > 0) p.arc_to(rx, ry, 0, false, true, {x + rx, y});
    p.close();
    return p;
}

Path ellipse(Point c, double rx, double ry) {
    Path p;
    p.move_to({c.x + rx, c.y});
    p.arc_to(rx, ry, 0, false, true, {c.x - rx, c.y});
    p.arc_to(rx, ry, 0, false, true, {c.x + rx, c.y});
    p.close();
    return p;
}

Result<Path> polyline(std::string_view points, bool closed) {
    Numbers in(points);
    Path p;
    while (true) {
        const auto x = in.next();
        const auto y = x ? in.next() : std::nullopt;
        if (in.nonsense())
            return fail(ErrorKind::BadInput, "a polygon of the drawing has something in place of a number "
                                             "(NaN, or too large to draw)");
        if (!y) break;
        if (p.subpaths.empty())
            p.move_to({*x, *y});
        else
            p.line_to({*x, *y});
    }
    if (closed) p.close();
    return p;
}

} // namespace zesty::svg
