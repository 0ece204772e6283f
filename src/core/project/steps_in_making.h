#pragma once
// The steps of a page while they are put together, chapter by chapter. Each says what it does with the things
// on the table; in which order that can be done is worked out when all are there (core/build/deeds.h).

#include "core/build/step.h"
#include "core/project/page_things.h"

#include <string>
#include <utility>
#include <vector>

namespace zesty {

struct StepsInMaking {
    const Project& project;
    const Plan& plan;
    const PageThings& things;
    std::vector<BuildStep> steps = {};

    /// Its number.
    std::size_t add(BuildStep step);

    const StepMinutes& minutes() const { return project.build.minutes; }
    const DryingMinutes& drying() const { return project.build.drying; }
    /// How long the machine goes on.
    double machine_minutes(double length_mm, std::size_t contours) const;
    /// Null for what lies flat.
    const RaisedThing* raised(Lying what, int index) const;
    /// "photo:Mia", with a number behind it where a step has that key already.
    std::string free_key(const std::string& key) const;
    const Patch& patch(int p) const { return plan.sections.patches[static_cast<std::size_t>(p)]; }
    const PlacedPatch& placed(int p) const { return plan.sheets.placed[static_cast<std::size_t>(p)]; }
    /// Those there is paper for that come to their place in this way.
    std::vector<int> patches_at(PatchPlace place) const;
    /// Of the cut whose opening or piece a patch is for.
    std::size_t cut_of(int p) const {
        return static_cast<std::size_t>(
            plan.sections.cut_of_opening[static_cast<std::size_t>(patch(p).opening)]);
    }
};

/// What something fixed in its place does: it is fixed itself, on each of these.
std::vector<StepDeed> fixed(const std::string& thing, const std::vector<std::string>& on);
void join(std::vector<StepDeed>& all, std::vector<StepDeed> more);
/// "the title "WINDY HILL"".
std::string name_of_title(const PageTitle& title);

// The chapters, in the order in which they are added.
void add_frame_cutting(StepsInMaking& s);
void add_cutting(StepsInMaking& s);
void add_hand_cutting(StepsInMaking& s);
/// For those who lay the photos down first.
void add_first_look(StepsInMaking& s);
void add_backing(StepsInMaking& s);
void add_shakers(StepsInMaking& s);
void add_base(StepsInMaking& s);
void add_layout(StepsInMaking& s);
void add_mounting(StepsInMaking& s);
void add_dressing(StepsInMaking& s);
void add_frames(StepsInMaking& s);
void add_finish(StepsInMaking& s);
/// Somebody's own steps find their places between the others, whose numbers change. Those are in order by
/// then.
void add_own_steps(StepsInMaking& s);

/// Foam behind a thing of this name that is raised, put there once everything has been laid out; true for one
/// that is, also where no foam is left to be cut for it.
bool add_foam(StepsInMaking& s, Lying what, int index, const std::string& words, const std::string& thing,
              StepPart part);

/// Parts of the frame that the base is mounted on, as far as there is paper for them.
std::vector<std::string> frame_things(const StepsInMaking& s);

/// The one step that glues these patches in their place.
BuildStep gluing_step(const StepsInMaking& s, const std::vector<int>& patches);

// Cautions that several steps give.
inline constexpr const char* knife_caution =
    "Cut away from the hand, on a cutting mat, against a metal ruler; cap the blade.";
inline constexpr const char* machine_caution =
    "Keep hands off the machine while it runs; its maker's instructions come first.";

/// "Gull Print, sheet 1".
std::string sheet_in_words(const Project& project, const Plan& plan, int sheet);

/// "fine-tip glue: the bars are 1.9 to 3.4 mm", of bars so wide.
std::string glue_in_words(double least_mm, double most_mm, const NarrowestBars& bars, Units units);

} // namespace zesty
