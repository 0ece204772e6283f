#include "io/svg/paint.h"

#include "io/svg/numbers.h"

#include <QColor>
#include <algorithm>
#include <cctype>

namespace zesty::svg {

namespace {

std::string lower(const std::string& s) {
    std::string out;
    for (char c : s)
        if (!std::isspace(static_cast<unsigned char>(c)))
            out += static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
    return out;
}

/// "50%" and ".5" alike; 1 when it is neither.
double fraction(const std::string& text) {
    Numbers in(text);
    const auto v = in.next();
    if (!v) return 1;
    return in.peek() == '%' ? *v / 100 : *v;
}

bool transparent_colour(const std::string& c) {
    if (c == "transparent") return true;
    if (c.size() == 5 && c[0] == '#') return c[4] == '0';
    if (c.size() == 9 && c[0] == '#') return c[7] == '0' && c[8] == '0';
    if (c.rfind("rgb", 0) != 0 && c.rfind("hsl", 0) != 0) return false;
    const auto close = c.find(')');
    auto alpha = c.find('/');
    if (alpha == std::string::npos && std::count(c.begin(), c.end(), ',') == 3) alpha = c.rfind(',');
    return alpha != std::string::npos && close != std::string::npos &&
           fraction(c.substr(alpha + 1, close - alpha - 1)) <= 0;
}

void apply(Style& s, const Style& parent, const std::string& name, const std::string& value) {
    const bool inherit = value == "inherit";
    const auto take = [&](std::string& own, const std::string& from) { own = inherit ? from : value; };
    if (name == "fill")
        take(s.fill, parent.fill);
    else if (name == "stroke")
        take(s.stroke, parent.stroke);
    else if (name == "color")
        take(s.colour, parent.colour);
    else if (name == "fill-opacity")
        take(s.fill_opacity, parent.fill_opacity);
    else if (name == "stroke-opacity")
        take(s.stroke_opacity, parent.stroke_opacity);
    else if (name == "fill-rule")
        take(s.fill_rule, parent.fill_rule);
    else if (name == "clip-rule")
        take(s.clip_rule, parent.clip_rule);
    else if (name == "visibility")
        s.visible = inherit ? parent.visible : value == "visible";
    else if (name == "display")
        s.displayed = value != "none";
    else if (name == "opacity")
        s.opaque = fraction(value) > 0;
    else if (name == "clip-path")
        s.clip_path = value;
    else if (name == "mask")
        s.mask = value;
}

} // namespace

Style cascade(const Style& parent, const Node& node, const Declarations& sheet) {
    Style s = parent;
    s.displayed = true;
    s.opaque = true;
    s.clip_path.clear();
    s.mask.clear();
    for (const auto& [name, value] : node.attributes)
        if (name != "style") apply(s, parent, name, value);
    Declarations all = sheet;
    for (const auto& [name, value] : parse_declarations(node.get("style"))) declare(all, name, value);
    for (const auto& [name, declared] : all) apply(s, parent, name, declared.value);
    return s;
}

std::string colour_name(const std::string& paint, const std::string& current) {
    const std::string c = lower(paint);
    if (c == "currentcolor") return current == paint ? "#000000" : colour_name(current, paint);
    const QColor colour(QString::fromStdString(c));
    return colour.isValid() ? colour.name().toStdString() : c;
}

std::string reference(const std::string& url) {
    const auto hash = url.find('#');
    if (url.rfind("url(", 0) != 0 || hash == std::string::npos) return {};
    const auto end = url.find_first_of("\"')", hash);
    return end == std::string::npos ? std::string{} : url.substr(hash + 1, end - hash - 1);
}

bool paints(const std::string& paint, const std::string& opacity, const std::string& colour,
            const std::function<bool(const std::string&)>& has_paint) {
    if (fraction(opacity) <= 0) return false;
    std::string p = lower(paint);
    if (p.rfind("url(", 0) == 0) {
        if (has_paint(reference(paint))) return true;
        const auto close = p.find(')');
        p = close == std::string::npos ? "" : p.substr(close + 1);
        if (p.empty()) return false;
    }
    if (p == "currentcolor") p = lower(colour);
    return p != "none" && !transparent_colour(p);
}

} // namespace zesty::svg
