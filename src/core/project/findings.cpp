#include "core/project/findings.h"

#include "core/project/colour_findings.h"
#include "core/project/later.h"
#include "core/project/section_findings.h"
#include "core/sentences.h"

#include <algorithm>
#include <numeric>

namespace zesty {

namespace {

void by_severity(std::vector<Finding>& findings) {
    std::stable_sort(findings.begin(), findings.end(),
                     [](const Finding& a, const Finding& b) { return a.severity < b.severity; });
}

void about_the_drawing(const Plan& plan, std::vector<Finding>& out) {
    for (const std::string& w : plan.sections.cut->warnings)
        out.push_back({"drawing", Severity::Note, "About the drawing", w, std::nullopt, {}, {}, {}});
}

void about_lips(const Project& project, const Plan& plan, std::vector<Finding>& out) {
    std::vector<int> narrow;
    const Patch* worst = nullptr;
    for (const Patch& p : plan.sections.patches) {
        const bool lipless = p.method == BackingMethod::Inlay || p.method == BackingMethod::CutFrom ||
                             p.border > 0 || plan.sections.cut_of_opening[p.opening] < 0;
        if (p.lip >= p.lip_wanted - 0.1 || lipless) continue;
        narrow.push_back(p.opening);
        if (!worst || p.lip < worst->lip) worst = &p;
    }
    if (!worst) return;
    Finding f;
    f.code = "narrow-lip";
    f.severity = worst->lip < 0.8 ? Severity::Advice : Severity::Note;
    f.title = "Smallest lip " + format_mm(worst->lip) + ", opening " + std::to_string(worst->opening + 1);
    f.message = count_of(narrow.size(), "patch gets", "patches get") + " less than the " +
                format_length(project.sections.lip, project.units) +
                " wanted, because the bars are no wider" +
                (worst->lip < 0.8 ? "; glue there with a fine tip or an adhesive sheet." : ".");
    f.where = plan.middle_of(worst->opening);
    f.openings = narrow;
    out.push_back(std::move(f));
}

void about_choices(const Project& project, const Plan& plan, std::vector<Finding>& out) {
    std::vector<int> bare;
    std::vector<int> gone;
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s) {
        const Section& section = plan.sections.all[s];
        if (!takes_paper(section.treatment) || plan.papers.of_section[s] >= 0) continue;
        (project.match.choice(section.id).paper.empty() ? bare : gone).push_back(section.openings.front());
    }
    if (!gone.empty())
        out.push_back({"lost-paper",
                       Severity::Problem,
                       "A paper is not in the stash any more",
                       "The paper chosen for " + numbers(gone) + " cannot be found; choose another.",
                       plan.middle_of(gone.front()),
                       gone,
                       {},
                       {}});
    if (!project.stash || project.stash->papers.empty()) {
        out.push_back({"no-stash",
                       Severity::Note,
                       "No paper at hand",
                       "Open a stash in the drawer to choose papers from.",
                       std::nullopt,
                       {},
                       {},
                       {}});
    } else if (!bare.empty()) {
        out.push_back({"no-paper",
                       Severity::Note,
                       count_of(bare.size(), "section has", "sections have") + " no paper yet",
                       "Drag papers there from the drawer, or let the program propose.",
                       plan.middle_of(bare.front()),
                       bare,
                       {},
                       {}});
    }
}

void about_alike(const Project& project, const Plan& plan, std::vector<Finding>& out) {
    for (int i : plan.papers.alike) {
        const Neighbours& n = plan.sections.neighbours[i];
        const Paper& paper = project.stash->papers[plan.papers.of_section[n.a]];
        out.push_back({"alike",
                       Severity::Advice,
                       plan.sections.all[n.a].label + " and " + plan.sections.all[n.b].label + " are both " +
                           paper.name,
                       n.width > 0 ? "They share a bar of " + format_length(n.width, project.units) + "."
                                   : "They meet without a bar between them.",
                       (n.from + n.to) * 0.5,
                       {plan.sections.all[n.a].openings.front(), plan.sections.all[n.b].openings.front()},
                       {},
                       {}});
    }
}

void offer(Finding& f, const Project& project, const Plan& plan, int section, const WaysOut::Answer& way) {
    const Paper& paper = project.stash->papers[way.paper];
    f.fix = GivePaper{plan.sections.all[section].id, paper.id, way.side};
    f.fix_label = paper.name + (way.side == Side::B ? " B" : "") + " in " + plan.sections.all[section].label;
}

bool is_pinned(const Project& project, const Plan& plan, int opening) {
    return project.sheets.pins.contains(plan.sections.spots[opening]);
}

void about_short(const Project& project, const Plan& plan, WaysOut& ways, const Shapes& shapes,
                 std::vector<Finding>& out) {
    for (const ShortPatch& s : plan.sheets.short_patches) {
        const int paper = plan.papers.of_section[s.section];
        if (paper < 0) continue;
        const Patch& patch = plan.sections.patches[s.patch];
        Finding f{"short",
                  Severity::Problem,
                  std::to_string(patch.opening + 1) + " does not fit on " + project.stash->papers[paper].name,
                  "There " + std::string("is no room: ") + s.reason + ".",
                  plan.middle_of(patch.opening),
                  {patch.opening},
                  {},
                  {}};
        const auto answer = ways.another_paper(s.section, true);
        std::vector<std::pair<Fix, std::string>> fixes;
        if (is_pinned(project, plan, patch.opening))
            fixes.emplace_back(Unpin{plan.sections.spots[patch.opening]}, "Take its pin out");
        if (answer.paper >= 0) {
            offer(f, project, plan, s.section, answer);
            fixes.emplace_back(f.fix, f.fix_label);
        } else if (answer.searched) {
            f.message += " No other paper has room for it either.";
        }
        const auto& others = ways.other_ways(s.section, shapes);
        fixes.insert(fixes.end(), others.begin(), others.end());
        fixes.emplace_back(SetTreatment{plan.sections.all[s.section].id, Treatment::Open},
                           "Leave " + plan.sections.all[s.section].label + " open");
        f.fix = fixes.front().first;
        f.fix_label = fixes.front().second;
        f.more_fixes.assign(fixes.begin() + 1, fixes.end());
        out.push_back(std::move(f));
    }
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
    std::size_t next = 0;
    for (Finding& f : plan.findings) {
        if (f.code != "alike") continue;
        const Neighbours& n = plan.sections.neighbours[plan.papers.alike[next++]];
        const auto a = ways.another_paper(n.a, false);
        if (a.paper >= 0) {
            offer(f, project, plan, n.a, a);
            continue;
        }
        const auto b = ways.another_paper(n.b, false);
        if (b.paper >= 0) {
            offer(f, project, plan, n.b, b);
            continue;
        }
        if (const std::size_t all = meeting(plan, n.a, n.b); all > plan.papers.uses.size()) {
            f.message += " " + std::to_string(all) + " sections meet here and there are only " +
                         std::to_string(plan.papers.uses.size()) + " papers: two of them must be alike.";
            continue;
        }
        if (!a.searched || !b.searched) continue;
        f.message += " Of the other papers, " + std::to_string(std::min(a.beside, b.beside)) +
                     " already lie beside them and " +
                     std::to_string(std::max(a.without_room, b.without_room)) + " have no room left.";
    }
}

} // namespace

std::vector<Finding> findings_of(const Project& project, const Plan& plan) {
    std::vector<Finding> out = plan.set_out.whole.findings;
    out.insert(out.end(), plan.set_out.frame.findings.begin(), plan.set_out.frame.findings.end());
    out.insert(out.end(), plan.set_out.photo_findings.begin(), plan.set_out.photo_findings.end());
    if (!plan.sections.cut) {
        by_severity(out);
        return out;
    }
    about_lips(project, plan, out);
    add_section_findings(project, plan, out);
    about_choices(project, plan, out);
    about_alike(project, plan, out);
    add_colour_findings(project, plan, out);
    about_the_drawing(plan, out);
    by_severity(out);
    return out;
}

void add_sheet_findings(const Project& project, Plan& plan, Capacity& capacity, const StopToken& stop,
                        const Shapes& shapes) {
    if (!plan.sections.cut) return;
    WaysOut ways(project, plan, capacity, stop);
    explain_alike(project, plan, ways);
    about_short(project, plan, ways, shapes, plan.findings);
    about_room(project, plan, plan.findings);
    by_severity(plan.findings);
}

} // namespace zesty
