#include "cli/at_hand.h"
#include "cli/command.h"
#include "cli/deadline.h"
#include "cli/proposed.h"
#include "cli/typed.h"
#include "core/sentences.h"
#include "io/plan_json.h"
#include "io/project_file.h"

#include <algorithm>
#include <iostream>
#include <map>
#include <nlohmann/json.hpp>

namespace zesty::cli {

namespace {

struct PlanArgs {
    std::string project;
    std::optional<unsigned> seed;
    double seconds = 10;
    std::optional<double> drift;
    std::string light;
    bool json = false;
};

} // namespace

Result<Planned> planned(const std::string& path, std::optional<unsigned> seed, double seconds,
                        const std::function<void(Project&)>& with) {
    auto project = read_project(path);
    if (!project) return tl::make_unexpected(project.error());
    if (project->set_out.cuts.empty())
        return fail(ErrorKind::NothingToDo, path + ": the project has no drawing yet");
    if (seed) project->seed = *seed;
    if (with) with(*project);
    const Deadline deadline(seconds);
    Planner planner;
    const auto shapes = planner.shapes(*project);
    if (!shapes) return fail(shapes.error().kind, path + ": " + shapes.error().message);
    const auto assignment = planner.propose(*project, true, deadline.token());
    if (assignment) {
        *project = with_papers(*project, *shapes, *assignment);
    } else if (assignment.error().kind != ErrorKind::NothingToDo) {
        return tl::make_unexpected(assignment.error());
    }
    // A choice cut short keeps what it has; laying it on the sheets takes a bounded number of attempts.
    auto plan = planner.plan(*project, {}, {}, true);
    if (!plan) return fail(plan.error().kind, path + ": " + plan.error().message);
    return Planned{std::move(*project), std::move(*plan), deadline.seconds()};
}

static int run(const PlanArgs& args) {
    std::optional<double> light;
    if (!args.light.empty()) {
        const auto deg = typed_light(args.light);
        if (!deg) return complain(deg.error().message);
        light = *deg;
    }
    const auto p = planned(args.project, args.seed, args.seconds, [&](Project& project) {
        if (args.drift) project.match.style.drift = *args.drift;
        if (light) project.match.style.light_deg = *light;
    });
    if (!p) return complain(p.error().message);
    const Plan& plan = p->plan;
    if (args.json) {
        std::cout << plan_json(p->project, plan, p->seconds).dump() << "\n";
        return exit_code(plan);
    }
    const Units units = p->project.units;
    std::cout << p->project.title << ": cut "
              << format_size(plan.set_out.whole.size.x, plan.set_out.whole.size.y, units) << ", thinnest bar "
              << format_length(plan.set_out.whole.thinnest_bar, units) << "\n"
              << plan.sections.all.size() << " sections, " << plan.sections.patches.size() << " patches, "
              << plan.sheets.short_patches.size() << " short, " << plan.papers.alike.size()
              << " neighbours alike\n";
    for (const UsedSheet& u : plan.sheets.used) {
        const Sheet& s = plan.papers.sheets[u.sheet];
        std::cout << "  " << s.id << " (" << name_of(s.kind) << "): " << u.patches.size() << " patches, "
                  << static_cast<int>(100 * u.used_area / s.area + 0.5) << " % used\n";
    }
    std::map<std::string, std::size_t> room;
    for (const ReservedRoom& r : plan.sheets.room) ++room[r.page];
    for (const auto& [page, pieces] : room)
        std::cout << "  room is left for " << count_of(pieces, "piece", "pieces")
                  << (page.empty() ? " to keep whole" : " of " + page) << "\n";
    for (const ShortPatch& s : plan.sheets.short_patches)
        std::cout << "short: opening " << plan.sections.patches[s.patch].opening + 1 << ": " << s.reason
                  << "\n";
    for (const Finding& f : plan.findings)
        if (f.code != Code::Short) std::cout << f.title << ": " << f.message << "\n";
    return exit_code(plan);
}

namespace {

CLI::App* add_plan(CLI::App& app, PlanArgs& a) {
    auto* c =
        app.add_subcommand("plan", "Choose papers where none are chosen and lay every patch on a sheet");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    add_stash_option(*c);
    c->add_option("--seed", a.seed, "Another seed gives another proposal");
    add_number(*c, "--seconds", a.seconds, "Longest time to think (10)", {0, 3600});
    add_number(*c, "--drift", a.drift, "0 scatters papers over the page, 1 lets light drift into dark",
               drift_limits);
    c->add_option("--light", a.light, "Where the light end is: top, bottom, left or right");
    c->add_flag("--json", a.json, "Print zesty-plan/1");
    return c;
}

const Registered<PlanArgs> plan_command(6, add_plan, run);

} // namespace

} // namespace zesty::cli
