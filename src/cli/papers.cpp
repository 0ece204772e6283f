#include "cli/at_hand.h"
#include "cli/command.h"
#include "cli/deadline.h"
#include "cli/painting.h"
#include "cli/papers_args.h"
#include "cli/papers_edit.h"
#include "cli/reserve_edit.h"
#include "cli/typed.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"
#include "core/stash/side_names.h"
#include "io/paint/page_painter.h"
#include "io/project_file.h"

#include <QDir>
#include <cmath>
#include <iostream>
#include <nlohmann/json.hpp>

namespace zesty::cli {

namespace {

using nlohmann::json;

struct Answers {
    std::vector<OfferedPage> proposals;
    std::optional<WhyPaper> why;
};

Result<void> write_pictures(const std::string& folder, const std::vector<OfferedPage>& proposals) {
    const QDir to(QString::fromStdString(folder));
    if (!to.mkpath(".")) return fail(ErrorKind::Unwritable, folder + ": the folder cannot be made");
    const Painting painting;
    for (std::size_t i = 0; i < proposals.size(); ++i) {
        const QString path = to.filePath(QString("proposal-%1.png").arg(i + 1));
        if (!page_picture(proposals[i].project, *proposals[i].plan, 900).save(path))
            return fail(ErrorKind::Unwritable, path.toStdString() + ": the picture cannot be written");
    }
    return {};
}

/// Works out what is asked; a proposal that is taken changes the project.
Result<Answers> answer(const PapersArgs& args, Planner& planner, Project& project) {
    Answers out;
    if (args.proposals == 0 && !args.take_proposal && !(args.mood.empty() && args.like_papers.empty()))
        return fail(ErrorKind::BadInput, "--mood and --with-papers need --proposals or --take-proposal");
    const int count = std::max(args.proposals, args.take_proposal ? std::max(3, args.take_proposal) : 0);
    if (count > 0) {
        const Deadline deadline(args.seconds);
        MoodWish wish;
        if (!args.mood.empty()) {
            const auto mood = typed_word<Mood>("--mood", args.mood);
            if (!mood) return tl::make_unexpected(mood.error());
            wish.mood = *mood;
        }
        if (!args.like_papers.empty())
            for (const std::string& id : split(args.like_papers, ',')) {
                if (stash_at_hand(project).find(id) < 0)
                    return fail(ErrorKind::BadInput, "--with-papers: there is no paper \"" + id + "\"");
                wish.papers.insert(id);
            }
        auto made = planner.proposals(project, false, count, deadline.token(), {}, wish);
        if (!made && made.error().kind == ErrorKind::Stopped)
            return fail(ErrorKind::Stopped, "no proposal is ready within " +
                                                std::to_string(std::lround(args.seconds)) +
                                                " s; give it longer with --seconds");
        if (!made) return tl::make_unexpected(made.error());
        out.proposals = std::move(*made);
        if (args.take_proposal > static_cast<int>(out.proposals.size()))
            return fail(ErrorKind::BadInput,
                        "--take-proposal: " +
                            there_are(out.proposals.size(), "proposal that is", "proposals that are") +
                            " clearly different");
        if (args.take_proposal) {
            const Project& taken = out.proposals[args.take_proposal - 1].project;
            if (taken == project)
                return fail(ErrorKind::NothingToDo,
                            "--take-proposal: it gives no section another paper; zesty plan says what fits "
                            "on no sheet and why");
            project = taken;
        }
        if (!args.proposal_pictures.empty())
            if (auto r = write_pictures(args.proposal_pictures, out.proposals); !r)
                return tl::make_unexpected(r.error());
    }
    if (args.why.empty()) return out;
    const auto plan = planner.shapes(project);
    if (!plan) return tl::make_unexpected(plan.error());
    const auto numbers = typed_numbers("--why", args.why, static_cast<int>(plan->sections.spots.size()));
    if (!numbers) return tl::make_unexpected(numbers.error());
    auto why = planner.why(project, plan->sections.of_opening[numbers->front()]);
    if (!why) return tl::make_unexpected(why.error());
    out.why = std::move(*why);
    return out;
}

json face_json(const Project& project, const Face& face) {
    return {{"paper", project.stash->papers[face.paper].id}, {"side", name_of(face.side)}};
}

json answers_json(const Project& project, const Plan& plan, const Answers& answers) {
    json out{{"format", "zesty-papers/1"}, {"sections", json::array()}};
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s) {
        const int paper = plan.papers.of_section[s];
        json one{{"label", plan.sections.all[s].label},
                 {"paper", nullptr},
                 {"locked", project.match.choice(plan.sections.all[s].id).locked}};
        if (paper >= 0) one.update(face_json(project, {paper, plan.papers.side_of_section[s]}));
        out["sections"].push_back(one);
    }
    for (const OfferedPage& p : answers.proposals) {
        json papers = json::array();
        for (std::size_t s = 0; s < p.plan->sections.all.size(); ++s) {
            const int paper = p.plan->papers.of_section[s];
            papers.push_back(paper < 0 ? json(nullptr)
                                       : face_json(p.project, {paper, p.plan->papers.side_of_section[s]}));
        }
        out["proposals"].push_back({{"mood", name_of(p.mood)},
                                    {"reasons", p.reasons},
                                    {"short", p.plan->sheets.short_patches.size()},
                                    {"alike", p.plan->papers.alike.size()},
                                    {"sheets", p.plan->sheets.used.size()},
                                    {"papers", papers}});
    }
    if (!answers.why) return out;
    json others = json::array();
    for (const OtherPaper& o : answers.why->others) {
        json one = face_json(project, o.face);
        one.update({{"room", o.room}, {"ruled_out", o.never}, {"worse", o.worse}, {"words", o.words}});
        others.push_back(one);
    }
    out["why"] = {{"paper", answers.why->paper}, {"reasons", answers.why->reasons}, {"others", others}};
    return out;
}

void print(const Project& project, const Plan& plan, const Answers& answers) {
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s) {
        const Section& section = plan.sections.all[s];
        const int paper = plan.papers.of_section[s];
        std::cout << section.label << ": ";
        if (paper < 0) {
            std::cout << (takes_paper(section.treatment) ? "no paper yet" : name_of(section.treatment))
                      << "\n";
            continue;
        }
        const Paper& info = project.stash->papers[paper];
        std::cout << name_and_side(info, plan.papers.side_of_section[s])
                  << (project.match.choice(section.id).locked ? ", locked" : "") << "\n";
    }
    int number = 0;
    for (const OfferedPage& p : answers.proposals) {
        std::cout << "proposal " << ++number << ", " << name_of(p.mood) << ":";
        for (std::size_t r = 0; r < p.reasons.size(); ++r) std::cout << (r ? "; " : " ") << p.reasons[r];
        std::cout << "\n";
    }
    if (!answers.why) return;
    if (!answers.why->paper.empty()) std::cout << "why " << answers.why->paper << ":\n";
    for (const std::string& reason : answers.why->reasons) std::cout << "  " << reason << "\n";
    std::cout << "what else:\n";
    for (const OtherPaper& o : answers.why->others) {
        const Paper& paper = project.stash->papers[o.face.paper];
        std::cout << "  " << name_and_side(paper, o.face.side) << ": " << o.words << "\n";
    }
}

} // namespace

static int run(const PapersArgs& args) {
    auto project = read_project(args.project);
    if (!project) return complain(project.error().message);
    const Project before = *project;
    if (args.seed) project->seed = *args.seed;
    Planner planner;
    if (const auto r = edit_papers(args, *project, planner); !r) return complain(r.error().message);
    if (const auto r = edit_reserved(args, *project); !r) return complain(r.error().message);
    const auto answers = answer(args, planner, *project);
    if (!answers) return complain(answers.error().message);
    const auto plan = planner.plan(*project);
    if (!plan) return complain(args.project + ": " + plan.error().message);
    if (const auto r = save_changes(before, *project, args.project, args.out, args.edits); !r)
        return complain(r.error().message);
    if (args.json)
        std::cout << answers_json(*project, *plan, *answers).dump(1) << "\n";
    else
        print(*project, *plan, *answers);
    return exit_code(*plan);
}

namespace {

void add_proposals(CLI::App* c, PapersArgs& a) {
    c->add_option("--proposals", a.proposals, "Works out this many clearly different proposals")
        ->check(CLI::Range(1, 5));
    c->add_option("--take-proposal", a.take_proposal, "Takes the proposal with this number")
        ->check(CLI::Range(1, 5));
    c->add_option("--cut-colour", a.cut_colour,
                  "What a cut is made of, in words or as #rrggbb: 1:muted teal, none");
    c->add_option("--edge-colour", a.edge_colour, "Its edges coloured by hand: 1:dark brown, none");
    c->add_option("--mood", a.mood,
                  "What the proposals are to be like: with the photo, quiet, bold, warm, cool, "
                  "few papers, many papers, scraps first, more drift, more scattered");
    c->add_option("--with-papers", a.like_papers, "Proposals with these papers alone: barley,gull-print");
    c->add_option("--proposal-pictures", a.proposal_pictures, "Folder for a picture of each");
}

CLI::App* add_papers(CLI::App& app, PapersArgs& a) {
    auto* c = app.add_subcommand("papers", "Say which paper goes where, compare proposals and ask why");
    c->add_option("PROJECT", a.project, ".zesty file")->required();
    add_stash_option(*c);
    c->add_option("--out", a.out, "Write here instead of the project");
    const auto one = [&](const char* option, auto& to, const char* says, const char* group) {
        c->add_option(option, to, says)->group(group);
    };
    one("--give", a.give, "4,5:hedge-stripe, or 4:hedge-stripe:B for its other side", "Sections");
    one("--take-away", a.take, "Takes the papers away: 4,5", "Sections");
    one("--lock", a.keep, "Proposals leave these papers alone: 4,5", "Sections");
    one("--unlock", a.loose, "Proposals may change these again", "Sections");
    one("--never", a.never, "Papers a section must not get: 4:barley,brick-dust", "Sections");
    one("--allow", a.allow, "Papers it may get again: 4:barley", "Sections");
    one("--same-as", a.same_as, "7:4 gives 7 whatever paper 4 gets", "Sections");
    one("--facing", a.facing, "7:4 the same, with its stripes slanting the other way", "Sections");
    one("--own", a.own, "A paper of their own again: 7", "Sections");
    one("--apart", a.apart, "Papers that must not lie side by side: barley,brick-dust", "Papers");
    one("--together", a.together, "Papers that may lie side by side again", "Papers");
    one("--role", a.role, "hedge-stripe:tie; use-up, spare, tie or none", "Papers");
    one("--base-paper", a.base_paper, "Paper of the base; none for one that is not in the stash", "Papers");
    one("--cut-paper", a.cut_paper, "2:gull-print makes the second cut of it; 2:none undoes that", "Papers");
    c->add_flag("--gut", a.gut, "Cut the middle out of the frame and use it")->group("Papers");
    c->add_flag("--no-gut", a.no_gut, "Leave the frame whole")->group("Papers");
    c->add_flag("--under-photos", a.under_photos, "Use what of the base lies under photos")->group("Papers");
    c->add_flag("--not-under-photos", a.not_under_photos, "Leave what lies under photos in place")
        ->group("Papers");
    one("--slants", a.slants, "parallel:35, facing:35 or free: how stripes slant on the page", "Patterns");
    one("--slant", a.slant, "4:35 for one section, in degrees clockwise from level", "Patterns");
    one("--tone", a.tone, "4:0.3: how far from the light end an ombre is cut", "Patterns");
    one("--motif", a.motif, "4:40x60mm brings that point of the pattern to the middle of the opening",
        "Patterns");
    one("--run-on", a.run_on, "The pattern runs on from patch to patch: 4,7", "Patterns");
    one("--reset-pattern", a.reset_pattern, "Resets slant, tone, motif and running on: 4", "Patterns");
    add_number(*c, "--drift", a.drift, "0 scatters papers over the page, 1 lets light drift into dark",
               drift_limits)
        ->group("Colours");
    one("--light", a.light, "Where the light end is: top, bottom, left or right", "Colours");
    one("--map", a.map, "What drift follows: gradient, zones or background", "Colours");
    one("--zones", a.zones, "Colours from the light end on: #f0e0b0,#3050a0", "Colours");
    one("--weight", a.weight, "differ, spread, pattern, behind, photo or thrift: spread:1.5, from 0 to 2",
        "Colours");
    one("--pin", a.pin, "4 where it lies now, or 4:sheet:rotation:x,y", "Sheets");
    one("--unpin", a.unpin, "4,5 or all", "Sheets");
    one("--reserve", a.reserve_for, "OTHER.zesty, whose pieces are to fit on what is left; or PAPERS.stash",
        "Sheets");
    one("--stop-reserving", a.stop_reserving, "The name of a page, or all", "Sheets");
    one("--reserve-size", a.reserve_size, "barley:6x8in keeps such a rectangle, barley:none does not",
        "Sheets");
    add_proposals(c, a);
    c->add_option("--why", a.why, "Why the section has its paper, and what else: 4");
    c->add_option("--seed", a.seed, "Another seed gives other proposals");
    add_number(*c, "--seconds", a.seconds, "Longest time in seconds (20)", {0, 3600});
    c->add_flag("--json", a.json, "Print zesty-papers/1");
    either(*c, {{"--gut", "--no-gut"}, {"--under-photos", "--not-under-photos"}});
    return c;
}

const Registered<PapersArgs> papers_command(5, add_papers, run,
                                            {"--proposals", "--mood", "--with-papers", "--proposal-pictures",
                                             "--why"});

} // namespace

} // namespace zesty::cli
