#pragma once
// A household's own numbers: what a new page begins with.

#include "core/project/project.h"

namespace zesty {

struct OwnNumbers {
    NarrowestBars bars;
    UsualSizes usual;
    CuttingMat cutting_mat;
    Pace pace;
    double lip = SectionDecisions{}.lip;
    BackingRules backing;
    double blade_gap = SheetDecisions{}.blade_gap;
    CuttingSettings cutting;
    Habits habits;
    StepMinutes minutes;
    DryingMinutes drying;
    bool operator==(const OwnNumbers&) const = default;
};

enum class NumberKind { Length, Speed, Seconds, Minutes };

/// At which waypoint they are asked about.
enum class NumbersAbout { SetOut, Build, Blade };

/// One of them, as window and command line know it.
struct OwnNumberRow {
    const char* key;   ///< "blade-bar"
    const char* group; ///< heading
    const char* words;
    NumberKind kind; ///< millimetres, millimetres a second, seconds, or minutes
    Limits limits;
    double& (*of)(OwnNumbers&);
    NumbersAbout about = NumbersAbout::SetOut;
};
/// Those that are no part of another room of the window.
const std::vector<OwnNumberRow>& own_number_rows();

inline OwnNumbers own_numbers_of(const Project& p) {
    return {p.set_out.bars, p.set_out.usual,    p.set_out.cutting_mat, p.sections.pace,
            p.sections.lip, p.sections.backing, p.sheets.blade_gap,    p.build.cutting,
            p.build.habits, p.build.minutes,    p.build.drying};
}

inline void begin_with(const OwnNumbers& own, Project& p) {
    p.set_out.bars = own.bars;
    p.set_out.usual = own.usual;
    p.set_out.cutting_mat = own.cutting_mat;
    p.sections.pace = own.pace;
    p.sections.lip = own.lip;
    p.sections.backing = own.backing;
    p.sheets.blade_gap = own.blade_gap;
    p.build.cutting = own.cutting;
    p.build.habits = own.habits;
    p.build.minutes = own.minutes;
    p.build.drying = own.drying;
}

} // namespace zesty
