#pragma once
// What is stored of Sections.

#include "core/sections/decisions.h"
#include "io/fields/description.h"

#include <set>

namespace zesty {

template <class F, Describes<SectionChoice> T> void describe(F& f, T& choice) {
    f.text("name", choice.name);
    f.word("treatment", choice.treatment);
    f.number("lip_mm", choice.lip, lip_limits);
    f.word("method", choice.method);
    f.optional("punched", choice.punch_on_top, [](auto& o, auto& on_top) { o.flag("on_top", on_top); });
    f.whole("order", choice.order, order_limits);
}

template <class F, Describes<BackingRules> T> void describe(F& f, T& rules) {
    f.word("method", rules.method);
    f.word("lips", rules.lips);
    f.number("inlay_clearance_mm", rules.inlay_clearance, inlay_clearance_limits);
    f.number("foam_width_mm", rules.foam_width, foam_width_limits);
    f.values("punches_mm", rules.punches,
             [](auto& v, const char* key, auto& diameter) { v.number(key, diameter, punch_limits); });
    f.flag("punch_on_top", rules.punch_on_top);
    if constexpr (std::is_same_v<F, Settler>) std::sort(rules.punches.begin(), rules.punches.end());
    f.check("punches_mm", [&] { return std::is_sorted(rules.punches.begin(), rules.punches.end()); });
}

template <class F, Describes<Pace> T> void describe(F& f, T& pace) {
    f.number("blade_mm_s", pace.blade, speed_limits);
    f.number("blade_lift_s", pace.blade_lift, seconds_limits);
    f.number("scissors_mm_s", pace.scissors, speed_limits);
    f.number("pencil_mm_s", pace.pencil, speed_limits);
    f.number("glue_mm_s", pace.glue, speed_limits);
    f.number("placing_s", pace.placing, seconds_limits);
    f.number("punching_s", pace.punching, seconds_limits);
    f.number("foam_s", pace.foam, seconds_limits);
}

template <class F, Describes<Division> T> void describe(F& f, T& d) {
    f.word("kind", d.kind);
    f.whole("count", d.count, {1, most_parts});
    f.whole("rows", d.rows, {1, most_parts});
    f.number("turn_deg", d.turn_deg, turn_limits);
    f.point("at", d.at, division_place_limits);
    if constexpr (std::is_same_v<F, Settler>) d = within_limits(d);
    f.check("rows", [&] {
        const Division allowed = within_limits(d);
        return allowed.count == d.count && allowed.rows == d.rows;
    });
}

/// Whether no opening is in two groups, and all is in order.
inline bool in_order(const std::vector<std::vector<Spot>>& groups) {
    std::set<Spot> seen;
    for (const auto& group : groups) {
        if (group.size() < 2 || !std::is_sorted(group.begin(), group.end())) return false;
        for (const Spot s : group)
            if (!seen.insert(s).second) return false;
    }
    return std::is_sorted(groups.begin(), groups.end());
}

template <class F, Describes<SectionDecisions> T> void describe(F& f, T& decided) {
    f.number("lip_mm", decided.lip, lip_limits);
    f.object("backing", [&](auto& o) { describe(o, decided.backing); });
    f.object("pace", [&](auto& o) { describe(o, decided.pace); });
    f.map("bars", decided.bars, [](auto& o, auto& bar, auto& lips) {
        o.spot("from", bar.first);
        o.spot("to", bar.second);
        o.word("lips", lips);
        o.check("to", [&] { return bar.first < bar.second; });
    });
    f.map("divisions", decided.divisions, [](auto& o, auto& spot, auto& division) {
        o.spot("opening", spot);
        describe(o, division);
        o.check("opening", [&] { return spot.part == 0; });
    });
    f.values("groups", decided.groups, [](auto& v, const char* key, auto& group) {
        v.values(key, group, [](auto& w, const char* one, auto& spot) { w.spot(one, spot); });
    });
    f.map("choices", decided.choices, [](auto& o, auto& spot, auto& choice) {
        o.spot("opening", spot);
        describe(o, choice);
    });
    if constexpr (!std::is_const_v<T>)
        std::erase_if(decided.choices, [](const auto& c) { return c.second == SectionChoice{}; });
    f.check("groups", [&] { return in_order(decided.groups); });
}

} // namespace zesty
