#include "cli/at_hand.h"
#include "cli/command.h"
#include "cli/sections_edit.h"
#include "cli/typed.h"
#include "core/project/edits.h"
#include "core/project/how_much.h"
#include "core/project/planner.h"
#include "core/sections/grouping.h"
#include "io/project_file.h"

#include <algorithm>
#include <iostream>
#include <nlohmann/json.hpp>

namespace zesty::cli {

namespace {

using nlohmann::json;

std::string numbers(const std::vector<int>& openings) {
    std::string out;
    for (int o : openings) out += (out.empty() ? "" : ",") + std::to_string(o + 1);
    return out;
}

void print_sections(const Project& p, const Plan& plan, bool advise) {
    for (const Section& s : plan.sections.all) {
        double lip = std::numeric_limits<double>::infinity();
        for (const Patch& patch : plan.sections.patches)
            if (&plan.sections.all[patch.section] == &s) lip = std::min(lip, patch.lip);
        std::cout << "section " << s.label << (s.name.empty() ? "" : " (" + s.name + ")") << ": openings "
                  << numbers(s.openings) << ", " << name_of(s.treatment);
        if (takes_paper(s.treatment)) std::cout << ", " << name_of(s.method);
        if (std::isfinite(lip)) std::cout << ", smallest lip " << format_length(lip, p.units);
        std::cout << "\n";
        if (!advise || !takes_paper(s.treatment)) continue;
        const int o = s.openings.front();
        const auto advice = advised_method(
            transformed(plan.sections.cut->openings[o].outline, plan.set_out.whole.to_page),
            plan.sections.cut->narrowest_bar(o) * plan.set_out.whole.scale, p.sections.backing, p.units);
        std::cout << "  " << name_of(advice.method) << " would suit: " << advice.reason << "\n";
    }
    for (const Finding& f : plan.findings)
        std::cout << key_of(f.code) << ": " << f.title << ". " << f.message << "\n";
}

json table_json(const std::vector<MethodFigures>& table) {
    json out = json::array();
    for (const MethodFigures& f : table)
        out.push_back({{"method", key_of(f.method)},
                       {"paper_mm2", f.paper_area},
                       {"minutes", f.minutes},
                       {"smallest_lip_mm", std::isfinite(f.smallest_lip) ? json(f.smallest_lip) : json()},
                       {"narrow_lips", f.narrow_lips},
                       {"failed", f.failed}});
    return out;
}

void print_table(const std::vector<MethodFigures>& table, Units units) {
    for (const MethodFigures& f : table) {
        std::cout << name_of(f.method) << ": " << format_area(f.paper_area, units) << " of paper, "
                  << std::lround(f.minutes) << " min";
        if (std::isfinite(f.smallest_lip))
            std::cout << ", smallest lip " << format_length(f.smallest_lip, units) << ", " << f.narrow_lips
                      << " under 1.5 mm";
        if (f.failed > 0) std::cout << ", does not work for " << f.failed;
        std::cout << "\n";
    }
}

/// The variants where they are asked for; --back decides for one.
Result<std::vector<BackedSo>> back_so_much(const SectionsArgs& args, Project& project, Planner& planner) {
    if (args.back.empty() && !args.how_much) return std::vector<BackedSo>{};
    std::optional<HowMuch> much;
    if (!args.back.empty()) {
        const auto typed = typed_word<HowMuch>("--back", args.back);
        if (!typed) return tl::make_unexpected(typed.error());
        much = *typed;
    }
    const auto shapes = shapes_with_cut(planner, project);
    if (!shapes) return tl::make_unexpected(shapes.error());
    auto all = how_much_to_back(project, *shapes, [&](const Project& p) { return planner.shapes(p); });
    if (!all) return all;
    if (much) project = (*all)[static_cast<std::size_t>(*much)].project;
    if (!args.how_much) all->clear();
    return all;
}

} // namespace

static int run(const SectionsArgs& args) {
    auto project = read_project(args.project);
    if (!project) return complain(project.error().message);
    const Project before = *project;
    Planner planner;
    if (const auto r = edit_sections(args, *project, planner); !r) return complain(r.error().message);
    const auto amounts = back_so_much(args, *project, planner);
    if (!amounts) return complain(amounts.error().message);
    const auto plan = planner.plan(*project);
    if (!plan) return complain(args.project + ": " + plan.error().message);
    std::vector<MethodFigures> table;
    if (args.compare) {
        auto compared = planner.compare_methods(*project);
        if (!compared) return complain(compared.error().message);
        table = std::move(*compared);
    }
    if (const auto r = save_changes(before, *project, args.project, args.out, args.edits); !r)
        return complain(r.error().message);
    if (args.json) {
        json out{{"format", "zesty-sections/1"}, {"sections", json::array()}};
        for (const Section& s : plan->sections.all) {
            json openings = json::array();
            for (int o : s.openings) openings.push_back(o + 1);
            out["sections"].push_back({{"label", s.label},
                                       {"name", s.name},
                                       {"openings", openings},
                                       {"treatment", key_of(s.treatment)},
                                       {"method", key_of(s.method)}});
        }
        if (args.compare) out["methods"] = table_json(table);
        for (const BackedSo& a : *amounts)
            out["how_much"].push_back({{"back", key_of(a.much)},
                                       {"sections", a.backed},
                                       {"of", a.of},
                                       {"paper_mm2", a.paper_area},
                                       {"minutes", a.minutes},
                                       {"reason", a.reason}});
        std::cout << out.dump(1) << "\n";
    } else {
        print_sections(*project, *plan, args.advise);
        print_table(table, project->units);
        for (const BackedSo& a : *amounts)
            std::cout << key_of(a.much) << ": " << a.backed << " of " << a.of << " backed, "
                      << format_area(a.paper_area, project->units) << " of paper, " << std::lround(a.minutes)
                      << " min; " << a.reason << "\n";
    }
    return exit_code(*plan);
}

namespace {

CLI::App* add_sections(CLI::App& app, SectionsArgs& a) {
    auto* c = app.add_subcommand("sections", "Group, divide and treat openings, and compare backing methods");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    add_stash_option(*c);
    c->add_option("--out", a.out, "Write here instead of the project");
    c->add_option("--by", a.by, "Group by twins, sizes, bands, rings, rows or cuts")->group("Grouping");
    c->add_option("--count", a.count, "How many sizes, bands or rings")
        ->check(CLI::Range(1, 100))
        ->group("Grouping");
    c->add_option("--centre", a.centre, "Middle of the rings: x,y on the page")->group("Grouping");
    c->add_option("--group-in", a.lasso_box, "Groups what lies in x,y,x,y")->group("Grouping");
    c->add_option("--group", a.group, "Makes openings one section: 1,4-6")->group("Grouping");
    c->add_option("--ungroup", a.ungroup, "Takes sections apart")->group("Grouping");
    c->add_option("--name", a.name, "3:tail bows")->group("Grouping");
    c->add_option("--order", a.order, "When it is glued: 3:1")->group("Grouping");
    c->add_option("--divide", a.divide, "7:bands:4, 7:line:30, 7:grid:3x2, 7:rings:3, base:rays:8")
        ->group("Dividing");
    c->add_option("--about", a.about, "Middle of rays and rings, or a point of the line: x,y on the page")
        ->group("Dividing");
    c->add_option("--undivide", a.undivide, "Makes a divided opening whole again")->group("Dividing");
    c->add_option("--treat", a.treat,
                  "4,5:shaker; paper, open, inlay, translucent, shaker, photo, words, cut-from")
        ->group("Backing");
    c->add_option("--method", a.method,
                  "machine, trace, glue, enlarged, inlay, punches, one-sheet, cut-from; 4:punches for one "
                  "section, 4:page to undo that")
        ->group("Backing");
    c->add_option("--lip", a.lip, "1/8in, or 4:1/16in for one section")->group("Backing");
    c->add_option("--lips", a.lips, "meet or overlap on shared bars")->group("Backing");
    c->add_option(
         "--bars", a.bars,
         "What patches do on single bars: 3,7:overlap between these openings, 3:meet for all bars of one, "
         "3,7:page to undo that")
        ->group("Backing");
    c->add_option("--foam", a.foam, "Width of foam strip for shakers")->group("Backing");
    c->add_option("--clearance", a.clearance, "Gap round an inlay: 0.2mm")->group("Backing");
    c->add_option("--punches", a.punches, "Diameters at hand: 1,1.5,2in")->group("Backing");
    c->add_flag("--punch-on-top", a.punch_on_top, "Punched circles on the openings")->group("Backing");
    c->add_flag("--punch-behind", a.punch_behind, "Punched circles behind the openings")->group("Backing");
    c->add_option("--punched", a.punched, "Circles of single sections: 4:on-top, 5:behind, 4:page")
        ->group("Backing");
    c->add_option("--back", a.back,
                  "third, half or all: the smallest and those at the edge are left open first")
        ->group("Backing");
    c->add_flag("--how-much", a.how_much,
                "What backing a third, half or all would take, and which are left open");
    c->add_flag("--compare", a.compare, "Paper, time and lips of every method");
    c->add_flag("--advise", a.advise, "Which method suits which section, and why");
    c->add_flag("--json", a.json, "Print zesty-sections/1");
    needs(*c, {{"--count", "--by"}, {"--centre", "--by"}, {"--about", "--divide"}});
    either(*c, {{"--punch-on-top", "--punch-behind"}});
    return c;
}

const Registered<SectionsArgs>
    sections_command(4, add_sections, run, {"--how-much", "--compare", "--advise", "--count", "--centre"});

} // namespace

} // namespace zesty::cli
