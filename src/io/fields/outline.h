#pragma once
// An outline as it is stored: to the last digit, and valid where it is read.

#include "core/geometry/boolean.h"
#include "io/json_shapes.h"

namespace zesty {

template <class F, class P> void outline_field(F& f, const char* key, P& outline) {
    f.other(
        key, outline, [](const Polygon& p) { return exact_json(p); },
        [](const nlohmann::json& j, Polygon& p) {
            auto read = polygon_from(j, "outline");
            if (!read || !is_valid({*read})) return false;
            p = std::move(*read);
            return true;
        });
}

} // namespace zesty
