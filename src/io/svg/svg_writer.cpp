#include "io/svg/svg_writer.h"

#include <cctype>
#include <cstdio>

namespace zesty {

namespace {

std::string number(double v) {
    char buffer[32];
    std::snprintf(buffer, sizeof buffer, "%.4f", v);
    std::string out = buffer;
    while (out.back() == '0') out.pop_back();
    if (out.back() == '.') out.pop_back();
    return out == "-0" ? "0" : out;
}

std::string path_of(const Shape& shape) {
    std::string out;
    for (const Contour& c : shape.contours) {
        for (std::size_t i = 0; i < c.points.size(); ++i)
            out += (i == 0 ? "M" : "L") + number(c.points[i].x) + " " + number(c.points[i].y);
        if (c.closed) out += "Z";
    }
    return out;
}

bool is_colour(const std::string& text) {
    if (text.size() != 7 || text[0] != '#') return false;
    for (std::size_t i = 1; i < text.size(); ++i)
        if (std::isxdigit(static_cast<unsigned char>(text[i])) == 0) return false;
    return true;
}

/// Only what can stand in an attribute.
std::string plain(const std::string& text) {
    std::string out;
    for (char c : text)
        if (std::isalnum(static_cast<unsigned char>(c)) != 0 || c == '-' || c == '_' || c == ' ') out += c;
    return out;
}

} // namespace

std::string svg_text(const Drawing& drawing) {
    // A drawing that does not say how large it is ends where its shapes do.
    Box box;
    box.add(Point{drawing.width, drawing.height});
    for (const Shape& s : drawing.shapes)
        for (const Contour& c : s.contours)
            for (Point p : c.points) box.add(p);
    const std::string w = number(drawing.width > 0 ? drawing.width : box.x1);
    const std::string h = number(drawing.height > 0 ? drawing.height : box.y1);
    std::string out = "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"" + w + "mm\" height=\"" + h +
                      "mm\" viewBox=\"0 0 " + w + " " + h + "\">\n";
    for (const Shape& s : drawing.shapes) {
        const std::string colour = is_colour(s.colour) ? s.colour : "#000000";
        const std::string rule = s.rule == FillRule::EvenOdd ? " fill-rule=\"evenodd\"" : "";
        const std::string paint = s.filled ? "fill=\"" + colour + "\"" + rule
                                           : "fill=\"none\" stroke=\"" + colour + "\" stroke-width=\"0.1\"";
        const std::string path = "<path " + paint + " d=\"" + path_of(s) + "\"/>";
        out += s.group.empty() ? path + "\n" : "<g id=\"" + plain(s.group) + "\">" + path + "</g>\n";
    }
    return out + "</svg>\n";
}

} // namespace zesty
