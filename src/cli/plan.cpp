#include "cli/at_hand.h"
#include "cli/command.h"
#include "cli/deadline.h"
#include "cli/proposed.h"
#include "cli/typed.h"
#include "core/geometry/measure.h"
#include "core/project/set_aside.h"
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
    std::vector<std::string> edits; ///< options that are to change the page
    std::string project;
    std::optional<unsigned> seed;
    double seconds = 10;
    std::optional<double> drift;
    std::string light;
    std::string meant_so;
    bool ask_again = false;
    bool json = false;
};

} // namespace

static Result<Planned> planned_so(const std::string& path, const std::function<void(Project&)>& with,
                                  bool propose, const Deadline& deadline) {
    auto project = read_project(path);
    if (!project) return tl::make_unexpected(project.error());
    if (is_bare(*project))
        return fail(ErrorKind::NothingToDo,
                    path + ": nothing is on the page yet; add a cut file, photos or papers");
    if (with) with(*project);
    const Project read = *project;
    Planner planner;
    const auto shapes = planner.shapes(*project);
    if (!shapes) return fail(shapes.error().kind, path + ": " + shapes.error().message);
    std::size_t proposed = 0;
    if (propose) {
        const auto assignment = planner.propose(*project, true, deadline.token());
        if (assignment)
            *project = with_papers(*project, *shapes, *assignment);
        else if (assignment.error().kind != ErrorKind::NothingToDo)
            return tl::make_unexpected(assignment.error());
    }
    for (const Section& s : shapes->sections.all)
        proposed += read.match.choice(s.id).paper.empty() && !project->match.choice(s.id).paper.empty();
    // A choice cut short keeps what it has; laying it on the sheets takes a bounded number of attempts.
    auto plan = planner.plan(*project, {}, {}, propose);
    if (!plan) return fail(plan.error().kind, path + ": " + plan.error().message);
    return Planned{std::move(*project), std::move(*plan), deadline.seconds(), proposed};
}

Result<Planned> planned(const std::string& path, std::optional<unsigned> seed, double seconds,
                        const std::function<void(Project&)>& with) {
    return planned_so(
        path,
        [&](Project& project) {
            if (seed) project.seed = *seed;
            if (with) with(project);
        },
        true, Deadline(seconds));
}

Result<Planned> planned_as_decided(const std::string& path, const std::function<void(Project&)>& with) {
    return planned_so(path, with, false, Deadline(1e6));
}

namespace {

/// Each with its number, for --meant-so, and what would settle it.
void print_findings(const Plan& plan) {
    for (std::size_t i = 0; i < plan.findings.size(); ++i) {
        const Finding& f = plan.findings[i];
        std::cout << i + 1 << ". " << f.title << ": " << f.message << "\n";
        for (std::size_t k = 0; k < f.fixes.size(); ++k)
            std::cout << (k ? "; " : "   ways out: ") << f.fixes[k].label()
                      << (k + 1 == f.fixes.size() ? "\n" : "");
    }
    if (!plan.set_aside.empty())
        std::cout << count_of(plan.set_aside.size(), "finding is", "findings are")
                  << " set aside as meant so\n";
}

/// Written back to the file: the papers that were proposed for this plan are not.
Result<void> set_findings_aside(const PlanArgs& args, const Plan& plan) {
    if (args.meant_so.empty() && !args.ask_again) return {};
    const auto before = read_project(args.project);
    if (!before) return tl::make_unexpected(before.error());
    Project after = *before;
    if (args.ask_again) ask_again(after);
    if (!args.meant_so.empty()) {
        const auto numbers =
            typed_numbers("--meant-so", args.meant_so, static_cast<int>(plan.findings.size()));
        if (!numbers) return tl::make_unexpected(numbers.error());
        for (const int n : *numbers) set_aside(after, plan.findings[static_cast<std::size_t>(n)]);
    }
    return save_changes(*before, after, args.project, {}, args.edits);
}

} // namespace

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
    if (const auto r = set_findings_aside(args, plan); !r) return complain(r.error().message);
    if (args.json) {
        std::cout << plan_json(p->project, plan, p->seconds).dump() << "\n";
        return exit_code(plan);
    }
    const Units units = p->project.units;
    std::cout << p->project.title << ": "
              << (p->project.set_out.cuts.empty()
                      ? std::string("no cut")
                      : "cut " + format_size(plan.set_out.whole.size.x, plan.set_out.whole.size.y, units) +
                            ", thinnest bar " + format_length(plan.set_out.whole.thinnest_bar, units))
              << "\n"
              << count_of(plan.sections.all.size(), "section", "sections") << ", "
              << count_of(plan.sections.patches.size(), "patch", "patches") << ", "
              << plan.sheets.short_patches.size() << " short, "
              << count_of(plan.papers.alike.size(), "pair of neighbours", "pairs of neighbours")
              << " alike\n";
    if (p->proposed > 0)
        std::cout << count_of(p->proposed, "section has", "sections have")
                  << " a suggested paper; zesty papers --take-proposal 1 keeps what is suggested\n";
    for (const UsedSheet& u : plan.sheets.used) {
        const Sheet& s = plan.papers.sheets[u.sheet];
        std::cout << "  " << s.id << " (" << name_of(s.kind)
                  << "): " << count_of(u.patches.size(), "patch", "patches") << ", "
                  << static_cast<int>(100 * u.used_area / area(s.outline) + 0.5) << " % used\n";
    }
    std::map<std::string, std::size_t> room;
    for (const ReservedRoom& r : plan.sheets.room) ++room[r.page];
    for (const auto& [page, pieces] : room)
        std::cout << "  room is left for " << count_of(pieces, "piece", "pieces")
                  << (page.empty() ? " to keep whole" : " of " + page) << "\n";
    for (const ShortPatch& s : plan.sheets.short_patches)
        std::cout << "short: opening " << plan.sections.patches[s.patch].opening + 1 << ": " << s.reason
                  << "\n";
    print_findings(plan);
    return exit_code(plan);
}

namespace {

CLI::App* add_plan(CLI::App& app, PlanArgs& a) {
    auto* c =
        app.add_subcommand("plan", "Choose papers where none are chosen and lay every patch on a sheet");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    add_stash_option(*c);
    c->add_option("--seed", a.seed, "Another seed gives another proposal");
    add_number(*c, "--seconds", a.seconds, "Longest time in seconds (10)", {0, 3600});
    add_number(*c, "--drift", a.drift, "0 scatters papers over the page, 1 lets light drift into dark",
               drift_limits);
    c->add_option("--light", a.light, "Where the light end is: top, bottom, left or right");
    c->add_option("--meant-so", a.meant_so,
                  "Sets findings aside, by their numbers: 1,3-4; they come back when "
                  "their reasons change");
    c->add_flag("--ask-again", a.ask_again, "Shows again what has been set aside");
    c->add_flag("--json", a.json, "Print zesty-plan/1");
    return c;
}

const Registered<PlanArgs> plan_command(6, add_plan, run, {"--drift", "--light"});

} // namespace

} // namespace zesty::cli
