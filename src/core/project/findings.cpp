#include "core/project/findings.h"

#include "core/dress/dress.h"
#include "core/match/findings.h"
#include "core/project/fixes.h"
#include "core/project/match_job.h"
#include "core/project/stash_at_hand.h"
#include "core/project/too_large.h"
#include "core/sections/findings.h"
#include "core/sections/fixes.h"
#include "core/sections/photos_behind.h"
#include "core/sentences.h"
#include "core/sheets/findings.h"
#include "core/sheets/fixes.h"

#include <algorithm>
#include <map>
#include <numeric>

namespace zesty {

namespace {

void by_severity(std::vector<Finding>& findings) {
    std::stable_sort(findings.begin(), findings.end(),
                     [](const Finding& a, const Finding& b) { return a.severity() < b.severity(); });
}

Fix giving(const Project& project, const Plan& plan, int section, const WaysOut::Answer& way) {
    const Paper& paper = project.stash->papers[way.paper];
    const Section& to = plan.sections.all[section];
    return {paper.name + (way.side == Side::B ? " B" : "") + " in " + to.label,
            GivePaper{to.id, paper.id, way.side}};
}

Finding short_of(const Project& project, const Plan& plan, int index, WaysOut& ways, const Shapes& shapes) {
    const ShortPatch& s = plan.sheets.short_patches[index];
    const Patch& patch = plan.sections.patches[s.patch];
    const Section& section = plan.sections.all[s.section];
    Finding f{.code = Code::Short,
              .title = std::to_string(patch.opening + 1) + " does not fit on " +
                       project.stash->papers[plan.papers.of_section[s.section]].name,
              .message = sentence(s.reason),
              .where = plan.middle_of(patch.opening),
              .openings = {patch.opening},
              .about = index};
    const Spot opening = plan.sections.spots[patch.opening];
    if (project.sheets.pins.contains(opening)) f.fixes.emplace_back("Unpin it", Unpin{opening});
    const auto answer = ways.another_paper(s.section, true);
    if (answer.paper >= 0)
        f.fixes.push_back(giving(project, plan, s.section, answer));
    else if (answer.searched)
        f.message += " No other paper has room for it either.";
    const auto& others = ways.other_ways(s.section, shapes);
    f.fixes.insert(f.fixes.end(), others.begin(), others.end());
    if (!ways.fits_alone(s.patch, plan.papers.of_section[s.section]))
        for (Fix& way : ways_for_large(project, plan, s.patch, plan.papers.of_section[s.section]))
            if (ways.works(way, s.section, shapes)) f.fixes.push_back(std::move(way));
    f.fixes.emplace_back("Leave " + section.label + " open", SetTreatment{section.id, Treatment::Open});
    return f;
}

void about_short(const Project& project, const Plan& plan, WaysOut& ways, const Shapes& shapes,
                 const std::vector<int>& too_large, std::vector<Finding>& out) {
    // The worst first: where there is no time to look for all of them, the small ones go without.
    std::vector<int> order(plan.sheets.short_patches.size());
    std::iota(order.begin(), order.end(), 0);
    const auto area_of = [&](int i) {
        return plan.sections.patches[plan.sheets.short_patches[i].patch].paper_area();
    };
    std::stable_sort(order.begin(), order.end(), [&](int a, int b) { return area_of(a) > area_of(b); });
    for (const int i : order) {
        const int section = plan.sheets.short_patches[i].section;
        if (plan.papers.of_section[section] < 0 ||
            std::find(too_large.begin(), too_large.end(), section) != too_large.end())
            continue;
        ways.begin_finding();
        out.push_back(short_of(project, plan, i, ways, shapes));
    }
}

/// Sections that have no paper although the program may have looked for one: whether any has room for them.
void explain_bare(const Project& project, Plan& plan, WaysOut& ways, const std::vector<int>& too_large) {
    if (stash_at_hand(project).papers.empty()) return; // that is said already
    std::vector<int> without_room;
    std::vector<int> free;
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s) {
        const int section = static_cast<int>(s);
        if (!takes_paper(plan.sections.all[s].treatment) || plan.papers.of_section[s] >= 0 ||
            std::find(too_large.begin(), too_large.end(), section) != too_large.end())
            continue;
        ways.begin_finding();
        const auto answer = ways.another_paper(section, true);
        (answer.paper >= 0 || !answer.searched ? free : without_room)
            .push_back(plan.sections.all[s].openings.front());
    }
    for (Finding& f : plan.findings) {
        if (f.code != Code::NoPaper) continue;
        if (free.empty() && without_room.empty()) f.title.clear(); // all of them are too large
        if (without_room.empty()) continue;
        f.openings = without_room;
        f.openings.insert(f.openings.end(), free.begin(), free.end());
        f.message =
            "No paper has room left for " + numbers(without_room) +
            ": leave them open, give another section a paper with more left, or add paper in the drawer.";
        for (const int o : without_room) {
            const Section& section = plan.sections.all[plan.sections.of_opening[o]];
            f.fixes.emplace_back("Leave " + section.label + " open",
                                 SetTreatment{section.id, Treatment::Open});
            if (f.fixes.size() == 3) break;
        }
    }
    std::erase_if(plan.findings, [](const Finding& f) { return f.code == Code::NoPaper && f.title.empty(); });
}

bool touch(const Plan& plan, int a, int b) {
    return std::any_of(plan.sections.neighbours.begin(), plan.sections.neighbours.end(),
                       [&](const Neighbours& n) { return (n.a == a && n.b == b) || (n.a == b && n.b == a); });
}

/// How many sections with paper, up to four, all lie beside each other, these two among them.
std::size_t meeting(const Plan& plan, int a, int b) {
    std::vector<int> both;
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s) {
        const int i = static_cast<int>(s);
        if (i != a && i != b && plan.papers.of_section[s] >= 0 && touch(plan, i, a) && touch(plan, i, b))
            both.push_back(i);
    }
    for (int c : both)
        for (int d : both)
            if (c < d && touch(plan, c, d)) return 4;
    return both.empty() ? 2 : 3;
}

/// Says for every pair that stays alike what would part it, or why nothing does.
void explain_alike(const Project& project, Plan& plan, WaysOut& ways) {
    for (Finding& f : plan.findings) {
        if (f.code != Code::Alike) continue;
        const Neighbours& n = plan.sections.neighbours[f.about];
        ways.begin_finding();
        const auto a = ways.another_paper(n.a, false);
        if (a.paper >= 0) {
            f.fixes = {giving(project, plan, n.a, a)};
            continue;
        }
        const auto b = ways.another_paper(n.b, false);
        if (b.paper >= 0) {
            f.fixes = {giving(project, plan, n.b, b)};
            continue;
        }
        if (const std::size_t all = meeting(plan, n.a, n.b); all > plan.papers.uses.size()) {
            f.message += " " + std::to_string(all) + " sections meet here, and " +
                         there_are(plan.papers.uses.size(), "paper", "papers") +
                         ": two of them must be alike.";
            continue;
        }
        if (!a.searched || !b.searched) continue;
        std::vector<std::string> why;
        if (const auto n_beside = static_cast<std::size_t>(std::min(a.beside, b.beside)))
            why.push_back(count_of(n_beside, "other paper lies beside them already",
                                   "other papers lie beside them already"));
        if (const auto full = static_cast<std::size_t>(std::max(a.without_room, b.without_room)))
            why.push_back(count_of(full, "other paper has no room left", "other papers have no room left"));
        if (!why.empty()) f.message += " " + in_a_row(why) + ".";
    }
}

/// Papers that came with the page and are not in the stash that is open.
void about_own_papers(const Stash& stash, std::vector<Finding>& out) {
    std::vector<std::string> names;
    for (const Paper& p : stash.papers)
        if (stash.is_open && !p.in_stash) names.push_back(p.name);
    if (names.empty()) return;
    out.push_back(
        {.code = Code::NotInStash,
         .title = count_of(names.size(), "paper is", "papers are") + " not in your stash",
         .message = in_a_row(names) + (names.size() == 1 ? " comes" : " come") +
                    " with this page alone: counted as when it was saved.",
         .fixes = {{names.size() == 1 ? "Add it to your stash" : "Add them to your stash", AddToStash{}}}});
}

/// Sheets that patches were pinned to and that another page has used up.
void about_lost_sheets(const Project& project, const Plan& plan, std::vector<Finding>& out) {
    std::map<std::string, std::vector<int>> lost;
    for (const auto& [spot, pin] : project.sheets.pins) {
        const bool there = std::any_of(plan.papers.sheets.begin(), plan.papers.sheets.end(),
                                       [&, &id = pin.sheet](const Sheet& s) { return s.id == id; });
        const auto at = std::find(plan.sections.spots.begin(), plan.sections.spots.end(), spot);
        if (!there && at != plan.sections.spots.end())
            lost[pin.sheet].push_back(static_cast<int>(at - plan.sections.spots.begin()));
    }
    for (const auto& [sheet, openings] : lost)
        out.push_back({.code = Code::LostSheet,
                       .title = "The sheet " + sheet + " is not there any more",
                       .message = "The place of " + numbers(openings) +
                                  " was pinned to it; it is found anew on what is left.",
                       .where = plan.middle_of(openings.front()),
                       .openings = openings,
                       .fixes = {{"Unpin", UnpinFrom{sheet}}}});
}

} // namespace

// What the fixes of each stage change.
SetOutDecisions& set_out_in(Project& project) {
    return project.set_out;
}
SectionDecisions& sections_in(Project& project) {
    return project.sections;
}
MatchDecisions& match_in(Project& project) {
    return project.match;
}
SheetDecisions& sheets_in(Project& project) {
    return project.sheets;
}
DressDecisions& dress_in(Project& project) {
    return project.dress;
}

PapersNow papers_now(const Project& project, const Plan& plan) {
    return {stash_at_hand(project), project.match,        project.set_out.photos, plan.set_out.photo_colours,
            project.set_out.page,   project.set_out.cuts, plan.sections,          plan.papers,
            plan.set_out.whole,     project.units};
}

DressNow dress_now(const Project& project, const Plan& plan) {
    return {project.dress,
            project.set_out,
            plan.set_out.whole,
            plan.sections,
            stash_at_hand(project),
            plan.papers,
            plan.set_out.photo_colours,
            project.units,
            plan.dress.bar_places.get(),
            project.sections.backing.foam_width,
            &project.keep.had};
}

std::vector<Finding> findings_of(const Project& project, const Plan& plan) {
    std::vector<Finding> out = plan.set_out.whole.findings;
    const auto add = [&](const std::vector<Finding>& more) {
        out.insert(out.end(), more.begin(), more.end());
    };
    add(plan.set_out.frame.findings);
    add(plan.set_out.photo_findings);
    about_own_papers(stash_at_hand(project), out);
    if (plan.sections.cut) {
        const SetOut& set_out = plan.set_out.whole;
        add(section_findings({project.sections, plan.sections, set_out, project.units}));
        add(photo_behind_findings(project.set_out, plan.sections, set_out, project.units));
        add(paper_findings(papers_now(project, plan), [&] { return match_job(project, plan, true); }));
    }
    add(dress_findings(dress_now(project, plan), plan.dress));
    by_severity(out);
    return out;
}

void add_sheet_findings(const Project& project, Plan& plan, Capacity& capacity, const StopToken& stop,
                        const Shapes& shapes) {
    if (!plan.sections.cut) return;
    WaysOut ways(project, plan, capacity, stop);
    explain_alike(project, plan, ways);
    const std::vector<int> large = larger_than_every_sheet(project, plan, capacity);
    for (const int section : large)
        plan.findings.push_back(too_large(project, plan, capacity, section, shapes));
    about_short(project, plan, ways, shapes, large, plan.findings);
    explain_bare(project, plan, ways, large);
    about_lost_sheets(project, plan, plan.findings);
    const auto reserved =
        reserved_findings(project.sheets, plan.sheets, stash_at_hand(project), project.units);
    plan.findings.insert(plan.findings.end(), reserved.begin(), reserved.end());
    by_severity(plan.findings);
}

} // namespace zesty
