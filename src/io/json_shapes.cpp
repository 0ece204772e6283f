#include "io/json_shapes.h"

#include <cmath>

namespace zesty {

using nlohmann::json;

double rounded(double mm) {
    const double r = std::round(mm * 1e4) / 1e4;
    return r == 0 ? 0 : r; // no minus zero
}

json to_json(Point p) {
    return json::array({rounded(p.x), rounded(p.y)});
}

json to_json(const Ring& ring) {
    json out = json::array();
    for (Point p : ring) out.push_back(to_json(p));
    return out;
}

json to_json(const Polygon& polygon) {
    json out = json::array({to_json(polygon.outer)});
    for (const Ring& h : polygon.holes) out.push_back(to_json(h));
    return out;
}

json to_json(const Region& region) {
    json out = json::array();
    for (const Polygon& p : region) out.push_back(to_json(p));
    return out;
}

json to_json(const Box& b) {
    return json::array({rounded(b.x0), rounded(b.y0), rounded(b.x1), rounded(b.y1)});
}

Result<Polygon> polygon_from(const json& j, const std::string& where) {
    const auto wrong = [&] {
        return fail(ErrorKind::BadInput,
                    where + " is not a polygon: expected a list of rings of at least three [x, y] points");
    };
    if (!j.is_array() || j.empty()) return wrong();
    Polygon out;
    for (std::size_t i = 0; i < j.size(); ++i) {
        if (!j[i].is_array() || j[i].size() < 3) return wrong();
        Ring ring;
        for (const json& p : j[i]) {
            if (!p.is_array() || p.size() != 2 || !p[0].is_number() || !p[1].is_number()) return wrong();
            ring.push_back({p[0].get<double>(), p[1].get<double>()});
            if (std::abs(ring.back().x) > 1e6 || std::abs(ring.back().y) > 1e6) return wrong();
        }
        while (ring.size() > 3 && ring.front() == ring.back()) ring.pop_back();
        if (i == 0)
            out.outer = std::move(ring);
        else
            out.holes.push_back(std::move(ring));
    }
    return out;
}

Result<json> parse_json(const std::string& text, const std::string& what) {
    try {
        return json::parse(text);
    } catch (const json::parse_error& e) {
        return fail(ErrorKind::BadInput, what + ": this is not JSON (byte " + std::to_string(e.byte) + ")");
    }
}

} // namespace zesty
