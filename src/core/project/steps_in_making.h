#pragma once
// The steps of a page while they are put together, chapter by chapter; what each chapter leaves to wait for.

#include "core/build/step.h"
#include "core/project/plan.h"
#include "core/project/project.h"

#include <map>
#include <string>
#include <utility>
#include <vector>

namespace zesty {

struct StepsInMaking {
    using After = std::vector<std::size_t>;

    const Project& project;
    const Plan& plan;
    std::vector<BuildStep> steps = {};

    // What later steps wait for.
    After gutted = {};
    After trimmed = {}; ///< the base, where it is trimmed before anything wet
    After cut = {};     ///< the cuts are off the mat
    After patches = {}; ///< everything that is cut from sheets
    After acetate = {}; ///< its windows are cut
    After backed = {};
    After based = {};  ///< the base is dry and sewn
    After matted = {}; ///< photos are on their photo mats
    After mounted = {};
    After dressed = {};
    std::map<std::pair<int, int>, After> pieces = {}; ///< by photo and layer, -1 for neither: they are cut
    std::map<int, std::size_t> matted_photo = {};     ///< by photo
    std::size_t laid_out = 0;

    /// Adds it, `after` in order and once each; its number.
    std::size_t add(BuildStep step, After after);
    static void join(After& all, const After& more) { all.insert(all.end(), more.begin(), more.end()); }

    const StepMinutes& minutes() const { return project.build.minutes; }
    const DryingMinutes& drying() const { return project.build.drying; }
    /// How long the machine goes on.
    double machine_minutes(double length_mm, std::size_t contours) const;
    bool raised(Lying what, int index) const;
    /// "photo:Mia", with a number behind it where a step has that key already.
    std::string free_key(const std::string& key) const;
};

// The chapters, in the order in which they are added.
void add_cutting(StepsInMaking& s);
void add_backing(StepsInMaking& s);
void add_base(StepsInMaking& s);
/// For those who lay the photos down first.
void add_first_look(StepsInMaking& s);
void add_layout(StepsInMaking& s);
void add_mounting(StepsInMaking& s);
void add_dressing(StepsInMaking& s);
void add_finish(StepsInMaking& s);
/// Somebody's own steps find their places between the others, whose numbers change.
void add_own_steps(StepsInMaking& s);

// Cautions that several steps give.
inline constexpr const char* knife_caution =
    "Cut away from the hand, on a cutting mat, against a metal ruler; cap the blade.";
inline constexpr const char* machine_caution =
    "Keep hands off the machine while it runs; its maker's instructions come first.";

/// "Gull Print, sheet 1".
std::string sheet_in_words(const Project& project, const Plan& plan, int sheet);

/// "fine-tip glue: the bars are 1.9 to 3.4 mm", of bars so wide.
std::string glue_in_words(double least_mm, double most_mm, const NarrowestBars& bars);

} // namespace zesty
