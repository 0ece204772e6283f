#include "cli/at_hand.h"
#include "cli/command.h"
#include "cli/dress_args.h"
#include "cli/dress_questions.h"
#include "cli/painting.h"
#include "cli/typed.h"
#include "core/geometry/measure.h"
#include "core/project/cure.h"
#include "core/project/findings.h"
#include "core/project/finished.h"
#include "core/project/planner.h"
#include "core/sentences.h"
#include "io/dress_json.h"
#include "io/paint/page_painter.h"
#include "io/paint/values.h"
#include "io/project_file.h"

#include <cmath>
#include <iostream>

namespace zesty::cli {

namespace {

constexpr int picture_pixels = 1600;

void say_words(const Project& project, const Plan& plan) {
    for (std::size_t i = 0; i < plan.dress.writings.size(); ++i) {
        const WritingFacts& f = plan.dress.writings[i];
        std::cout << "journaling " << i + 1 << ": " << count_of(f.lines.size(), "line", "lines") << ", "
                  << format_length(f.length, project.units) << ", room for about " << f.holds << " words, "
                  << f.words << " wanted\n";
        for (const WritingLine& l : f.lines)
            if (!l.text.empty()) std::cout << "  " << l.text << "\n";
    }
}

void say_papers(const Project& project, const Plan& plan) {
    for (const DressPiece& piece : plan.dress.pieces) {
        const Box b = bounds(piece.outline);
        std::cout << piece.what << ": cut " << format_size(b.width(), b.height(), project.units);
        if (piece.placed) std::cout << " from " << piece.sheet;
        if (!piece.outline.holes.empty()) {
            const Box hole = bounds(piece.outline.holes.front());
            std::cout << ", its middle leaves " << format_size(hole.width(), hole.height(), project.units);
        }
        for (const MatFacts& m : plan.dress.mats)
            if (m.photo == piece.photo && m.mat == piece.mat)
                std::cout << ", " << percent(m.border_seen) << " of its border seen";
        if (piece.layer >= 0 && static_cast<std::size_t>(piece.layer) < plan.dress.layers_seen.size())
            std::cout << ", " << percent(plan.dress.layers_seen[static_cast<std::size_t>(piece.layer)])
                      << " of it seen";
        std::cout << "\n";
    }
}

void say_coverage(const Plan& plan) {
    for (std::size_t s = 0; s < plan.dress.coverage.of_section.size(); ++s)
        if (const double hidden = plan.dress.coverage.of_section[s]; hidden > 0)
            std::cout << "section " << plan.sections.all[s].label << ": " << percent(hidden) << " hidden\n";
    for (const Finding& f : plan.findings)
        if (f.code >= Code::WordsLeftOver) std::cout << f.title << ". " << f.message << "\n";
}

void say_balance(const Project& project, const Plan& plan) {
    const BalanceFacts& b = plan.dress.balance;
    std::cout << "weight: " << percent(b.quarters[0]) << " upper left, " << percent(b.quarters[1])
              << " upper right, " << percent(b.quarters[2]) << " lower left, " << percent(b.quarters[3])
              << " lower right\n";
    if (b.emptiest_radius > 0)
        std::cout << "emptiest: " << format_length(2 * b.emptiest_radius, project.units) << " across at "
                  << format_length(b.emptiest.x, project.units) << ", "
                  << format_length(b.emptiest.y, project.units) << "\n";
    if (b.clusters.empty()) return;
    std::cout << count_of(b.clusters.size(), "cluster", "clusters");
    if (b.angles_deg.size() == 3)
        std::cout << ", the three largest in a triangle of " << std::lround(b.angles_deg[0]) << ", "
                  << std::lround(b.angles_deg[1]) << " and " << std::lround(b.angles_deg[2]) << " deg"
                  << (b.around_photo >= 0 ? " around a photo" : "");
    std::cout << "\n";
}

void say(const Project& project, const Plan& plan) {
    say_words(project, plan);
    say_papers(project, plan);
    say_stitching(project, plan);
    say_titles(project, plan);
    say_holds(project, plan);
    say_coverage(plan);
    say_balance(project, plan);
    const auto missing = missing_of(project, plan);
    std::cout << (missing.empty() ? std::string("nothing is missing") : "missing: " + in_a_row(missing))
              << "\n";
}

Result<void> edit(const DressArgs& a, Project& project, Planner& planner, std::vector<std::string>& moves) {
    for (const auto of : {edit_mats, edit_layers, edit_stitching, edit_embellishments, edit_titles,
                          edit_writings, edit_holds, edit_wet, edit_late_frame, edit_variants})
        if (const auto r = of(a, project); !r) return r;
    if (!a.cure) return {};
    auto cured = cure_coverage(project, [&](const Project& changed) { return planner.shapes(changed); });
    if (!cured) return tl::make_unexpected(cured.error());
    if (cured->moves.empty())
        return fail(ErrorKind::NothingToDo, cured->looked_everywhere
                                                ? "--cure: no small move leaves fewer slivers"
                                                : "--cure: no small move was found in the time there is");
    const auto shapes = planner.shapes(project);
    if (!shapes) return tl::make_unexpected(shapes.error());
    for (const DressMove& m : cured->moves) moves.push_back(label_of(m, dress_now(project, *shapes)));
    project = std::move(cured->project);
    return {};
}

Result<void> draw(const DressArgs& args, const Project& project, const Plan& plan) {
    if (args.picture.empty()) return {};
    Seen seen = Seen::Colour;
    if (!args.seen.empty()) {
        const auto typed = typed_word<Seen>("--seen", args.seen);
        if (!typed) return tl::make_unexpected(typed.error());
        seen = *typed;
    }
    const Painting painting;
    if (!page_picture(project, plan, picture_pixels, seen).save(QString::fromStdString(args.picture), "PNG"))
        return fail(ErrorKind::Unwritable, args.picture + ": the picture could not be written");
    return {};
}

} // namespace

static int run_dress(const DressArgs& args) {
    auto project = read_project(args.project);
    if (!project) return complain(project.error().message);
    const Project before = *project;
    Planner planner;
    std::vector<std::string> moves;
    if (const auto r = edit(args, *project, planner, moves); !r) return complain(r.error().message);
    // Only a picture shows where on its sheet each patch is cut.
    const auto plan = args.picture.empty() ? planner.shapes(*project) : planner.plan(*project);
    if (!plan) return complain(plan.error().message);
    if (const auto r = draw(args, *project, *plan); !r) return complain(r.error().message);
    if (const auto r = save_changes(before, *project, args.project, args.out, args.edits); !r)
        return complain(r.error().message);
    const auto answers = dress_answers(args, *project, *plan, planner);
    if (!answers) return complain(answers.error().message);
    if (args.json) {
        nlohmann::json out = dress_json(*project, *plan);
        out["format"] = "zesty-dress/1";
        if (args.cure) out["moves"] = moves;
        add_answers(*answers, out);
        std::cout << out.dump(1) << "\n";
        return done;
    }
    for (const std::string& move : moves) std::cout << move << "\n";
    say(*project, *plan);
    say_answers(*answers, *project);
    return done;
}

namespace {

CLI::App* add_dress(CLI::App& app, DressArgs& a) {
    auto* c = app.add_subcommand(
        "dress",
        "Photo mats, layers, embellishments, title and words on the page, how it looks, and what is missing");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    c->add_option("--out", a.out, "Write here instead of the project");
    add_paper_options(*c, a);
    add_stitching_options(*c, a);
    add_title_options(*c, a);
    add_writing_options(*c, a);
    add_hold_options(*c, a);
    c->add_option("--picture", a.picture, "Draws the page into this PNG")->group("Look");
    c->add_option("--seen", a.seen, "With --picture: " + all_words<Seen>())->group("Look");
    c->add_flag("--json", a.json, "Print zesty-dress/1");
    add_stash_option(*c);
    needs(*c, {{"--seen", "--picture"}, {"--foot", "--hold"}});
    return c;
}

const Registered<DressArgs> dress_command(7, add_dress, run_dress,
                                          {"--of-photo", "--photo-mat", "--layer", "--stitching",
                                           "--title-number", "--which", "--journaling", "--wet-number",
                                           "--letter-sets", "--what-fits", "--where-fits", "--compare",
                                           "--picture", "--seen", "--foot"});

} // namespace

} // namespace zesty::cli
