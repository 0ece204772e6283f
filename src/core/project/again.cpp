#include "core/project/again.h"

#include "core/project/naming.h"
#include "core/project/papers_named.h"
#include "core/project/stash_at_hand.h"
#include "core/sentences.h"

#include <algorithm>
#include <set>

namespace zesty {

namespace {

constexpr std::size_t longest_title_begun = 190;

/// What belongs to the page that was made, and to no other.
void begin_anew(Project& project) {
    project.title = shortened(project.title, longest_title_begun) + " again";
    project.keep = {};
    project.build.log.clear();
    project.sheets.pins.clear();
    project.sheets.reserved.clear();
    project.variants.clear();
    project.set_aside.clear();
    project.set_out.date.clear();
    for (Writing& writing : project.dress.writings) writing.text.clear();
}

void let_go_of_papers(Project& project, std::vector<std::string>& said) {
    const Stash& stash = stash_at_hand(project);
    const auto check = [&](std::string& paper, const std::string& of) {
        if (paper.empty() || stash.find(paper) >= 0) return;
        said.push_back(sentence("the paper of " + of + ", " + paper + ", is not in the drawer any more"));
        paper.clear();
    };
    Page& page = project.set_out.page;
    check(page.frame_paper, "the frame");
    check(page.side_paper, "the frame's sides");
    check(page.base_paper, "the base");
    for (PlacedCut& cut : project.set_out.cuts) check(cut.paper, "a cut");
    for (Photo& photo : project.set_out.photos)
        for (auto& mat : photo.mats) check(mat.paper, "a photo mat");
    for (PaperLayer& layer : project.dress.layers) check(layer.paper, "a layer");
    check(project.dress.frame.paper, "the frame that comes last");
    check(project.dress.frame.side_paper, "the frame that comes last");
    std::erase_if(project.match.apart, [&](const auto& pair) {
        return stash.find(pair.first) < 0 || stash.find(pair.second) < 0;
    });
    std::erase_if(project.match.roles, [&](const auto& role) { return stash.find(role.first) < 0; });
}

void let_go_of_choices(Project& project) {
    for (auto& [spot, choice] : project.match.choices) {
        choice.paper.clear();
        choice.locked = false;
        choice.side = Side::A;
        choice.never.clear();
    }
    std::erase_if(project.match.choices, [](const auto& choice) { return choice.second == PaperChoice{}; });
}

/// What the plan says of stock that is not there.
void say_what_is_short(const Project& project, const Plan& plan, std::vector<std::string>& said) {
    for (const Finding& f : plan.set_out.frame.findings) said.push_back(f.message);
    for (const DressPiece& piece : plan.dress.pieces)
        if (!piece.placed && !piece.paper.empty())
            said.push_back(sentence("no sheet of " + piece.paper + " is left for " + piece.what));
    for (const ShortThing& thing : plan.dress.short_embellishments) {
        const Embellishment* of = stash_at_hand(project).embellishment(thing.id);
        said.push_back(sentence("of " + (of ? of->name : thing.id) + " there " +
                                (thing.there == 1 ? "is " : "are ") + std::to_string(thing.there) + ", and " +
                                std::to_string(thing.used) + " are needed"));
    }
    for (const TitleFacts& title : plan.dress.titles) {
        std::size_t short_of = 0;
        for (const auto& [piece, count] : title.missing) short_of += static_cast<std::size_t>(count);
        if (short_of > 0)
            said.push_back(sentence("the title is short of " + count_of(short_of, "letter", "letters")));
        if (title.no_path) said.emplace_back("What the title followed is not there.");
    }
    std::size_t without = 0;
    for (const Photo& photo : project.set_out.photos)
        if (!photo.picture) ++without;
    if (without > 0)
        said.push_back(sentence(count_of(without, "photo keeps its place", "photos keep their places") +
                                "; bring in the new " + (without == 1 ? "one" : "ones")));
}

} // namespace

Result<Again> other_papers(const Project& earlier, Planner& planner) {
    Again out{earlier, {}};
    begin_anew(out.project);
    let_go_of_choices(out.project);
    let_go_of_papers(out.project, out.no_longer);
    const auto plan = planner.shapes(out.project);
    if (!plan) return tl::make_unexpected(plan.error());
    say_what_is_short(out.project, *plan, out.no_longer);
    return out;
}

Result<Again> other_cut(const Project& earlier, const Shared<DrawingFile>& drawing, Planner& planner) {
    if (earlier.set_out.cuts.empty())
        return fail(ErrorKind::NothingToDo, "there is no cut on that page to take the place of");
    Again out{earlier, {}};
    Project& p = out.project;
    begin_anew(p);
    p.title = shortened(drawing->name.substr(0, drawing->name.rfind('.')), longest_title_begun);
    let_go_of_papers(p, out.no_longer);
    const int replaced = p.set_out.cuts.front().drawing;
    p.set_out.drawings[static_cast<std::size_t>(replaced)] = drawing;
    for (PlacedCut& cut : p.set_out.cuts)
        if (cut.drawing == replaced) {
            cut.left_out.clear();
            cut.layers.clear();
        }
    p.sections.divisions.clear();
    const auto plan = planner.shapes(p);
    if (!plan) return tl::make_unexpected(plan.error());
    const std::set<Spot> there(plan->sections.spots.begin(), plan->sections.spots.end());
    std::set<Spot> gone;
    rename_spots(p, [&](Spot spot, Named) -> std::optional<Spot> {
        if (there.contains(spot) || spot.cut < 0) return spot;
        gone.insert(spot);
        return std::nullopt;
    });
    if (!gone.empty())
        out.no_longer.push_back(sentence(count_of(gone.size(), "opening that was decided about is not there",
                                                  "openings that were decided about are not there") +
                                         " in this drawing"));
    const auto again = planner.shapes(p);
    if (!again) return tl::make_unexpected(again.error());
    say_what_is_short(p, *again, out.no_longer);
    return out;
}

} // namespace zesty
