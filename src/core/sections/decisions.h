#pragma once
// What a person decides at Sections: which openings belong together, what goes behind them and how it is
// made. Millimetres.

#include "core/limits.h"
#include "core/sections/division.h"
#include "core/sections/pace.h"
#include "core/sections/treatment.h"
#include "core/setout/placed_cut.h"

#include <map>
#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace zesty {

/// What is decided for one section, papers aside.
struct SectionChoice {
    std::string name;
    Treatment treatment = Treatment::Paper;
    std::optional<double> lip = {};           ///< where it differs from the page's
    std::optional<BackingMethod> method = {}; ///< where it differs from the page's
    std::optional<bool> punch_on_top = {};    ///< where it differs from the page's
    int order = 0;                            ///< when it is glued: lower first; 0 leaves it to the plan
    bool operator==(const SectionChoice&) const = default;
};
inline constexpr Limits lip_limits{0, 50};
inline constexpr Limits order_limits{0, 1'000'000};

/// How patches are made, for the whole page.
struct BackingRules {
    BackingMethod method = BackingMethod::MachinePatches;
    LipMode lips = LipMode::Meet;
    double inlay_clearance = 0.25;
    double foam_width = mm_per_inch / 8;
    std::vector<double> punches = usual_punches(); ///< diameters at hand, ascending
    bool punch_on_top = false;                     ///< circles on the openings instead of behind them
    bool operator==(const BackingRules&) const = default;
    /// 1, 1 1/4, 1 1/2, 1 3/4, 2, 2 1/2 and 3 in.
    static std::vector<double> usual_punches();
};
inline constexpr Limits inlay_clearance_limits{0, 10};
inline constexpr Limits foam_width_limits{0.5, 50};
inline constexpr Limits punch_limits{0.1, 1000};

/// A bar shared by two whole openings, the lower one first.
using BarName = std::pair<Spot, Spot>;

/// What names the bare base where it is divided.
inline const Spot base_spot{-1, 0, 0};

struct SectionDecisions {
    double lip = mm_per_inch / 8;
    BackingRules backing;
    Pace pace;
    std::map<BarName, LipMode> bars; ///< where patches do something else on a bar than on the others
    /// Openings that are divided, by whole opening; the bare base under `base_spot`.
    std::map<Spot, Division> divisions;
    /// Openings that share a section; each group ascending and of at least two, groups in order.
    std::vector<std::vector<Spot>> groups;
    /// What was decided for a section, by its lowest opening. Sections without an entry are backed with
    /// paper.
    std::map<Spot, SectionChoice> choices;
    bool operator==(const SectionDecisions&) const = default;

    const SectionChoice& choice(Spot section) const;
    /// Sets or, when it says nothing, removes the entry.
    void choose(Spot section, SectionChoice choice);
    /// The lowest opening of the section the opening is in.
    Spot section_of(Spot opening) const;
};

/// What a spot in a decision is named as.
enum class Named {
    Whole,    ///< an opening, whatever it is divided into
    Opening,  ///< what gets a patch: an opening, a part of a divided one, a piece
    Section,  ///< a section, by its lowest opening
    Followed, ///< the section whose paper another one gets
};

/// Calls visit(container, what its spots are named as) for everything that names spots.
template <class Decisions, class Visit>
void each_naming(Decisions& d,
                 Visit&& visit) requires std::is_same_v<std::remove_const_t<Decisions>, SectionDecisions> {
    visit(d.bars, Named::Whole);
    visit(d.divisions, Named::Whole);
    visit(d.groups, Named::Opening);
    visit(d.choices, Named::Section);
}

/// Whether patches lie on each other anywhere, or are glued in an order somebody wants.
bool gluing_order_matters(const SectionDecisions& decisions);

/// Patches meet or overlap on these bars, whatever they do elsewhere; a bar that does as all others is not
/// kept.
void set_bars(SectionDecisions& decisions, const std::vector<BarName>& bars, LipMode lips);

} // namespace zesty
