#include "core/project/why.h"

#include "core/match/photo_findings.h"
#include "core/project/findings.h"
#include "core/project/match_job.h"
#include "core/sentences.h"
#include "core/stash/side_names.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

namespace zesty {

namespace {

struct Objection {
    std::string full;
    std::string brief;
};

Objection words_for(const Plan& plan, const CostTerm& term) {
    const std::string other = term.other >= 0 ? plan.sections.all[term.other].label : std::string();
    switch (term.kind) {
    case CostTerm::Kind::Alike:
        return {"beside " + other + ", which has it too", "beside it in " + other};
    case CostTerm::Kind::Similar:
        return {"much like what is in " + other, "much like " + other};
    case CostTerm::Kind::Apart:
        return {"must not meet what is in " + other, "must not meet " + other};
    case CostTerm::Kind::Across:
        return {"stripes across those in " + other, "stripes across " + other};
    case CostTerm::Kind::Near:
        return {"close to " + other + ", much the same colour", "close to " + other};
    case CostTerm::Kind::Mat:
        return {"much like the photo mat beside it", "much like the photo mat"};
    case CostTerm::Kind::Tone:
        return {"not the tone of this place", "another tone"};
    case CostTerm::Kind::Pattern:
        return {"pattern large for so small an opening", "pattern too large"};
    case CostTerm::Kind::Behind:
        return {"little contrast with the cut or the base", "little contrast"};
    case CostTerm::Kind::Photo:
        break;
    }
    return {"much the colour of the photo beside it", "the photo's colour"};
}

/// What speaks for a paper is what does not speak against it.
std::vector<std::string> in_favour(const Project& project, const Plan& plan, const Choices& choices,
                                   int section) {
    const auto against = [&](CostTerm::Kind kind) {
        return std::any_of(choices.terms.begin(), choices.terms.end(),
                           [&](const CostTerm& t) { return t.kind == kind && t.amount > 1; });
    };
    std::vector<std::string> out;
    if (project.match.choice(plan.sections.all[section].id).locked) out.emplace_back("given by hand");
    if (!against(CostTerm::Kind::Alike) && !against(CostTerm::Kind::Similar) && !against(CostTerm::Kind::Mat))
        out.emplace_back("differs from every neighbour");
    const Face face{plan.papers.of_section[section], plan.papers.side_of_section[section]};
    const Pattern pattern = project.stash->papers[face.paper].face(face.side).pattern;
    if (pattern != Pattern::Solid && !against(CostTerm::Kind::Pattern))
        out.emplace_back("the pattern is readable at this size");
    if (project.match.style.drift > 0.3 && !against(CostTerm::Kind::Tone))
        out.emplace_back("has the tone of this place");
    const auto uses = static_cast<std::size_t>(
        std::count(plan.papers.of_section.begin(), plan.papers.of_section.end(), face.paper));
    if (uses >= 3) out.push_back("comes back in " + count_of(uses, "place", "places"));
    if (const auto role = project.match.roles.find(project.stash->papers[face.paper].id);
        role != project.match.roles.end() && role->second != PaperRole::Spare)
        out.emplace_back(role->second == PaperRole::UseUp ? "is to be used up" : "ties the page together");
    return out;
}

} // namespace

WhyPaper why_paper(const Project& project, const Plan& plan, const MatchJob& job, const Choices& choices,
                   int section) {
    WhyPaper out;
    const int paper = plan.papers.of_section[section];
    if (paper >= 0) {
        out.paper = name_and_side(project.stash->papers[paper], plan.papers.side_of_section[section]);
        out.reasons = in_favour(project, plan, choices, section);
        for (const CostTerm& t : choices.terms)
            if (t.amount > 1) out.reasons.push_back("but " + words_for(plan, t).full);
    }
    const std::vector<Face> faces = faces_of(job.stash);
    for (const Alternative& a : choices.others) {
        OtherPaper other{faces[a.face], {}, a.room, a.never, a.worse};
        other.words = a.never                                     ? "ruled out here"
                      : !a.room                                   ? "no room"
                      : !a.terms.empty() && a.terms[0].amount > 1 ? words_for(plan, a.terms[0]).brief
                      : a.worse < -0.5                            ? "better still"
                      : a.worse < 1                               ? "just as well"
                                                                  : "less well spread";
        out.others.push_back(std::move(other));
    }
    return out;
}

std::vector<std::string> why_page(const Project& project, const Plan& plan) {
    std::vector<std::string> out;
    std::size_t scraps = 0;
    for (const UsedSheet& u : plan.sheets.used)
        scraps += plan.papers.sheets[u.sheet].kind <= SheetKind::Offcut;
    out.push_back(
        count_of(plan.sheets.used.size(), "sheet", "sheets") +
        (scraps ? ", " + std::to_string(scraps) + (scraps == 1 ? " a scrap" : " of them scraps") : ""));
    if (!plan.sheets.short_patches.empty())
        out.push_back(count_of(plan.sheets.short_patches.size(), "patch short", "patches short"));
    out.push_back(plan.papers.alike.empty()
                      ? "no neighbours alike"
                      : count_of(plan.papers.alike.size(), "pair alike", "pairs alike"));
    std::map<std::pair<int, Side>, std::size_t> uses;
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s)
        if (plan.papers.of_section[s] >= 0)
            ++uses[{plan.papers.of_section[s], plan.papers.side_of_section[s]}];
    if (uses.empty()) return out;
    const auto most = std::max_element(uses.begin(), uses.end(),
                                       [](const auto& a, const auto& b) { return a.second < b.second; });
    const auto thrice = static_cast<std::size_t>(
        std::count_if(uses.begin(), uses.end(), [](const auto& u) { return u.second >= 3; }));
    std::set<int> papers;
    for (const auto& use : uses) papers.insert(use.first.first);
    out.push_back(count_of(papers.size(), "paper", "papers") +
                  (uses.size() > papers.size() ? ", " + std::to_string(uses.size()) + " sides" : "") + ", " +
                  std::to_string(thrice) + " in three places or more");
    if (std::any_of(plan.set_out.photo_colours.begin(), plan.set_out.photo_colours.end(),
                    [](const PhotoColours& p) { return !p.palette.empty(); })) {
        const auto picked = picked_up(papers_now(project, plan), match_job(project, plan, true));
        const std::vector<std::string> two(picked.begin(),
                                           picked.begin() + std::min<std::ptrdiff_t>(2, std::ssize(picked)));
        if (!two.empty()) out.push_back("picks up the photo's " + in_a_row(two));
    }
    out.push_back("most of all " +
                  brief_name_and_side(project.stash->papers[most->first.first], most->first.second));
    return out;
}

} // namespace zesty
