// What the planner says about papers: the whole plan, proposals, and why.

#include "core/project/alike.h"
#include "core/project/cure.h"
#include "core/project/findings.h"
#include "core/project/laying.h"
#include "core/project/match_job.h"
#include "core/project/pattern_plan.h"
#include "core/project/planner.h"
#include "core/project/set_aside.h"
#include "core/project/shortlist.h"
#include "core/project/stash_at_hand.h"

#include <algorithm>

namespace zesty {

namespace {

constexpr std::size_t trials_of_a_page = 8;           ///< sizes, lips and methods tried for two papers
constexpr std::size_t large_drawings = 1024UL * 1024; ///< bytes; what is tried with them fills the memory

std::size_t bytes_of_drawings(const Project& project) {
    std::size_t sum = 0;
    for (const auto& file : project.set_out.drawings) sum += file->bytes.size();
    return sum;
}

/// By section, as match numbers them.
std::vector<int> chosen_faces(const Project& project, const Plan& plan) {
    std::vector<int> out;
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s)
        out.push_back(
            face_of(stash_at_hand(project), plan.papers.of_section[s], plan.papers.side_of_section[s]));
    return out;
}

} // namespace

Result<Plan> Planner::plan(const Project& project, const StopToken& stop, const Progress& progress,
                           bool proposed) {
    auto made = shapes(project);
    if (!made) return made;
    Plan plan = std::move(*made);
    use_capacity(project, plan);
    if (!lay_patches(project, plan, capacity_, proposed, stop, progress))
        return fail(ErrorKind::Stopped, "stopped");
    plan.sheets.done = true;
    // Now that it is known where an ombre is cut.
    if (auto alike = alike_neighbours(project, plan); alike != plan.papers.alike) {
        plan.papers.alike = std::move(alike);
        plan.findings = findings_of(project, plan);
        plan.set_aside.clear();
    }
    add_sheet_findings(project, plan, capacity_, stop, [this](const Project& changed) {
        if (!trials_) trials_ = std::make_unique<Planner>(capacity_.memory());
        trials_->remember(bytes_of_drawings(changed) < large_drawings ? trials_of_a_page : 1);
        return trials_->patches(changed);
    });
    offer_other_papers(project, plan);
    offer_small_moves(project, plan);
    part_set_aside(project, plan);
    if (stopped(stop)) return fail(ErrorKind::Stopped, "stopped");
    return plan;
}

void Planner::use_capacity(const Project& project, const Plan& plan) {
    capacity_.use(stash_at_hand(project), plan.papers.sheets, plan.sections.patches, project.sheets.blade_gap,
                  project.seed, patch_patterns(project, plan), project.sheets.reserved);
}

Result<Plan> Planner::ready_to_choose(const Project& project) {
    auto made = shapes(project);
    if (!made) return made;
    if (made->sections.patches.empty())
        return fail(ErrorKind::NothingToDo, "there is no section to choose a paper for");
    if (stash_at_hand(project).papers.empty())
        return fail(ErrorKind::NothingToDo, "there is no paper in the stash to choose from");
    return made;
}

MatchJob Planner::job_for(const Project& project, const Plan& plan, bool keep_chosen) {
    MatchJob job = match_job(project, plan, keep_chosen);
    const auto made = distances_.get(
        looks_of(job.stash),
        [](const std::vector<PaperFace>& sides) -> Result<std::shared_ptr<const FaceDistances>> {
            return distances_of(sides);
        });
    job.distances = **made;
    return job;
}

Result<Assignment> Planner::propose(const Project& project, bool keep_chosen, const StopToken& stop,
                                    const Progress& progress) {
    const Project few = with_shortlist(project);
    const auto plan = ready_to_choose(few);
    if (!plan) return tl::make_unexpected(plan.error());
    use_capacity(few, *plan);
    Assignment out = match(job_for(few, *plan, keep_chosen), capacity_, stop, progress);
    if (few.stash.pointer() != project.stash.pointer())
        for (int& face : out.paper) face = same_face(*few.stash, face, *project.stash);
    return out;
}

Result<std::vector<OfferedPage>> Planner::proposals(const Project& project, bool keep_chosen, int count,
                                                    const StopToken& stop, const Progress& progress,
                                                    const MoodWish& wish) {
    const Project few = with_shortlist(project, {wish.papers.begin(), wish.papers.end()});
    const auto shape = ready_to_choose(few);
    if (!shape) return tl::make_unexpected(shape.error());
    use_capacity(few, *shape);
    MatchJob job = job_for(few, *shape, keep_chosen);
    if (std::any_of(shape->papers.of_section.begin(), shape->papers.of_section.end(),
                    [](int p) { return p >= 0; }))
        job.start = chosen_faces(few, *shape);
    ProposalWish by_number{wish.mood, {}};
    for (const std::string& id : wish.papers)
        if (const int p = job.stash.find(id); p >= 0) by_number.papers.insert(p);
    const auto found =
        zesty::proposals(job, capacity_, count + 1, by_number, stop, [&](double f, const char* what) {
            if (progress) progress(0.9 * f, what);
        });
    std::vector<OfferedPage> out;
    for (const Proposal& p : found) {
        if (static_cast<int>(out.size()) == count) break; // one more was made for one that falls away
        OfferedPage one{with_papers(few, *shape, p.assignment), {}, p.mood, {}};
        one.project.stash = project.stash;
        // Tones are those of the style it was made with: what is on show is what comes of taking it.
        one.project.match.style = p.style;
        auto whole = plan(one.project, stop, {}, true);
        if (!whole) {
            if (out.empty()) return tl::make_unexpected(whole.error());
            break;
        }
        // Tones are asked of an ombre only in the finished page: one that comes out short for it is no
        // choice.
        if (!out.empty() &&
            whole->sheets.short_patches.size() > out.front().plan->sheets.short_patches.size())
            continue;
        one.plan = std::make_shared<const Plan>(std::move(*whole));
        one.reasons = why_page(one.project, *one.plan);
        out.push_back(std::move(one));
    }
    return out;
}

Result<WhyPaper> Planner::why(const Project& project, int section, const StopToken& stop) {
    const Project few = with_shortlist(project);
    auto made = shapes(few);
    if (!made) return tl::make_unexpected(made.error());
    const Plan& plan = *made;
    if (section < 0 || section >= static_cast<int>(plan.sections.all.size()))
        return fail(ErrorKind::BadInput, "there is no such section");
    if (!takes_paper(plan.sections.all[section].treatment))
        return fail(ErrorKind::NothingToDo, "this section gets no paper");
    if (stash_at_hand(project).papers.empty())
        return fail(ErrorKind::NothingToDo, "there is no paper in the stash to choose from");
    use_capacity(few, plan);
    const MatchJob job = job_for(few, plan, true);
    const Choices choices = choices_for(job, capacity_, chosen_faces(few, plan), section, stop);
    if (stopped(stop)) return fail(ErrorKind::Stopped, "stopped");
    WhyPaper out = why_paper(few, plan, job, choices, section);
    for (OtherPaper& other : out.others)
        other.face.paper =
            project.stash->find(few.stash->papers[static_cast<std::size_t>(other.face.paper)].id);
    return out;
}

Project with_papers(const Project& project, const Plan& plan, const Assignment& assignment) {
    Project out = project;
    const std::vector<Face> faces = faces_of(*project.stash);
    for (std::size_t s = 0; s < plan.sections.all.size() && s < assignment.paper.size(); ++s) {
        const Section& section = plan.sections.all[s];
        if (!takes_paper(section.treatment) || out.match.choice(section.id).locked) continue;
        PaperChoice c = out.match.choice(section.id);
        const int face = assignment.paper[s];
        c.paper = face < 0 ? "" : project.stash->papers[faces[face].paper].id;
        c.side = face < 0 ? Side::A : faces[face].side;
        out.match.choose(section.id, std::move(c));
    }
    return out;
}

} // namespace zesty
