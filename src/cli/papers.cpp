#include "cli/commands.h"
#include "cli/deadline.h"
#include "cli/painting.h"
#include "cli/papers_edit.h"
#include "cli/reserve_edit.h"
#include "cli/typed.h"
#include "core/stash/side_names.h"
#include "io/paint/page_painter.h"
#include "io/project_file.h"

#include <QDir>
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
    const int count = std::max(args.proposals, args.take_proposal ? std::max(3, args.take_proposal) : 0);
    if (count > 0) {
        const Deadline deadline(args.seconds);
        auto made = planner.proposals(project, false, count, deadline.token());
        if (!made) return tl::make_unexpected(made.error());
        out.proposals = std::move(*made);
        if (args.take_proposal > static_cast<int>(out.proposals.size()))
            return fail(ErrorKind::BadInput, "--take-proposal: there are " +
                                                 std::to_string(out.proposals.size()) +
                                                 " that are clearly different");
        if (args.take_proposal) project = out.proposals[args.take_proposal - 1].project;
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
        out["proposals"].push_back({{"idea", name_of(p.idea)},
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
        std::cout << "proposal " << ++number << ", " << name_of(p.idea) << ":";
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

int run(const PapersArgs& args) {
    auto project = open_project(QString::fromStdString(args.project));
    if (!project) return complain(project.error().message);
    const Project before = *project;
    if (args.seed) project->seed = *args.seed;
    Planner planner;
    if (const auto r = edit_papers(args, *project, planner); !r) return complain(r.error().message);
    if (const auto r = edit_reserved(args, *project); !r) return complain(r.error().message);
    const auto answers = answer(args, planner, *project);
    if (!answers) return complain(answers.error().message);
    const auto plan = planner.shapes(*project);
    if (!plan) return complain(args.project + ": " + plan.error().message);
    if (const auto r = save_changes(before, *project, args.project, args.out); !r)
        return complain(r.error().message);
    if (args.json)
        std::cout << answers_json(*project, *plan, *answers).dump(1) << "\n";
    else
        print(*project, *plan, *answers);
    return plan->has_problems() ? problems : done;
}

} // namespace zesty::cli
