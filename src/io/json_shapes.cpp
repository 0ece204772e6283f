#include "io/json_shapes.h"

#include "core/limits.h"

#include <cmath>

namespace zesty {

using nlohmann::json;

namespace {
constexpr Limits outline_limits{-1e6, 1e6};
}

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
            if (!outline_limits.hold(ring.back().x) || !outline_limits.hold(ring.back().y)) return wrong();
        }
        while (ring.size() > 3 && ring.front() == ring.back()) ring.pop_back();
        if (i == 0)
            out.outer = std::move(ring);
        else
            out.holes.push_back(std::move(ring));
    }
    return out;
}

namespace {

constexpr int deepest = 100;
constexpr std::size_t most_values = 3'000'000;

/// How deep brackets nest and how many values there are, at most: before anything is built of them.
bool is_bounded(const std::string& text) {
    int depth = 0;
    std::size_t values = 0;
    bool quoted = false;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (quoted) {
            if (c == '\\') ++i;
            quoted = c != '"';
            continue;
        }
        quoted = c == '"';
        if (c == '[' || c == '{') {
            if (++depth > deepest) return false;
            ++values;
        } else if (c == ']' || c == '}') {
            --depth;
        } else if (c == ',' || c == ':') {
            ++values;
        }
        if (values > most_values) return false;
    }
    return true;
}

} // namespace

Result<json> parse_json(const std::string& text, const std::string& what) {
    if (!is_bounded(text))
        return fail(ErrorKind::TooLarge, what + ": more than 100 levels of brackets or 3,000,000 values");
    try {
        return json::parse(text);
    } catch (const json::parse_error& e) {
        return fail(ErrorKind::BadInput, what + ": this is not JSON (byte " + std::to_string(e.byte) + ")");
    } catch (const json::exception&) {
        return fail(ErrorKind::BadInput, what + ": a number in it is too large");
    }
}

nlohmann::json exact_json(const Polygon& polygon) {
    nlohmann::json out = nlohmann::json::array();
    const auto ring = [&](const Ring& r) {
        nlohmann::json points = nlohmann::json::array();
        for (const Point q : r) points.push_back({q.x, q.y});
        out.push_back(points);
    };
    ring(polygon.outer);
    for (const Ring& h : polygon.holes) ring(h);
    return out;
}

} // namespace zesty
