#include "core/project/build_steps.h"

#include "core/geometry/lengths.h"
#include "core/project/steps_in_making.h"
#include "core/sentences.h"

#include <algorithm>
#include <cmath>

namespace zesty {

namespace {

std::size_t find_step(const std::vector<BuildStep>& steps, const std::string& key) {
    return static_cast<std::size_t>(
        std::find_if(steps.begin(), steps.end(), [&](const BuildStep& s) { return s.key == key; }) -
        steps.begin());
}

std::string later_or_sooner(double minutes) {
    const long whole = std::lround(std::abs(minutes));
    if (whole < 1) return "at the same time";
    return std::to_string(whole) + " min " + (minutes > 0 ? "later" : "sooner");
}

} // namespace

std::size_t StepsInMaking::add(BuildStep step) {
    steps.push_back(std::move(step));
    return steps.size() - 1;
}

double StepsInMaking::machine_minutes(double length_mm, std::size_t contours) const {
    const Pace& pace = project.sections.pace;
    return (length_mm / pace.blade + static_cast<double>(contours) * pace.blade_lift) / 60;
}

const RaisedThing* StepsInMaking::raised(Lying what, int index) const {
    for (const RaisedThing& r : plan.dress.heights.raised)
        if (r.what == what && r.index == index) return &r;
    return nullptr;
}

std::vector<int> StepsInMaking::patches_at(PatchPlace place) const {
    std::vector<int> out;
    const auto& patches = plan.sections.patches;
    for (std::size_t p = 0; p < patches.size(); ++p)
        if (things.is_there(patches[p]) && things.place_of(patches[p]) == place)
            out.push_back(static_cast<int>(p));
    return out;
}

std::string StepsInMaking::free_key(const std::string& key) const {
    std::string out = key;
    for (int n = 2; find_step(steps, out) < steps.size(); ++n) out = key + "#" + std::to_string(n);
    return out;
}

std::string name_of_title(const PageTitle& title) {
    return "the title \"" + title.text + "\"";
}

std::vector<StepDeed> fixed(const std::string& thing, const std::vector<std::string>& on) {
    std::vector<StepDeed> out{{Deed::Fixes, thing}};
    for (const std::string& below : on) out.push_back({Deed::LaysOn, below});
    return out;
}

void join(std::vector<StepDeed>& all, std::vector<StepDeed> more) {
    for (StepDeed& deed : more)
        if (std::find(all.begin(), all.end(), deed) == all.end()) all.push_back(std::move(deed));
}

std::string sheet_in_words(const Project& project, const Plan& plan, int sheet) {
    const Sheet& s = plan.papers.sheets[static_cast<std::size_t>(sheet)];
    const std::string& name = project.stash->papers[static_cast<std::size_t>(s.paper)].name;
    const auto number = s.id.rfind('#');
    if (number == std::string::npos) return name;
    const std::string which = s.id.substr(number + 1);
    return which.rfind("cut", 0) == 0 ? name + ", already cut" : name + ", sheet " + which;
}

std::string glue_in_words(double least_mm, double most_mm, const NarrowestBars& bars, Units units) {
    // Both ends in one unit, the one that suits the narrower.
    const bool fine = format_length(least_mm, units) == format_mm(least_mm);
    const auto said = [&](double mm) { return fine ? format_mm(mm) : format_length(mm, units); };
    std::string widths = said(most_mm);
    if (const std::string least = said(least_mm); least != widths)
        widths = least.substr(0, least.rfind(' ')) + " to " + widths;
    const char* with = least_mm < bars.glue   ? "adhesive sheet, or dots of fine-tip glue"
                       : least_mm < bars.tape ? "fine-tip glue"
                                              : "tape or glue";
    return std::string(with) + ": there is " + widths + " to hold on to";
}

void add_own_steps(StepsInMaking& s) {
    const auto n = s.steps.size();
    for (const OwnStep& own : s.project.build.own_steps)
        s.add({.key = "own:" + std::to_string(own.id),
               .kind = StepKind::Own,
               .what = own.what.empty() ? "Own step" : own.what,
               .time = {own.hands, own.dries, {}}});
    for (std::size_t i = 0; i < s.project.build.own_steps.size(); ++i) {
        const OwnStep& own = s.project.build.own_steps[i];
        const auto bind = [&](std::size_t first, std::size_t then) {
            if (first == s.steps.size() || then == s.steps.size() || first == then) return;
            s.steps[then].time.after.push_back(first);
            // A wish that would have steps wait for each other is left out; own_steps_left_out() says so.
            if (possible_order(s.steps).empty()) s.steps[then].time.after.pop_back();
        };
        bind(find_step(s.steps, own.after), n + i);
        bind(n + i, find_step(s.steps, own.before));
    }
    s.steps = reordered(std::move(s.steps), possible_order(s.steps));
}

std::vector<BuildStep> build_steps(const Project& project, const Plan& plan) {
    if (is_bare(project) && project.build.own_steps.empty()) return {};
    const PageThings things(project, plan);
    StepsInMaking s{project, plan, things};
    add_frame_cutting(s);
    add_cutting(s);
    add_hand_cutting(s);
    if (project.build.habits.first == FirstWork::Photos) add_first_look(s);
    add_backing(s);
    add_shakers(s);
    add_base(s);
    add_layout(s);
    add_mounting(s);
    add_dressing(s);
    add_frames(s);
    add_finish(s);
    put_in_order(s.steps);
    add_own_steps(s);
    return std::move(s.steps);
}

std::vector<std::string> own_steps_left_out(const Project& project, const std::vector<BuildStep>& steps) {
    std::vector<std::string> out;
    for (const OwnStep& own : project.build.own_steps) {
        const std::size_t at = find_step(steps, "own:" + std::to_string(own.id));
        const auto holds = [&](std::size_t first, std::size_t then) {
            if (first == steps.size() || then == steps.size()) return false;
            const auto& after = steps[then].time.after;
            return std::find(after.begin(), after.end(), first) != after.end();
        };
        const bool waits = own.after.empty() || holds(find_step(steps, own.after), at);
        const bool waited_for = own.before.empty() || holds(at, find_step(steps, own.before));
        if (!waits || !waited_for)
            out.push_back("\"" + own.what +
                          "\" cannot come where you put it: that step is not there, or waits "
                          "for this one. It comes where it fits.");
    }
    return out;
}

std::vector<std::string> habit_changes(const Project& project, const Plan& plan, const Habits& other) {
    const auto before = build_steps(project, plan);
    Project turned = project;
    turned.build.habits = other;
    const auto after = build_steps(turned, plan);
    const double now = timetable(times_of(before), project.build.pairs, project.seed).finish;
    const double then = timetable(times_of(after), project.build.pairs, project.seed).finish;
    std::vector<std::string> out;
    out.push_back(sentence("everything would be dry " + later_or_sooner(then - now)));
    const Habits& mine = project.build.habits;
    if (other.trim != mine.trim && !project.dress.wet.empty() && project.set_out.page.framed())
        out.push_back(
            other.trim == TrimBase::BeforeWet
                ? "Wet work on a trimmed base wastes no paint, but colour may run over its edge."
                : "What is trimmed off after the wet work takes its colour with it, and makes a tester.");
    if (other.first != mine.first)
        out.push_back(other.first == FirstWork::Photos
                          ? "Photos laid down first show which openings need no patch: " +
                                count_of(plan.sections.hidden.openings.size(), "is", "are") +
                                " covered for good by the plan."
                          : "Backed first, the photos are laid down once, on everything.");
    if (other.frame != mine.frame && project.set_out.page.framed())
        out.push_back(other.frame == FrameBase::First
                          ? "A base on its frame first lies firm while things go on it, and bends less."
                          : "A base framed last can still be trimmed, sewn and wiped.");
    return out;
}

} // namespace zesty
