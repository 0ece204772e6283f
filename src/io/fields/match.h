#pragma once
// What is stored of Papers.

#include "core/match/decisions.h"
#include "io/fields/description.h"

namespace zesty {

template <class F, Describes<PatternWish> T> void describe(F& f, T& wish) {
    f.number("slant_deg", wish.slant_deg, turn_limits);
    f.number("tone", wish.tone, tone_limits);
    f.optional("motif", wish.motif, [](auto& o, auto& motif) {
        o.point("on_paper_mm", motif.on_paper, motif_limits);
        o.point("off_middle_mm", motif.off_middle, motif_limits);
    });
    f.flag("run_on", wish.run_on);
}

template <class F, Describes<PaperChoice> T> void describe(F& f, T& choice) {
    f.text("paper", choice.paper);
    f.word("side", choice.side);
    f.flag("locked", choice.locked);
    f.values("never", choice.never, [](auto& v, const char* key, auto& paper) { v.text(key, paper); });
    f.spot("same_as", choice.same_as);
    f.flag("facing", choice.facing);
    f.object("pattern", [&](auto& o) { describe(o, choice.pattern); });
    if constexpr (std::is_same_v<F, Settler>) std::sort(choice.never.begin(), choice.never.end());
    f.check("never", [&] { return std::is_sorted(choice.never.begin(), choice.never.end()); });
}

template <class F, Describes<MatchStyle> T> void describe(F& f, T& style) {
    f.number("drift", style.drift, drift_limits);
    f.number("light_deg", style.light_deg, turn_limits);
    f.word("map", style.map);
    f.values("zones", style.zones, [](auto& v, const char* key, auto& colour) { v.colour(key, colour); });
    f.object("weights", [&](auto& o) {
        auto& w = style.weights;
        o.number("differ", w.differ, weight_limits);
        o.number("spread", w.spread, weight_limits);
        o.number("pattern", w.pattern, weight_limits);
        o.number("behind", w.behind, weight_limits);
        o.number("photo", w.photo, weight_limits);
        o.number("thrift", w.thrift, weight_limits);
    });
}

template <class F, Describes<MatchDecisions> T> void describe(F& f, T& decided) {
    f.object("style", [&](auto& o) { describe(o, decided.style); });
    f.map("roles", decided.roles, [](auto& o, auto& paper, auto& role) {
        o.text("paper", paper);
        o.word("role", role);
    });
    f.list("apart", decided.apart, [](auto& o, auto& pair) {
        o.text("paper", pair.first);
        o.text("other", pair.second);
        o.check("other", [&] { return pair.first < pair.second; });
    });
    f.object("slants", [&](auto& o) {
        o.word("rule", decided.slants.rule);
        o.number("angle_deg", decided.slants.angle_deg, turn_limits);
    });
    f.map("choices", decided.choices, [](auto& o, auto& spot, auto& choice) {
        o.spot("opening", spot);
        describe(o, choice);
    });
    if constexpr (!std::is_const_v<T>)
        std::erase_if(decided.choices, [](const auto& c) { return c.second == PaperChoice{}; });
    f.check("apart", [&] { return std::is_sorted(decided.apart.begin(), decided.apart.end()); });
}

} // namespace zesty
