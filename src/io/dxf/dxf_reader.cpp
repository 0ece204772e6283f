#include "io/dxf/dxf_reader.h"

#include "core/geometry/measure.h"

#include <algorithm>
#include <dxflib/dl_creationadapter.h>
#include <dxflib/dl_dxf.h>
#include <map>
#include <sstream>

namespace zesty {

namespace {

constexpr double step_deg = 1; ///< of arcs: 4e-5 of the radius off
constexpr std::size_t most_points = 4'000'000;
constexpr double largest_believable = 5000; ///< mm
constexpr int most_depth = 16;              ///< of blocks in blocks
constexpr int spline_steps = 16;            ///< for each control point

struct Line {
    Contour contour;
    std::string layer;
};

struct Insert {
    std::string block;
    Transform to;
};

/// What a block, or the drawing itself, holds.
struct Entities {
    std::vector<Line> lines;
    std::vector<Insert> inserts;
    Point origin;
};

double millimetres(int units) {
    switch (units) {
    case 1:
        return 25.4;
    case 2:
        return 304.8;
    case 5:
        return 10;
    case 6:
        return 1000;
    case 8:
        return 25.4e-6;
    case 9:
        return 0.0254;
    default:
        return 1;
    }
}

class Collector : public DL_CreationAdapter {
public:
    void addBlock(const DL_BlockData& block) override {
        finish();
        now_ = &blocks[block.name];
        now_->origin = {block.bpx, block.bpy};
    }
    void endBlock() override {
        finish();
        now_ = &drawing;
    }
    void addInsert(const DL_InsertData& i) override {
        const Transform turn = seen_from() * Transform::moved(i.ipx, i.ipy) * Transform::turned_deg(i.angle) *
                               Transform{i.sx, 0, 0, i.sy, 0, 0};
        for (int c = 0; c < std::clamp(i.cols, 1, 100); ++c)
            for (int r = 0; r < std::clamp(i.rows, 1, 100); ++r)
                now_->inserts.push_back({i.name, Transform::moved(c * i.colSp, r * i.rowSp) * turn});
    }
    void addLine(const DL_LineData& l) override { put({{{l.x1, l.y1}, {l.x2, l.y2}}, false}); }
    void addArc(const DL_ArcData& a) override {
        double sweep = std::fmod(a.angle2 - a.angle1, 360.0);
        if (sweep <= 0) sweep += 360;
        Contour c;
        arc(c.points, {a.cx, a.cy}, a.radius, a.radius, 0, a.angle1, sweep);
        c.points = transformed(c.points, seen_from());
        put(std::move(c));
    }
    void addCircle(const DL_CircleData& d) override {
        Contour c;
        arc(c.points, {d.cx, d.cy}, d.radius, d.radius, 0, 0, 360);
        c.points.pop_back();
        c.points = transformed(c.points, seen_from());
        c.closed = true;
        put(std::move(c));
    }
    void addEllipse(const DL_EllipseData& e) override {
        const double a = std::hypot(e.mx, e.my);
        double sweep = std::fmod((e.angle2 - e.angle1) * 180 / M_PI, 360.0);
        if (sweep <= 1e-9) sweep += 360;
        Contour c;
        arc(c.points, {e.cx, e.cy}, a, a * e.ratio, std::atan2(e.my, e.mx) * 180 / M_PI,
            e.angle1 * 180 / M_PI, sweep);
        c.closed = sweep >= 360 - 1e-6;
        if (c.closed) c.points.pop_back();
        put(std::move(c));
    }
    void addPolyline(const DL_PolylineData& p) override {
        finish();
        closed_ = p.flags & 1;
        layer_ = attributes.getLayer();
        polyline_seen_from_ = seen_from();
        in_polyline_ = true;
    }
    void addVertex(const DL_VertexData& v) override { vertices_.push_back({{v.x, v.y}, v.bulge}); }
    void addSpline(const DL_SplineData& s) override {
        finish();
        degree_ = static_cast<int>(s.degree);
        closed_ = s.flags & 1;
        layer_ = attributes.getLayer();
        in_spline_ = true;
    }
    void addControlPoint(const DL_ControlPointData& p) override { control_.push_back({p.x, p.y}); }
    void addFitPoint(const DL_FitPointData& p) override { fit_.push_back({p.x, p.y}); }
    void addKnot(const DL_KnotData& k) override { knots_.push_back(k.k); }
    void endEntity() override { finish(); }
    void addText(const DL_TextData&) override { left_out("Text"); }
    void addMText(const DL_MTextData&) override { left_out("Text"); }
    void addHatch(const DL_HatchData&) override { left_out("Hatching"); }
    void setVariableInt(const std::string& key, int value, int) override {
        if (key == "$INSUNITS") units = value;
    }

    void finish() {
        if (in_polyline_) polyline();
        if (in_spline_) spline();
        in_polyline_ = false;
        in_spline_ = false;
        vertices_.clear();
        control_.clear();
        fit_.clear();
        knots_.clear();
    }

    Entities drawing;
    std::map<std::string, Entities> blocks;
    std::vector<std::string> warnings;
    int units = 0;
    std::size_t points = 0;

private:
    void put(Contour c) { put(std::move(c), attributes.getLayer()); }
    void put(Contour c, const std::string& layer) {
        points += c.points.size();
        if (points > most_points) return; // refused afterwards
        if (c.points.size() > 1) now_->lines.push_back({std::move(c), layer});
    }
    void left_out(const std::string& what) {
        const std::string sentence = what + " was left out: turn it into outlines before cutting it.";
        if (std::find(warnings.begin(), warnings.end(), sentence) == warnings.end())
            warnings.push_back(sentence);
    }

    static void arc(Ring& out, Point c, double a, double b, double turn_deg, double from_deg,
                    double sweep_deg) {
        const int steps = std::max(2, static_cast<int>(std::ceil(std::abs(sweep_deg) / step_deg)));
        const Transform t = Transform::moved(c.x, c.y) * Transform::turned_deg(turn_deg);
        for (int i = 0; i <= steps; ++i) {
            const double w = (from_deg + sweep_deg * i / steps) * M_PI / 180;
            out.push_back(t({a * std::cos(w), b * std::sin(w)}));
        }
    }

    void polyline() {
        Contour c;
        c.closed = closed_;
        const std::size_t n = vertices_.size();
        for (std::size_t i = 0; i < n; ++i) {
            const auto& [p, bulge] = vertices_[i];
            c.points.push_back(p);
            if (std::abs(bulge) < 1e-9 || (i + 1 == n && !closed_)) continue;
            bulge_to(c.points, p, vertices_[(i + 1) % n].first, bulge);
        }
        c.points = transformed(c.points, polyline_seen_from_);
        if (n > 1) put(std::move(c), layer_);
    }

    /// Flat things that were turned over are saved as seen from behind.
    Transform seen_from() {
        double direction[3] = {0, 0, 1};
        getExtrusion()->getDirection(direction);
        return direction[2] < 0 ? Transform::mirrored_x() : Transform{};
    }

    /// The points between p and q of the arc whose quarter angle has the tangent `bulge`.
    static void bulge_to(Ring& out, Point p, Point q, double bulge) {
        const double sweep = 4 * std::atan(bulge);
        const Point chord = q - p;
        const double half = length(chord) / 2;
        if (half <= 0) return;
        const Point normal{-chord.y / (2 * half), chord.x / (2 * half)};
        const Point centre = (p + q) * 0.5 + normal * (half / std::tan(sweep / 2));
        const Point from = p - centre;
        const int steps = std::max(1, static_cast<int>(std::ceil(std::abs(sweep) * 180 / M_PI / step_deg)));
        for (int i = 1; i < steps; ++i)
            out.push_back(centre + Transform::turned_deg(sweep * 180 / M_PI * i / steps)(from));
    }

    void spline() {
        Contour c;
        c.closed = closed_;
        const auto n = static_cast<int>(control_.size());
        if (degree_ < 1 || n <= degree_ || static_cast<int>(knots_.size()) != n + degree_ + 1) {
            c.points = fit_.size() > 1 ? through(fit_, closed_) : control_;
        } else {
            const double from = knots_[static_cast<std::size_t>(degree_)];
            const double to = knots_[static_cast<std::size_t>(n)];
            const int steps = n * spline_steps;
            for (int i = 0; i <= steps; ++i) c.points.push_back(on_spline(from + (to - from) * i / steps));
        }
        if (c.points.size() > 2 && distance(c.points.front(), c.points.back()) < 1e-9) {
            c.points.pop_back();
            c.closed = true;
        }
        put(std::move(c), layer_);
    }

    /// A smooth line through points: E. Catmull and R. Rom, "A class of local interpolating splines", 1974.
    static Ring through(Ring points, bool& closed) {
        if (points.size() > 3 && distance(points.front(), points.back()) < 1e-9) {
            points.pop_back();
            closed = true;
        }
        const std::size_t n = points.size();
        const auto at = [&](std::size_t i, int by) {
            if (closed) return points[(i + n + static_cast<std::size_t>(by + static_cast<int>(n))) % n];
            const auto k = static_cast<long>(i) + by;
            return points[static_cast<std::size_t>(std::clamp(k, 0L, static_cast<long>(n) - 1))];
        };
        Ring out;
        for (std::size_t i = 0; i + (closed ? 0 : 1) < n; ++i) {
            const Point a = at(i, -1), b = at(i, 0), c = at(i, 1), d = at(i, 2);
            for (int s = 0; s < spline_steps; ++s) {
                const double t = static_cast<double>(s) / spline_steps;
                out.push_back((b * 2 + (c - a) * t + (a * 2 - b * 5 + c * 4 - d) * (t * t) +
                               (b * 3 - a - c * 3 + d) * (t * t * t)) *
                              0.5);
            }
        }
        if (!closed) out.push_back(points.back());
        return out;
    }

    /// C. de Boor, "On calculating with B-splines", J. Approximation Theory 6, 1972.
    Point on_spline(double t) const {
        const auto n = control_.size();
        auto span = static_cast<std::size_t>(degree_);
        while (span + 1 < n && t >= knots_[span + 1]) ++span;
        std::vector<Point> d;
        for (std::size_t i = 0; i <= static_cast<std::size_t>(degree_); ++i)
            d.push_back(control_[span - static_cast<std::size_t>(degree_) + i]);
        for (int r = 1; r <= degree_; ++r)
            for (int i = degree_; i >= r; --i) {
                const std::size_t k = span - static_cast<std::size_t>(degree_) + static_cast<std::size_t>(i);
                const double width = knots_[k + static_cast<std::size_t>(degree_ - r) + 1] - knots_[k];
                const double a = width > 0 ? (t - knots_[k]) / width : 0;
                const auto at = static_cast<std::size_t>(i);
                d[at] = d[at - 1] * (1 - a) + d[at] * a;
            }
        return d[static_cast<std::size_t>(degree_)];
    }

    Entities* now_ = &drawing;
    bool in_polyline_ = false;
    bool in_spline_ = false;
    bool closed_ = false;
    int degree_ = 0;
    std::string layer_;
    Transform polyline_seen_from_;
    std::vector<std::pair<Point, double>> vertices_;
    std::vector<Point> control_;
    std::vector<Point> fit_;
    std::vector<double> knots_;
};

/// Lines of the entities and of the blocks they use, in drawing units.
bool collect(const Collector& all, const Entities& from, const Transform& to, int depth, std::size_t& points,
             std::vector<Line>& out) {
    for (const Line& l : from.lines) {
        points += l.contour.points.size();
        if (points > most_points) return false;
        out.push_back({{transformed(l.contour.points, to), l.contour.closed}, l.layer});
    }
    if (depth >= most_depth) return from.inserts.empty();
    for (const Insert& i : from.inserts) {
        const auto block = all.blocks.find(i.block);
        if (block == all.blocks.end()) continue;
        const Point o = block->second.origin;
        if (!collect(all, block->second, to * i.to * Transform::moved(-o.x, -o.y), depth + 1, points, out))
            return false;
    }
    return true;
}

} // namespace

bool looks_like_dxf(const QByteArray& data) {
    const QByteArray head = data.left(4096);
    return head.contains("SECTION") && (head.contains("HEADER") || head.contains("ENTITIES") ||
                                        head.contains("TABLES") || head.contains("BLOCKS"));
}

Result<Drawing> read_dxf(const QByteArray& data) {
    std::istringstream in(data.toStdString());
    Collector all;
    DL_Dxf reader;
    reader.in(in, &all);
    all.finish();
    std::vector<Line> lines;
    std::size_t points = 0;
    if (all.points > most_points || !collect(all, all.drawing, Transform{}, 0, points, lines))
        return fail(ErrorKind::TooLarge,
                    "the drawing has more than 4,000,000 nodes, or blocks that hold each other");
    Box box;
    for (const Line& l : lines)
        for (Point p : l.contour.points) {
            if (!std::isfinite(p.x) || !std::isfinite(p.y) || std::abs(p.x) > 1e9 || std::abs(p.y) > 1e9)
                return fail(ErrorKind::BadInput, "the drawing has a point whose place is not a number");
            box.add(p);
        }
    if (lines.empty() || box.empty())
        return fail(ErrorKind::NothingToDo, "the drawing has nothing in it that could be cut");
    Drawing out;
    // Programs that were never told a unit write one all the same: nobody cuts what is metres large.
    const double stated = millimetres(all.units);
    const bool believable = std::max(box.width(), box.height()) * stated <= largest_believable;
    const double mm = believable ? stated : 1;
    out.size_known = all.units != 0 && believable;
    out.width = box.width() * mm;
    out.height = box.height() * mm;
    // Upwards there is downwards here.
    const Transform flip{mm, 0, 0, -mm, -box.x0 * mm, box.y1 * mm};
    for (Line& l : lines) {
        Shape s;
        s.stroked = true;
        s.group = l.layer;
        s.colour = "#000000";
        s.contours.push_back({transformed(l.contour.points, flip), l.contour.closed});
        out.shapes.push_back(std::move(s));
    }
    out.warnings = std::move(all.warnings);
    return out;
}

} // namespace zesty
