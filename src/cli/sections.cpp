#include "cli/command.h"
#include "cli/typed.h"
#include "core/project/edits.h"
#include "core/project/planner.h"
#include "core/sections/grouping.h"
#include "io/project_file.h"

#include <algorithm>
#include <iostream>
#include <nlohmann/json.hpp>

namespace zesty::cli {

namespace {

/// Changes what Sections decides, then lists the sections.
struct SectionsArgs {
    std::string project;
    std::string out;
    std::string by, centre, lasso_box, foam, clearance, punches, lips;
    int count = 3;
    std::vector<std::string> group, ungroup, name, treat, method, lip, divide, undivide, order, bars;
    bool punch_on_top = false, punch_behind = false, compare = false, advise = false;
    bool json = false;
};

} // namespace

namespace {

using nlohmann::json;

class SectionsEdit {
public:
    SectionsEdit(const SectionsArgs& args, Project& project, Planner& planner)
        : a_(args), p_(project), planner_(planner) {}

    Result<void> run() {
        for (auto step :
             {&SectionsEdit::divisions, &SectionsEdit::groups, &SectionsEdit::choices, &SectionsEdit::rules})
            if (auto r = (this->*step)(); !r) return r;
        return {};
    }

private:
    Result<void> look() {
        auto plan = planner_.shapes(p_);
        if (!plan) return tl::make_unexpected(plan.error());
        plan_ = std::move(*plan);
        if (!plan_.sections.cut) return fail(ErrorKind::NothingToDo, "the page has no cut yet");
        return {};
    }

    /// "3,5-7" as spots; "base" is the bare base.
    Result<std::vector<Spot>> typed_spots(const std::string& option, const std::string& text) const {
        if (text == "base") return std::vector<Spot>{base_spot};
        const auto numbers = typed_numbers(option, text, static_cast<int>(plan_.sections.spots.size()));
        if (!numbers) return tl::make_unexpected(numbers.error());
        return plan_.spots_of(*numbers);
    }

    Result<void> divisions() {
        if (auto r = look(); !r) return r;
        for (const std::string& text : a_.undivide) {
            const auto spots = typed_spots("--undivide", text);
            if (!spots) return tl::make_unexpected(spots.error());
            zesty::undivide(p_, *spots);
        }
        for (const std::string& text : a_.divide) {
            // 7:bands:4, 7:line:30, 7:grid:3x2, base:rays:8:15
            const auto parts = split(text, ':');
            const auto kind = parts.size() > 1 ? named<Division::Kind>(parts[1]) : std::nullopt;
            if (!kind)
                return fail(ErrorKind::BadInput, "--divide: '" + text +
                                                     "' is not like 7:bands:4, 7:line:30, "
                                                     "7:grid:3x2, 7:rings:3 or base:rays:8");
            const auto spots = typed_spots("--divide", parts[0]);
            if (!spots) return tl::make_unexpected(spots.error());
            Division d;
            d.kind = *kind;
            if (auto r = read_division(d, parts); !r) return r;
            zesty::divide(p_, *spots, d);
        }
        return look();
    }

    static Result<void> read_division(Division& d, const std::vector<std::string>& parts) {
        const auto turn = [&](std::size_t i) -> Result<void> {
            if (parts.size() > i + 1)
                return fail(ErrorKind::BadInput,
                            "--divide: there is nothing that ':" + parts[i + 1] + "' could say");
            if (parts.size() <= i) return {};
            const auto deg = typed_number("--divide", parts[i], turn_limits);
            if (!deg) return tl::make_unexpected(deg.error());
            d.turn_deg = *deg;
            return {};
        };
        if (d.kind == Division::Kind::Line) return turn(2);
        if (parts.size() > 2) {
            const auto counts = split(parts[2], 'x');
            const auto count = typed_numbers("--divide", counts[0], most_parts);
            if (!count) return tl::make_unexpected(count.error());
            d.count = count->front() + 1;
            if (counts.size() > (d.kind == Division::Kind::Grid ? 2 : 1))
                return fail(ErrorKind::BadInput, "--divide: '" + parts[2] + "' is no count");
            if (counts.size() > 1) {
                const auto rows = typed_numbers("--divide", counts[1], most_parts / d.count);
                if (!rows) return tl::make_unexpected(rows.error());
                d.rows = rows->front() + 1;
            }
        }
        return turn(3);
    }

    Result<void> groups() {
        for (const std::string& text : a_.ungroup) {
            const auto spots = typed_spots("--ungroup", text);
            if (!spots) return tl::make_unexpected(spots.error());
            zesty::ungroup(p_, *spots);
        }
        if (!a_.by.empty()) {
            const auto kind = named<GroupRule::Kind>(a_.by);
            if (!kind)
                return fail(ErrorKind::BadInput,
                            "--by: '" + a_.by + "' is none of twins, sizes, bands, rings, rows, cuts");
            GroupRule rule{*kind, a_.count, p_.set_out.page.whole().centre()};
            if (!a_.centre.empty()) {
                const auto at = typed_point("--centre", a_.centre, "give x,y on the page", 3000);
                if (!at) return tl::make_unexpected(at.error());
                rule.centre = *at;
            }
            for (const auto& g : groups_by(rule, *plan_.sections.cut, plan_.set_out.whole.to_page,
                                           plan_.sections.cut_of_opening, {}))
                zesty::group(p_, plan_.spots_of(g));
        }
        if (!a_.lasso_box.empty()) {
            const auto b = typed_lengths("--group-in", a_.lasso_box, -3000, 3000);
            if (!b) return tl::make_unexpected(b.error());
            if (b->size() != 4)
                return fail(ErrorKind::BadInput, "--group-in: give x,y,x,y of two corners on the page");
            const Ring ring{{(*b)[0], (*b)[1]}, {(*b)[2], (*b)[1]}, {(*b)[2], (*b)[3]}, {(*b)[0], (*b)[3]}};
            zesty::group(
                p_, plan_.spots_of(inside_outline(*plan_.sections.cut, plan_.set_out.whole.to_page, ring)));
        }
        for (const std::string& text : a_.group) {
            const auto spots = typed_spots("--group", text);
            if (!spots) return tl::make_unexpected(spots.error());
            zesty::group(p_, *spots);
        }
        return {};
    }

    /// Reads what stands after the colon and sets it for the sections named before it.
    template <class Read, class Set>
    Result<void> each(const char* option, const std::vector<std::string>& texts, Read read, Set set) {
        for (const std::string& text : texts) {
            const For typed = typed_for(text);
            const auto spots = typed_spots(option, typed.which);
            if (!spots) return tl::make_unexpected(spots.error());
            const auto value = read(typed.what);
            if (!value) return tl::make_unexpected(value.error());
            change_sections(p_, *spots, [&](SectionChoice& c) { set(c, *value); });
        }
        return {};
    }

    static Result<Treatment> read_treatment(const std::string& what) {
        if (const auto t = named<Treatment>(what)) return *t;
        return fail(ErrorKind::BadInput, "--treat: '" + what +
                                             "' is none of paper, open, inlay, translucent, shaker, photo, "
                                             "words, cut-from");
    }

    static Result<int> read_order(const std::string& what) {
        const auto n = typed_numbers("--order", what, 1'000'000);
        if (!n) return tl::make_unexpected(n.error());
        return n->front() + 1;
    }

    /// Nothing for "page": what the whole page has.
    static Result<std::optional<BackingMethod>> read_method(const std::string& what) {
        if (what == "page") return std::optional<BackingMethod>{};
        const auto method = read_page_method(what);
        if (!method) return tl::make_unexpected(method.error());
        return std::optional(*method);
    }

    static Result<BackingMethod> read_page_method(const std::string& what) {
        if (const auto method = named<BackingMethod>(what)) return *method;
        return fail(ErrorKind::BadInput, "--method: '" + what +
                                             "' is none of machine, trace, glue, enlarged, inlay, punches, "
                                             "one-sheet, cut-from");
    }

    static Result<double> read_lip(const std::string& what) {
        const auto lip = typed_length("--lip", what, 0, 50);
        if (!lip) return tl::make_unexpected(lip.error());
        if (!*lip) return fail(ErrorKind::BadInput, "--lip: a length is missing");
        return **lip;
    }

    Result<void> choices() {
        if (auto r = each(
                "--name", a_.name, [](const std::string& what) { return Result<std::string>(what); },
                [](SectionChoice& c, const std::string& name) { c.name = name; });
            !r)
            return r;
        if (auto r = each("--treat", a_.treat, read_treatment,
                          [](SectionChoice& c, Treatment t) { c.treatment = t; });
            !r)
            return r;
        if (auto r = each("--order", a_.order, read_order, [](SectionChoice& c, int n) { c.order = n; }); !r)
            return r;
        return lips_and_methods();
    }

    /// These are for the whole page when no section is named.
    Result<void> lips_and_methods() {
        for (const std::string& text : a_.method) {
            const For typed = typed_for(text);
            if (typed.which.empty()) {
                const auto method = read_page_method(typed.what);
                if (!method) return tl::make_unexpected(method.error());
                p_.sections.backing.method = *method;
            } else if (auto r = each("--method", {text}, read_method,
                                     [](SectionChoice& c, std::optional<BackingMethod> s) { c.method = s; });
                       !r) {
                return r;
            }
        }
        for (const std::string& text : a_.lip) {
            const For typed = typed_for(text);
            if (typed.which.empty()) {
                const auto lip = read_lip(typed.what);
                if (!lip) return tl::make_unexpected(lip.error());
                p_.sections.lip = *lip;
            } else if (auto r =
                           each("--lip", {text}, read_lip, [](SectionChoice& c, double lip) { c.lip = lip; });
                       !r) {
                return r;
            }
        }
        return {};
    }

    /// "3,7:overlap": the bars between these openings, or all of one; "page" as everywhere else.
    Result<void> bars() {
        for (const std::string& text : a_.bars) {
            const For typed = typed_for(text);
            const auto lips = typed.what == "page" ? p_.sections.backing.lips : named<LipMode>(typed.what);
            if (!lips)
                return fail(ErrorKind::BadInput, "--bars: '" + text + "' is not like 3,7:overlap or 3:meet");
            const auto openings =
                typed_numbers("--bars", typed.which, static_cast<int>(plan_.sections.spots.size()));
            if (!openings) return tl::make_unexpected(openings.error());
            const auto named = plan_.bars_among(*openings);
            if (named.empty())
                return fail(ErrorKind::NothingToDo, "--bars: there is no bar between " + typed.which);
            set_bars(p_.sections, named, *lips);
        }
        return {};
    }

    Result<void> rules() {
        BackingRules& rules = p_.sections.backing;
        if (!a_.lips.empty()) {
            const auto lips = named<LipMode>(a_.lips);
            if (!lips)
                return fail(ErrorKind::BadInput, "--lips: '" + a_.lips + "' is neither meet nor overlap");
            rules.lips = *lips;
        }
        if (auto r = bars(); !r) return r;
        const auto foam = typed_length("--foam", a_.foam, 0.5, 50);
        const auto clearance = typed_length("--clearance", a_.clearance, 0, 10);
        if (!foam) return tl::make_unexpected(foam.error());
        if (!clearance) return tl::make_unexpected(clearance.error());
        if (*foam) rules.foam_width = **foam;
        if (*clearance) rules.inlay_clearance = **clearance;
        if (a_.punch_on_top) rules.punch_on_top = true;
        if (a_.punch_behind) rules.punch_on_top = false;
        if (a_.punches.empty()) return {};
        auto punches = typed_lengths("--punches", a_.punches, 1, 999);
        if (!punches) return tl::make_unexpected(punches.error());
        std::sort(punches->begin(), punches->end());
        rules.punches = *punches;
        return {};
    }

    const SectionsArgs& a_;
    Project& p_;
    Planner& planner_;
    Plan plan_;
};

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
        if (std::isfinite(lip)) std::cout << ", smallest lip " << format_mm(lip);
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

void print_table(const std::vector<MethodFigures>& table) {
    for (const MethodFigures& f : table) {
        std::cout << name_of(f.method) << ": " << std::lround(f.paper_area / 100) << " sq cm of paper, "
                  << std::lround(f.minutes) << " min";
        if (std::isfinite(f.smallest_lip))
            std::cout << ", smallest lip " << format_mm(f.smallest_lip) << ", " << f.narrow_lips
                      << " under 1.5 mm";
        if (f.failed > 0) std::cout << ", does not work for " << f.failed;
        std::cout << "\n";
    }
}

} // namespace

static int run(const SectionsArgs& args) {
    auto project = read_project(args.project);
    if (!project) return complain(project.error().message);
    const Project before = *project;
    Planner planner;
    if (const auto r = SectionsEdit(args, *project, planner).run(); !r) return complain(r.error().message);
    const auto plan = planner.plan(*project);
    if (!plan) return complain(args.project + ": " + plan.error().message);
    std::vector<MethodFigures> table;
    if (args.compare) {
        auto compared = planner.compare_methods(*project);
        if (!compared) return complain(compared.error().message);
        table = std::move(*compared);
    }
    if (const auto r = save_changes(before, *project, args.project, args.out); !r)
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
        std::cout << out.dump(1) << "\n";
    } else {
        print_sections(*project, *plan, args.advise);
        print_table(table);
    }
    return exit_code(*plan);
}

namespace {

CLI::App* add_sections(CLI::App& app, SectionsArgs& a) {
    auto* c = app.add_subcommand("sections",
                                 "Group, divide and treat openings, and compare the ways of backing them");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    c->add_option("--out", a.out, "Write here instead of the project");
    c->add_option("--by", a.by, "Group by twins, sizes, bands, rings, rows or cuts")->group("Grouping");
    c->add_option("--count", a.count, "Of sizes, bands or rings")
        ->check(CLI::Range(1, 100))
        ->group("Grouping");
    c->add_option("--centre", a.centre, "Of rings: x,y on the page")->group("Grouping");
    c->add_option("--group-in", a.lasso_box, "Groups what lies in x,y,x,y")->group("Grouping");
    c->add_option("--group", a.group, "Makes openings one section: 1,4-6")->group("Grouping");
    c->add_option("--ungroup", a.ungroup, "Takes sections apart")->group("Grouping");
    c->add_option("--name", a.name, "3:roofs")->group("Grouping");
    c->add_option("--order", a.order, "When it is glued: 3:1")->group("Grouping");
    c->add_option("--divide", a.divide, "7:bands:4, 7:line:30, 7:grid:3x2, 7:rings:3, base:rays:8")
        ->group("Dividing");
    c->add_option("--undivide", a.undivide, "Makes it whole again")->group("Dividing");
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
    c->add_option("--clearance", a.clearance, "Of inlays")->group("Backing");
    c->add_option("--punches", a.punches, "Diameters at hand: 1,1.5,2in")->group("Backing");
    c->add_flag("--punch-on-top", a.punch_on_top, "Punched circles on the openings")->group("Backing");
    c->add_flag("--punch-behind", a.punch_behind, "Punched circles behind the openings")->group("Backing");
    c->add_flag("--compare", a.compare, "Paper, time and lips of every method");
    c->add_flag("--advise", a.advise, "Which method suits which section, and why");
    c->add_flag("--json", a.json, "Print zesty-sections/1");
    needs(*c, {{"--count", "--by"}, {"--centre", "--by"}});
    either(*c, {{"--punch-on-top", "--punch-behind"}});
    return c;
}

const Registered<SectionsArgs> sections_command(4, add_sections, run);

} // namespace

} // namespace zesty::cli
