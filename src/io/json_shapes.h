#pragma once
// Points, rings and polygons in the project's JSON formats: POLYGON is [outer ring, hole, ...], a ring is
// [[x,y],...], millimetres.

#include "core/geometry/shapes.h"
#include "core/result.h"

#include <nlohmann/json.hpp>

namespace zesty {

nlohmann::json to_json(Point p);
nlohmann::json to_json(const Ring& ring);
nlohmann::json to_json(const Polygon& polygon);
/// To the last digit: what is written is what is read.
nlohmann::json exact_json(const Polygon& polygon);
nlohmann::json to_json(const Region& region);
nlohmann::json to_json(const Box& box);

/// Rounded to 1e-4 mm: finer than any blade, and steady in a diff.
double rounded(double mm);

/// `where` begins the sentence of an error.
Result<Polygon> polygon_from(const nlohmann::json& json, const std::string& where);

/// Parses text as JSON; `what` names it in the error. At most 100 deep and 3,000,000 values.
Result<nlohmann::json> parse_json(const std::string& text, const std::string& what);

} // namespace zesty
