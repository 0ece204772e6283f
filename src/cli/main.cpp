#include "cli/commands.h"

#include <CLI/CLI.hpp>
#include <iostream>

#ifndef ZESTY_VERSION
#define ZESTY_VERSION "unknown"
#endif

namespace {

using namespace zesty::cli;

void add_inspect(CLI::App& app, Inspect& a) {
    auto* c = app.add_subcommand("inspect", "Measure a cut file: pieces, openings, bars, cut length");
    c->add_option("CUT", a.cut, "SVG or SVGZ drawing")->required();
    c->add_option("--width", a.width, "Scale so that the material is this wide, such as 11.5in or 292.1mm");
    c->add_flag("--json", a.json, "Print zesty-inspect/1");
}

void add_new(CLI::App& app, New& a) {
    auto* c = app.add_subcommand("new", "Set a cut out on a page and save the project");
    c->add_option("CUT", a.cut, "SVG or SVGZ drawing")->required();
    c->add_option("--page", a.page, "Page size, such as 12x12in or 210x297mm")->capture_default_str();
    auto* margin =
        c->add_option("--margin", a.margin, "Border left around the cut (1/2 in unless a size is given)");
    auto* width = c->add_option("--width", a.width, "Width of the cut instead of a border");
    auto* height = c->add_option("--height", a.height, "Height of the cut instead of a border");
    width->excludes(margin)->excludes(height);
    height->excludes(margin);
    c->add_option("--reveal", a.reveal, "How much of a frame paper shows round the base");
    c->add_option("--lip", a.lip, "Lip wanted behind the bars (1/8 in)");
    c->add_option("--turn", a.turn_deg, "Turn of the cut in degrees, clockwise");
    c->add_flag("--mirror", a.mirrored, "Mirror the cut left to right");
    c->add_option("--stash", a.stash, "zesty-stash/1 file with the paper at hand");
    c->add_option("--out", a.out, "Project file to write (.zesty)")->required();
}

void add_plan(CLI::App& app, PlanArgs& a) {
    auto* c =
        app.add_subcommand("plan", "Choose papers where none are chosen and lay every patch on a sheet");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    c->add_option("--seed", a.seed, "Another seed gives another proposal");
    c->add_option("--seconds", a.seconds, "Longest time to think")
        ->capture_default_str()
        ->check(CLI::Range(0.0, 3600.0));
    c->add_flag("--json", a.json, "Print zesty-plan/1");
}

void add_nest(CLI::App& app, Nest& a) {
    auto* c = app.add_subcommand("nest", "Lay irregular pieces on irregular sheets");
    c->add_option("JOB", a.job, "zesty-nest/1 file")->required();
    c->add_option("--seed", a.seed, "Seed of the search")->capture_default_str();
    c->add_option("--seconds", a.seconds, "Longest time to think")
        ->capture_default_str()
        ->check(CLI::Range(0.0, 3600.0));
    c->add_flag("--json", a.json, "Print zesty-nest-result/1");
}

void add_export(CLI::App& app, Export& a) {
    auto* c = app.add_subcommand("export",
                                 "Write the guide, a cutting file for every sheet and a picture of the page");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    c->add_option("--out", a.out, "Folder to write to")->required();
    c->add_option("--paper", a.paper, "Paper of the printer")
        ->capture_default_str()
        ->check(CLI::IsMember({"a4", "letter"}));
}

} // namespace

int main(int argc, char** argv) {
    CLI::App app{"Plans a page built around a cut file."};
    app.set_version_flag("--version", std::string("zesty ") + ZESTY_VERSION);
    app.require_subcommand(1);
    Inspect inspect;
    New fresh;
    PlanArgs plan;
    Nest nest;
    Export exported;
    add_inspect(app, inspect);
    add_new(app, fresh);
    add_plan(app, plan);
    add_nest(app, nest);
    add_export(app, exported);
    try {
        app.parse(argc, argv);
    } catch (const CLI::Success& e) {
        return app.exit(e);
    } catch (const CLI::ParseError& e) {
        return complain(std::string(e.what()) + " (zesty --help lists what there is)");
    }
    const std::string command = app.get_subcommands().front()->get_name();
    if (command == "inspect") return run(inspect);
    if (command == "new") return run(fresh);
    if (command == "plan") return run(plan);
    if (command == "nest") return run(nest);
    return run(exported);
}
