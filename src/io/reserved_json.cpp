#include "io/reserved_json.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "io/json_shapes.h"

namespace zesty {

using nlohmann::json;

namespace {

json with_every_digit(const Polygon& polygon) {
    const auto ring = [](const Ring& r) {
        json out = json::array();
        for (const Point q : r) out.push_back({q.x, q.y});
        return out;
    };
    json out = json::array({ring(polygon.outer)}); // braces alone mean a copy to some compilers
    for (const Ring& hole : polygon.holes) out.push_back(ring(hole));
    return out;
}

} // namespace

json to_json(const ReservedPiece& piece) {
    json out{{"paper", piece.paper}, {"outline", with_every_digit(piece.outline)}};
    if (!piece.page.empty()) out["page"] = piece.page;
    if (piece.side == Side::B) out["side"] = "B";
    return out;
}

Result<ReservedPiece> reserved_from(const json& j, const std::string& where) {
    const auto text = [&](const char* key) {
        return j.is_object() && j.contains(key) && j[key].is_string() ? j[key].get<std::string>()
                                                                      : std::string();
    };
    ReservedPiece out;
    out.page = text("page");
    out.paper = text("paper");
    const std::string side = text("side");
    if (!side.empty() && side != "A" && side != "B")
        return fail(ErrorKind::BadInput, where + ": a reserved piece has no side");
    out.side = side == "B" ? Side::B : Side::A;
    if (out.paper.empty()) return fail(ErrorKind::BadInput, where + ": a reserved piece has no paper");
    auto outline = polygon_from(j.contains("outline") ? j["outline"] : json(), where + ": a reserved piece");
    if (!outline) return tl::make_unexpected(outline.error());
    if (!is_valid({*outline}) || area(*outline) <= 0)
        return fail(ErrorKind::BadInput, where + ": a reserved piece crosses itself or has no area");
    out.outline = std::move(*outline);
    return out;
}

} // namespace zesty
