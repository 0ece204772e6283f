#include "io/svg/svg_reader.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "io/read_file.h"
#include "io/svg/clipping.h"
#include "io/svg/paint.h"
#include "io/svg/path_data.h"
#include "io/svg/viewport.h"

#include <algorithm>
#include <set>

namespace zesty {

namespace svg {
namespace {

constexpr std::size_t most_copies = 200'000; ///< elements reached through use
constexpr std::size_t most_steps = 4'000'000;

/// A shape as painted, in px of the root, still with its curves.
struct Painted {
    Path path;
    FillRule rule;
    bool filled;
    bool stroked;
    int clip; ///< into clips, or -1
    std::string colour;
    std::string group;
};

struct ClipUse {
    const Node* clip_path; ///< null: a plain rectangle
    Path rectangle;
    Transform at;
    int outer; ///< another clip around this one, or -1
};

class Reader {
public:
    explicit Reader(const Tree& tree) : tree_(tree), sheet_(tree.style) {}

    Result<Drawing> run();

private:
    struct Place {
        Transform to_root;
        Style style;
        Viewport viewport;
        int clip = -1;
    };

    Result<void> element(const Node& node, const Place& outer);
    Result<void> children(const Node& node, const Place& place);
    Result<void> use(const Node& node, Place place);
    Result<void> nested(const Node& node, Place place, double x, double y, double w, double h);
    Result<void> shape(const Node& node, const Place& place);
    Result<std::optional<Path>> outline(const Node& node, const Viewport& viewport);
    Result<double> number(const Node& node, const char* name, double percent_of, double otherwise = 0);
    Result<void> take_painted(Drawing& out);
    Result<Region> clip_region(int clip, double tolerance);
    Result<void> collect_clip(const Node& node, const Transform& t, double tolerance,
                              std::vector<FilledPath>& out);
    void warn(const std::string& text) {
        if (std::find(warnings_.begin(), warnings_.end(), text) == warnings_.end()) warnings_.push_back(text);
    }

    const Tree& tree_;
    StyleSheet sheet_;
    std::vector<const Node*> path_;
    std::set<const Node*> using_;
    std::vector<Painted> painted_;
    std::vector<ClipUse> clips_;
    std::vector<std::string> warnings_;
    std::size_t copies_ = 0;
    std::size_t steps_ = 0;
    bool picture_ = false;
};

Result<double> Reader::number(const Node& node, const char* name, double percent_of, double otherwise) {
    const std::string& text = node.get(name);
    if (text.empty()) return otherwise;
    const auto length = parse_length(text, percent_of);
    if (!length) return tl::make_unexpected(length.error());
    return length->has_value() ? (*length)->px : otherwise;
}

Result<std::optional<Path>> Reader::outline(const Node& node, const Viewport& v) {
    const std::string& n = node.name;
    Error error;
    bool bad = false;
    const auto num = [&](const char* name, double of, double otherwise = 0.0) {
        const auto r = number(node, name, of, otherwise);
        if (!r) {
            bad = true;
            error = r.error();
            return 0.0;
        }
        return *r;
    };
    std::optional<Path> out;
    if (n == "path") {
        std::string complaint;
        auto p = parse_path(node.get("d"), complaint);
        if (!p) return tl::make_unexpected(p.error());
        if (!complaint.empty()) warn(complaint);
        out = std::move(*p);
    } else if (n == "polygon" || n == "polyline") {
        auto p = polyline(node.get("points"), n == "polygon");
        if (!p) return tl::make_unexpected(p.error());
        out = std::move(*p);
    } else if (n == "rect") {
        const double w = num("width", v.width);
        const double h = num("height", v.height);
        const double rx = num("rx", v.width, -1);
        const double ry = num("ry", v.height, -1);
        const double x = num("x", v.width);
        const double y = num("y", v.height);
        if (!bad && w > 0 && h > 0)
            out = rectangle(x, y, w, h, std::max(0.0, rx < 0 ? ry : rx), std::max(0.0, ry < 0 ? rx : ry));
    } else if (n == "circle" || n == "ellipse") {
        const double rx = n == "circle" ? num("r", v.diagonal()) : num("rx", v.width);
        const double ry = n == "circle" ? rx : num("ry", v.height);
        const Point c{num("cx", v.width), num("cy", v.height)};
        if (!bad && rx > 0 && ry > 0) out = ellipse(c, rx, ry);
    } else if (n == "line") {
        Path p;
        p.move_to({num("x1", v.width), num("y1", v.height)});
        p.line_to({num("x2", v.width), num("y2", v.height)});
        out = std::move(p);
    }
    if (bad) return tl::make_unexpected(error);
    return out;
}

Result<void> Reader::shape(const Node& node, const Place& place) {
    if (!place.style.visible) return {};
    auto path = outline(node, place.viewport);
    if (!path) return tl::make_unexpected(path.error());
    if (!path->has_value()) return {};
    const auto has_paint = [&](const std::string& id) { return tree_.by_id.contains(id); };
    const Style& s = place.style;
    const bool filled = node.name != "line" && paints(s.fill, s.fill_opacity, s.colour, has_paint);
    const bool stroked = paints(s.stroke, s.stroke_opacity, s.colour, has_paint);
    if (!filled && !stroked) return {};
    (*path)->transform(place.to_root);
    steps_ += (*path)->size();
    if (steps_ > most_steps) return fail(ErrorKind::TooLarge, "the drawing has more than 4,000,000 nodes");
    painted_.push_back({std::move(**path), s.fill_rule == "evenodd" ? FillRule::EvenOdd : FillRule::NonZero,
                        filled, stroked, place.clip, colour_name(filled ? s.fill : s.stroke, s.colour),
                        path_.size() > 1 && path_[1]->name == "g" ? path_[1]->get("id") : ""});
    return {};
}

Result<void> Reader::nested(const Node& node, Place place, double x, double y, double w, double h) {
    if (w <= 0 || h <= 0) return {};
    Viewport inner;
    const auto fit = fit_view_box(node, w, h, inner);
    if (!fit) return tl::make_unexpected(fit.error());
    const Transform at = place.to_root * Transform::moved(x, y);
    if (node.get("overflow") != "visible") {
        clips_.push_back({nullptr, rectangle(0, 0, w, h, 0, 0), at, place.clip});
        place.clip = static_cast<int>(clips_.size()) - 1;
    }
    place.to_root = at * *fit;
    place.viewport = inner;
    return children(node, place);
}

Result<void> Reader::use(const Node& node, Place place) {
    const std::string& href = node.get("href");
    if (href.size() < 2 || href[0] != '#') {
        warn("A use of another file was left out.");
        return {};
    }
    const auto found = tree_.by_id.find(href.substr(1));
    if (found == tree_.by_id.end()) {
        warn("A use of '" + href.substr(1, 60) + "', which is not in the drawing, was left out.");
        return {};
    }
    const Node& target = *found->second;
    if (std::find(path_.begin(), path_.end(), &target) != path_.end() || !using_.insert(&target).second)
        return fail(ErrorKind::BadInput, "the drawing uses '" + href.substr(1, 60) + "' inside itself");
    const auto x = number(node, "x", place.viewport.width);
    const auto y = number(node, "y", place.viewport.height);
    if (!x || !y) return tl::make_unexpected(x ? y.error() : x.error());
    place.to_root = place.to_root * Transform::moved(*x, *y);
    Result<void> result;
    if (target.name == "symbol" || target.name == "svg") {
        const Node& size_of = node.has("width") || target.name == "symbol" ? node : target;
        const auto w = number(size_of, "width", place.viewport.width, place.viewport.width);
        const auto h = number(size_of, "height", place.viewport.height, place.viewport.height);
        if (!w || !h) return tl::make_unexpected(w ? h.error() : w.error());
        path_.push_back(&target);
        place.style = cascade(place.style, target, sheet_.for_element(path_));
        // A symbol without a viewBox keeps its own coordinates and is not cut off by a size nobody gave.
        if (place.style.displayed && place.style.opaque)
            result = target.has("viewBox") || node.has("width") || target.name == "svg"
                         ? nested(target, place, 0, 0, *w, *h)
                         : children(target, place);
        path_.pop_back();
    } else {
        result = element(target, place);
    }
    using_.erase(&target);
    return result;
}

Result<void> Reader::children(const Node& node, const Place& place) {
    for (const Node& child : node.children)
        if (auto r = element(child, place); !r) return r;
    return {};
}

Result<void> Reader::element(const Node& node, const Place& outer) {
    static const std::set<std::string> shapes{"path", "rect",     "circle", "ellipse",
                                              "line", "polyline", "polygon"};
    static const std::set<std::string> groups{"g", "a", "switch"};
    if (!using_.empty() && ++copies_ > most_copies)
        return fail(ErrorKind::TooLarge, "the drawing repeats its parts more than 200,000 times");
    const bool is_shape = shapes.contains(node.name);
    const bool is_group = groups.contains(node.name);
    if (node.name == "text") warn("Text was left out: turn letters into outlines before cutting them.");
    if (node.name == "image") {
        picture_ = true;
        warn("A picture in the drawing was left out: it has no outline to cut.");
    }
    if (!is_shape && !is_group && node.name != "use" && node.name != "svg") return {};

    path_.push_back(&node);
    Place place = outer;
    place.style = cascade(outer.style, node, sheet_.for_element(path_));
    Result<void> result;
    if (place.style.displayed && place.style.opaque) {
        const auto t = parse_transform(node.get("transform"));
        if (!t) return tl::make_unexpected(t.error());
        place.to_root = outer.to_root * *t;
        if (!place.style.mask.empty() && place.style.mask != "none")
            warn("A mask was left out: everything under it counts as paper.");
        if (const std::string id = reference(place.style.clip_path); !id.empty()) {
            const auto found = tree_.by_id.find(id);
            if (found != tree_.by_id.end() && found->second->name == "clipPath") {
                clips_.push_back({found->second, {}, place.to_root, place.clip});
                place.clip = static_cast<int>(clips_.size()) - 1;
            }
        }
        if (is_shape) {
            result = shape(node, place);
        } else if (node.name == "use") {
            result = use(node, place);
        } else if (node.name == "svg") {
            const auto x = number(node, "x", place.viewport.width);
            const auto y = number(node, "y", place.viewport.height);
            const auto w = number(node, "width", place.viewport.width, place.viewport.width);
            const auto h = number(node, "height", place.viewport.height, place.viewport.height);
            for (const auto* r : {&x, &y, &w, &h})
                if (!*r) return tl::make_unexpected(r->error());
            result = nested(node, place, *x, *y, *w, *h);
        } else if (node.name == "switch") {
            for (const Node& child : node.children)
                if (!child.has("requiredExtensions") && child.name != "foreignObject") {
                    result = element(child, place);
                    break;
                }
        } else {
            result = children(node, place);
        }
    }
    path_.pop_back();
    return result;
}

Result<void> Reader::collect_clip(const Node& node, const Transform& t, double tolerance,
                                  std::vector<FilledPath>& out) {
    for (const Node& child : node.children) {
        const Node* source = &child;
        Transform at = t;
        const auto own = parse_transform(child.get("transform"));
        if (!own) return tl::make_unexpected(own.error());
        at = at * *own;
        if (child.name == "use" && child.get("href").size() > 1) {
            const auto found = tree_.by_id.find(child.get("href").substr(1));
            if (found == tree_.by_id.end()) continue;
            source = found->second;
            const auto inner = parse_transform(source->get("transform"));
            const auto x = number(child, "x", 0);
            const auto y = number(child, "y", 0);
            if (!inner || !x || !y) continue;
            at = at * Transform::moved(*x, *y) * *inner;
        }
        auto path = outline(*source, {});
        if (!path) return tl::make_unexpected(path.error());
        if (!path->has_value()) continue;
        const Style s = cascade({}, *source, {});
        (*path)->transform(at);
        FilledPath filled{{}, s.clip_rule == "evenodd" ? FillRule::EvenOdd : FillRule::NonZero};
        for (Contour& c : (*path)->flattened(tolerance)) filled.rings.push_back(std::move(c.points));
        out.push_back(std::move(filled));
    }
    return {};
}

Result<Region> Reader::clip_region(int clip, double tolerance) {
    const ClipUse& c = clips_[clip];
    std::vector<FilledPath> paths;
    if (c.clip_path) {
        const auto t = parse_transform(c.clip_path->get("transform"));
        if (!t) return tl::make_unexpected(t.error());
        if (auto r = collect_clip(*c.clip_path, c.at * *t, tolerance, paths); !r)
            return tl::make_unexpected(r.error());
    } else {
        Path p = c.rectangle;
        p.transform(c.at);
        paths.push_back({{}, FillRule::NonZero});
        for (Contour& k : p.flattened(tolerance)) paths[0].rings.push_back(std::move(k.points));
    }
    auto own = fill(paths);
    if (!own || c.outer < 0) return own;
    const auto outer = clip_region(c.outer, tolerance);
    return outer ? intersect(*own, *outer) : outer;
}

/// What was painted, as shapes, within its clips.
Result<void> Reader::take_painted(Drawing& out) {
    Box all;
    for (const Painted& p : painted_) all.add(p.path.bounds());
    const double tolerance = std::max({all.width(), all.height(), 1e-6}) / 10000;
    for (Painted& p : painted_) {
        Shape s{p.path.flattened(tolerance), p.rule, p.filled, p.stroked, p.colour, p.group};
        if (s.contours.empty()) continue;
        if (p.clip >= 0) {
            const auto region = clip_region(p.clip, tolerance);
            if (!region) return tl::make_unexpected(region.error());
            if (!leaves_whole(*region, p.path.bounds())) {
                if (!s.filled) {
                    warn("An outline under a clip path was kept whole.");
                } else {
                    auto part = clipped(std::move(s), *region);
                    if (!part) return tl::make_unexpected(part.error());
                    s = std::move(*part);
                }
            }
        }
        out.shapes.push_back(std::move(s));
    }
    return {};
}

Result<Drawing> Reader::run() {
    const Node& root = tree_.root;
    Drawing out;
    const auto size = size_of_root(root, out.size_known);
    if (!size) return tl::make_unexpected(size.error());
    const Viewport view = *size;
    const double mm = 25.4 / 96;
    out.width = view.width * mm;
    out.height = view.height * mm;
    Place place;
    const auto fit = fit_view_box(root, view.width, view.height, place.viewport);
    if (!fit) return tl::make_unexpected(fit.error());
    place.to_root = Transform::scaled(mm) * *fit;
    path_.push_back(&root);
    place.style = cascade({}, root, sheet_.for_element(path_));
    if (place.style.displayed)
        if (auto r = children(root, place); !r) return tl::make_unexpected(r.error());

    if (auto r = take_painted(out); !r) return tl::make_unexpected(r.error());
    if (out.shapes.empty())
        return fail(ErrorKind::NothingToDo,
                    picture_ ? "the drawing holds only a picture, which has no outline to cut"
                             : "the drawing has nothing in it that could be cut");
    out.warnings = std::move(warnings_);
    return out;
}

} // namespace
} // namespace svg

Result<Drawing> read_svg(const QByteArray& data) {
    const auto plain = unzipped(data);
    if (!plain) return tl::make_unexpected(plain.error());
    const auto tree = svg::read_tree(*plain);
    if (!tree) return tl::make_unexpected(tree.error());
    return svg::Reader(**tree).run();
}

} // namespace zesty
