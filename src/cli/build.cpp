// The work on a page: its steps and when each is done, cutting files, lists, and what has been done of it.

#include "cli/at_hand.h"
#include "cli/build_json.h"
#include "cli/build_machine.h"
#include "cli/build_say.h"
#include "cli/command.h"
#include "cli/painting.h"
#include "cli/proposed.h"
#include "core/project/build_steps.h"
#include "core/project/finished.h"
#include "io/guide/letters_job.h"

#include <iostream>

namespace zesty::cli {

namespace {

bool asks(const BuildArgs& a) {
    return a.next || a.lists || a.packing || a.one_more || a.what_if || a.cutting;
}

/// Needs a Painting: letters that are cut have shapes.
CuttingJobs cutting_of(const Planned& p) {
    return all_cutting_jobs(p.project, p.plan, mats_of(p.project, p.plan));
}

nlohmann::json answers_json(const BuildArgs& a, const Planned& p, const std::vector<BuildStep>& steps,
                            const BuildNow& now, std::int64_t moment) {
    nlohmann::json out = steps_json(steps, now, p.project.build);
    out["to_choose"] = still_to_choose(p.project, p.plan);
    if (a.next) out["next"] = next_json(p.project, steps, moment, *a.next);
    if (a.lists) out.update(lists_json(p.project, p.plan));
    if (a.packing) out["packing"] = packing_json(p.project, steps, now);
    if (a.what_if) out["what_if"] = what_if_json(p.project, p.plan);
    if (a.one_more) out["one_more_sheet"] = one_more_sheet_json(p.project, p.plan);
    if (a.cutting) {
        const Painting painting;
        out["cutting"] = cutting_json(cutting_of(p));
    }
    return out;
}

void answer(const BuildArgs& a, const Planned& p, const std::vector<BuildStep>& steps, const BuildNow& now,
            std::int64_t moment) {
    if (a.next) say_next(p.project, steps, moment, *a.next);
    if (a.lists) say_lists(p.project, p.plan);
    if (a.packing) say_packing(p.project, steps, now);
    if (a.what_if) say_what_if(p.project, p.plan);
    if (a.one_more) say_one_more_sheet(p.project, p.plan);
    if (a.cutting) {
        const Painting painting;
        say_cutting(p.project, p.plan, cutting_of(p));
    }
}

} // namespace

static int run_build(const BuildArgs& args) {
    const auto read = read_project(args.project);
    if (!read) return complain(read.error().message);
    const auto moment = typed_moment(args.at);
    if (!moment) return complain(moment.error().message);
    auto p = args.suggested ? planned(args.project, std::nullopt, 10) : planned_as_decided(args.project);
    if (!p) return complain(p.error().message);
    Project changed = *read;
    const auto numbered = [&] {
        return work_now(build_steps(p->project, p->plan), p->project.build, *moment, p->project.seed);
    };
    if (auto r = edit_build(args, numbered().steps, *moment, changed); !r) return complain(r.error().message);
    if (auto r = save_changes(*read, changed, args.project, args.out, args.edits); !r)
        return complain(r.error().message);
    p->project.build = changed.build;
    p->project.sections.pace = changed.sections.pace;
    const auto [steps, now] = numbered();
    if (!args.job.empty()) {
        const Painting painting;
        return send_to_machine(args, p->project, p->plan, cutting_of(*p));
    }
    if (args.json)
        std::cout << answers_json(args, *p, steps, now, *moment).dump(1) << "\n";
    else if (asks(args))
        answer(args, *p, steps, now, *moment);
    else
        say_steps(p->project, steps, now);
    if (!args.json)
        for (const std::string& said : still_to_choose(p->project, p->plan))
            std::cout << "still to choose: " << said << "\n";
    return done;
}

namespace {

void add_cutting_options(CLI::App& c, BuildArgs& a) {
    const char* group = "Cutting";
    c.add_option("--overcut", a.overcut,
                 "How far the blade goes past the start of a contour (overcut): 0.5mm")
        ->group(group);
    c.add_option("--corners", a.corners, "At sharp corners: " + all_words<Corners>())->group(group);
    c.add_option("--blade-offset", a.blade_offset, "Tip of the blade behind its axis: 0.25mm")->group(group);
    c.add_option("--sharp", a.sharp, "Turn in degrees from which a corner is sharp")->group(group);
    c.add_flag("--face-down", a.face_down, "Everything lies with its good side down")->group(group);
    c.add_flag("--face-up", a.face_up, "Everything lies with its good side up")->group(group);
    c.add_option("--material", a.material, "What the cuts are of, where their paper does not say")
        ->group(group);
    c.add_flag("--test-piece", a.test_piece, "A small square is cut first")->group(group);
    c.add_flag("--no-test-piece", a.no_test_piece, "No test piece")->group(group);
    c.add_option("--job", a.job, "Sends one of them to the machine: mat-1")->group(group);
    c.add_option("--machine", a.machine, "Socket of the machine")->capture_default_str()->group(group);
    c.add_flag("--anew", a.anew, "Begins it anew, on new paper")->group(group);
    c.add_option("--picture", a.picture, "Keeps the machine's picture of what was cut: cut.png")
        ->group(group);
    needs(c, {{"--anew", "--job"}, {"--picture", "--job"}});
    c.add_flag("--cutting", a.cutting, "What the machine cuts, loading by loading")->group(group);
}

void add_habit_options(CLI::App& c, BuildArgs& a) {
    const char* group = "Habits";
    c.add_option("--trim", a.trim, "The base: " + all_words<TrimBase>())->group(group);
    c.add_option("--first", a.first, "What comes first: " + all_words<FirstWork>())->group(group);
    c.add_option("--frame", a.frame, "The base comes on its frame: " + all_words<FrameBase>())->group(group);
    c.add_option("--mats", a.mats, "Photo mats and layers are cut by: " + all_words<CutMats>())->group(group);
    c.add_flag("--what-if", a.what_if, "What turning each habit round changes")->group(group);
}

void add_step_options(CLI::App& c, BuildArgs& a) {
    const char* group = "Steps";
    c.add_option("--add-step", a.add_step, "A step of your own, in words")->group(group);
    c.add_option("--after", a.after, "It waits for this step, by number or key")->group(group);
    c.add_option("--before", a.before, "This step waits for it")->group(group);
    c.add_option("--minutes", a.minutes, "Its work, in minutes")->group(group);
    c.add_option("--dries", a.dries, "Its waiting, in minutes")->group(group);
    c.add_option("--remove-step", a.remove_step, "Removes the step of your own with this number")
        ->group(group);
    c.add_option("--remind", a.remind, "Something to be named before finishing")->group(group);
    c.add_option("--forget", a.forget, "A reminder to remove")->group(group);
    c.add_option("--start", a.start, "Begins a step, by number or key")->group(group);
    c.add_option("--pause", a.pause, "Leaves it for a while")->group(group);
    c.add_option("--done", a.done, "Ticks it off")->group(group);
    c.add_option("--not-done", a.not_done, "Takes the tick off")->group(group);
    c.add_option("--at", a.at, "When that is: 2026-11-28T19:30; now without it")->group(group);
    c.add_flag("--take-pace", a.take_pace, "The page's minutes become those the log shows")->group(group);
    needs(c, {{"--after", "--add-step"},
              {"--before", "--add-step"},
              {"--minutes", "--add-step"},
              {"--dries", "--add-step"}});
}

void add_time_options(CLI::App& c, BuildArgs& a) {
    const char* group = "Time";
    c.add_option("--hands", a.hands, "Pairs of hands")
        ->check(CLI::Range(1, most_pairs_of_hands))
        ->group(group);
    c.add_option("--sitting", a.sittings,
                 "One more sitting: minutes, pause before it in minutes, and away without the machine: "
                 "90,720,away")
        ->group(group);
    c.add_flag("--no-sittings", a.no_sittings, "Removes all sittings")->group(group);
    c.add_option("--next", a.next, "What can be done in so many minutes")
        ->check(CLI::Range(1.0, 1440.0))
        ->group(group);
    c.add_flag("--packing", a.packing, "What to pack for each sitting")->group(group);
    c.add_flag("--lists", a.lists, "Papers, adhesives, foam and whatever else is needed")->group(group);
    c.add_flag("--one-more-sheet", a.one_more, "Which shortages one more sheet of a paper would end")
        ->group(group);
}

CLI::App* add_build(CLI::App& app, BuildArgs& a) {
    auto* c = app.add_subcommand("build", "The steps of the page, cutting, lists, and what has been done");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    c->add_option("--out", a.out, "Write here instead of the project");
    add_cutting_options(*c, a);
    add_habit_options(*c, a);
    add_step_options(*c, a);
    add_time_options(*c, a);
    c->add_flag("--suggested", a.suggested, "With suggested papers where none has been chosen yet");
    c->add_flag("--json", a.json, "Print zesty-build/1");
    add_stash_option(*c);
    return c;
}

const Registered<BuildArgs> build_command(8, add_build, run_build,
                                          {"--cutting", "--what-if", "--job", "--machine", "--anew",
                                           "--picture", "--next", "--packing", "--lists", "--one-more-sheet",
                                           "--at", "--suggested"});

} // namespace

} // namespace zesty::cli
