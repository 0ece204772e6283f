#pragma once
// What is stored of Sheets.

#include "core/sheets/decisions.h"
#include "io/fields/description.h"
#include "io/reserved_json.h"

namespace zesty {

template <class F, Describes<SheetPin> T> void describe(F& f, T& pin) {
    f.text("sheet", pin.sheet);
    f.number("rotation_deg", pin.rotation_deg, turn_limits);
    f.point("shift_mm", pin.shift, place_limits);
}

template <class F, Describes<SheetDecisions> T> void describe(F& f, T& decided) {
    f.number("blade_gap_mm", decided.blade_gap, blade_gap_limits);
    f.values("reserved", decided.reserved, [](auto& v, const char* key, auto& piece) {
        v.other(
            key, piece, [](const ReservedPiece& p) { return to_json(p); },
            [](const nlohmann::json& j, ReservedPiece& p) {
                auto read = reserved_from(j, {});
                if (read) p = std::move(*read);
                return read.has_value();
            });
    });
    f.map("pins", decided.pins, [](auto& o, auto& spot, auto& pin) {
        o.spot("opening", spot);
        describe(o, pin);
    });
}

} // namespace zesty
