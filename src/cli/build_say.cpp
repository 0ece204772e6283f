#include "cli/build_say.h"

#include "core/build/tool_path.h"
#include "core/project/build_lists.h"
#include "core/project/build_steps.h"
#include "core/project/learned_pace.h"
#include "core/sentences.h"

#include <cmath>
#include <iostream>

namespace zesty::cli {

namespace {

/// "1 h 05".
std::string clock(double minutes) {
    const long all = std::lround(minutes);
    const std::string rest = std::to_string(all % 60);
    return std::to_string(all / 60) + " h " + (rest.size() < 2 ? "0" : "") + rest;
}

std::string mark(StepState state) {
    switch (state) {
    case StepState::Done:
        return "done";
    case StepState::Dries:
        return "dries";
    case StepState::Running:
        return "now";
    case StepState::Paused:
        return "paused";
    case StepState::Ready:
    case StepState::Waits:
        break;
    }
    return {};
}

void say_step(const BuildStep& step, const StepNow& s, std::size_t number, int pairs) {
    std::string when = mark(s.state);
    if (s.state == StepState::Dries) when += ", " + minutes_in_words(s.dry_in) + " more";
    if (when.empty()) when = clock(s.start);
    std::cout << number + 1 << ". [" << when;
    if (pairs > 1 && mark(s.state).empty()) std::cout << ", hands " << s.pair + 1;
    std::cout << "] " << step.what << ": " << minutes_in_words(s.left > 0 ? s.left : step.time.hands);
    if (step.time.dries > 0)
        std::cout << ", then " << minutes_in_words(step.time.dries) << " while "
                  << (step.waiting.empty() ? "it dries" : step.waiting);
    std::cout << " (" << step.key << ")\n";
    for (const auto& [name, words] : step.rows) std::cout << "      " << name << ": " << words << "\n";
    if (!step.caution.empty()) std::cout << "      Careful: " << step.caution << "\n";
}

void say_all(const char* title, const std::vector<std::string>& lines) {
    if (lines.empty()) return;
    std::cout << title << ":\n";
    for (const std::string& line : lines) std::cout << "  " << line << "\n";
}

} // namespace

std::vector<std::pair<const char*, Habits>> habits_turned_round(const Habits& now) {
    Habits trim = now, first = now, frame = now;
    trim.trim = now.trim == TrimBase::BeforeWet ? TrimBase::AfterWet : TrimBase::BeforeWet;
    first.first = now.first == FirstWork::Backing ? FirstWork::Photos : FirstWork::Backing;
    frame.frame = now.frame == FrameBase::Last ? FrameBase::First : FrameBase::Last;
    return {{"trim the base the other way round", trim},
            {"backing and photos the other way round", first},
            {"frame the other way round", frame}};
}

void say_steps(const Project& project, const std::vector<BuildStep>& steps, const BuildNow& now) {
    for (std::size_t i = 0; i < steps.size(); ++i)
        if (now.steps[i].state == StepState::Done || now.steps[i].state == StepState::Dries)
            say_step(steps[i], now.steps[i], i, project.build.pairs);
    int sitting = -1;
    for (const std::size_t i : now.order) {
        if (!project.build.sittings.empty() && now.steps[i].sitting != sitting) {
            sitting = now.steps[i].sitting;
            std::cout << "-- sitting " << sitting + 1 << "\n";
        }
        say_step(steps[i], now.steps[i], i, project.build.pairs);
    }
    std::cout << "hands are busy until " << clock(now.busy) << ", everything is dry at " << clock(now.finish)
              << "\n";
    if (now.begun > 0 && std::abs(now.later) >= 1)
        std::cout << "that is " << minutes_in_words(std::abs(now.later))
                  << (now.later > 0 ? " later" : " sooner") << " than planned at first\n";
    if (now.beyond > 0)
        std::cout << minutes_in_words(now.beyond) << " of work do not fit into the sittings\n";
    say_all("own pace", pace_in_words(project, steps));
    say_all("own steps", own_steps_left_out(project, steps));
    say_all("before finishing", project.build.reminders);
}

void say_next(const Project& project, const std::vector<BuildStep>& steps, std::int64_t now, double minutes) {
    const auto next = in_the_next(steps, project.build, now, minutes, project.seed);
    if (next.empty()) {
        std::cout << "No step can be begun and finished within " << minutes_in_words(minutes) << ".\n";
        return;
    }
    std::cout << "In " << minutes_in_words(minutes) << ":\n";
    for (const std::size_t i : next)
        std::cout << "  " << i + 1 << ". " << steps[i].what << ": " << minutes_in_words(steps[i].time.hands)
                  << "\n";
}

void say_lists(const Project& project, const Plan& plan) {
    for (const BuildList& list : build_lists(project, plan)) {
        std::cout << list.name << ":\n";
        for (const ListLine& line : list.lines) {
            std::cout << "  " << line.what;
            if (!line.how_much.empty()) std::cout << ": " << line.how_much;
            if (!line.note.empty()) std::cout << " (" << line.note << ")";
            std::cout << "\n";
        }
    }
    say_all("Trimmer", trimmer_settings(project, plan));
}

void say_packing(const Project& project, const std::vector<BuildStep>& steps, const BuildNow& now) {
    for (const PackingList& list : packing_lists(steps, now, project.build)) {
        std::cout << "Sitting " << list.sitting + 1 << (list.away ? ", away" : "") << ", "
                  << minutes_in_words(list.work) << " of work:\n";
        for (const std::string& thing : list.things) std::cout << "  " << thing << "\n";
    }
}

void say_what_if(const Project& project, const Plan& plan) {
    for (const auto& [name, habits] : habits_turned_round(project.build.habits))
        say_all(name, habit_changes(project, plan, habits));
}

void say_one_more_sheet(const Project& project, const Plan& plan) {
    Planner planner;
    const auto all = one_more_sheet(project, plan, planner);
    if (all.empty()) std::cout << "Nothing is short of paper.\n";
    for (const OneMoreSheet& one : all)
        std::cout << "One more sheet of " << one.paper << " ("
                  << format_size(one.width, one.height, project.units)
                  << "): " << count_of(one.short_now, "patch", "patches") << " short now, " << one.short_then
                  << " then.\n";
}

void say_cutting(const Project& project, const Plan& plan, const CuttingJobs& cutting) {
    double path = 0;
    for (const CuttingJob& job : cutting.jobs) {
        const double travel = travel_as_given(job.file.contours);
        path += travel;
        std::cout << job.key << ": " << count_of(job.file.contours.size(), "contour", "contours") << " from "
                  << job.from << ", " << job.material << ", good side " << (job.good_side_up ? "up" : "down");
        if (job.parts > 1) std::cout << ", part " << job.part << " of " << job.parts;
        std::cout << ", " << format_long(travel, project.units) << " of travel\n";
        if (const Material* m = too_fine_for(job))
            std::cout << "  finer than " << format_mm(m->finest_bar) << ", which " << m->name
                      << " bears: bars " << in_a_row(bars_finer_than(plan, m->finest_bar)) << "\n";
    }
    for (const std::string& said : cutting.too_large) std::cout << said << "\n";
    std::cout << format_long(path, project.units) << " of travel in all\n";
}

} // namespace zesty::cli
