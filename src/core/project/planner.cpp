#include "core/project/planner.h"

#include "core/cutfile/layers.h"
#include "core/dress/dress.h"
#include "core/geometry/measure.h"
#include "core/project/alike.h"
#include "core/project/dress_pieces.h"
#include "core/project/findings.h"
#include "core/project/hidden_stock.h"
#include "core/project/set_aside.h"
#include "core/project/stash_at_hand.h"
#include "core/project/taken.h"
#include "core/sections/effort.h"
#include "core/sections/near_by_sight.h"
#include "core/sections/photos_behind.h"
#include "core/setout/unlike_photos.h"

#include <algorithm>
#include <set>

namespace zesty {

namespace {

std::vector<int> chosen_papers(const Project& project, const std::vector<Section>& sections) {
    std::vector<int> out;
    for (const Section& s : sections)
        out.push_back(takes_paper(s.treatment) ? stash_at_hand(project).find(project.match.choice(s.id).paper)
                                               : -1);
    return out;
}

std::vector<Side> chosen_sides(const Project& project, const Plan& plan) {
    std::vector<Side> out;
    for (std::size_t s = 0; s < plan.sections.all.size(); ++s) {
        const int paper = plan.papers.of_section[s];
        const Side side = project.match.choice(plan.sections.all[s].id).side;
        out.push_back(paper >= 0 && stash_at_hand(project).papers[paper].has(side) ? side : Side::A);
    }
    return out;
}

/// Material of every cut on the page, where a photo wants to know what lies over it.
CutMaterial material_over_photos(const Project& project, const Plan& plan) {
    CutMaterial out(project.set_out.cuts.size());
    const bool asked = std::any_of(project.set_out.photos.begin(), project.set_out.photos.end(),
                                   [](const Photo& p) { return !p.on_top && !p.protected_parts.empty(); });
    if (asked && plan.sections.cut)
        for (const Piece& p : plan.sections.cut->pieces)
            out[p.layer].push_back(transformed(p.outline, plan.set_out.whole.to_page));
    return out;
}

void look_at_photos(const Project& project, Plan& plan) {
    plan.set_out.photo_sizes = photos_to_order(project.set_out.photos);
    plan.set_out.free_cells = free_cells(project.set_out.photos);
    plan.set_out.photo_findings =
        photo_findings(project.set_out, project.units, material_over_photos(project, plan));
    for (Finding& f : unlike_photos(project.set_out.photos))
        plan.set_out.photo_findings.push_back(std::move(f));
}

void look_at_dress(const Project& project, Plan& plan) {
    DressFacts facts = dress_facts(dress_now(project, plan));
    facts.pieces = std::move(plan.dress.pieces); // were cut before the patches
    facts.bar_places = std::move(plan.dress.bar_places);
    plan.dress = std::move(facts);
}

/// What is decided about bars, by openings of the composition. Bars that are not there are ignored.
SharedBars shared_bars(const Project& project, const std::vector<Spot>& openings) {
    SharedBars out{project.sections.backing.lips, {}};
    if (project.sections.bars.empty()) return out;
    std::map<Spot, int> numbers;
    for (std::size_t o = 0; o < openings.size(); ++o) numbers[openings[o]] = static_cast<int>(o);
    for (const auto& [bar, lips] : project.sections.bars) {
        const auto a = numbers.find(bar.first);
        const auto b = numbers.find(bar.second);
        if (a != numbers.end() && b != numbers.end()) out.set(a->second, b->second, lips);
    }
    return out;
}

/// Where a pattern runs on from opening to opening its patches meet: the paper on both sides of a bar is
/// there only once.
void meet_where_patterns_run_on(const Project& project, const SectionFacts& facts, const Spots& spots,
                                const CutFile& composed, SharedBars& bars) {
    std::vector<std::set<int>> running(composed.openings.size()); // by whole opening: sections
    for (std::size_t o = 0; o < facts.of_opening.size(); ++o)
        if (const int s = facts.of_opening[o];
            spots.whole[o] >= 0 && project.match.choice(facts.all[s].id).pattern.run_on)
            running[spots.whole[o]].insert(s);
    for (const Bar& bar : composed.bars) {
        if (bar.b == Bar::edge || bars.between(bar.a, bar.b) == LipMode::Meet) continue;
        const bool together = std::any_of(running[bar.a].begin(), running[bar.a].end(),
                                          [&](int s) { return running[bar.b].contains(s); });
        if (together) bars.set(bar.a, bar.b, LipMode::Meet);
    }
}

/// How often papers are used, and which neighbours have the same.
void count_papers(const Project& project, Plan& plan) {
    PaperFacts& papers = plan.papers;
    papers.alike = alike_neighbours(project, plan);
    for (const int p : papers.of_section)
        if (p >= 0) ++papers.uses[p].sections;
}

BackingWish wish_of(const Section& section) {
    return {takes_paper(section.treatment),
            section.lip,
            section.method,
            section.order,
            section.punch_on_top,
            section.treatment == Treatment::Translucent};
}

/// A page without a cut, whose base may be divided all the same.
Composition bare_page(const Page& page, Composition nothing) {
    auto cut = std::make_shared<CutFile>();
    cut->box = page.whole();
    nothing.cut = std::move(cut);
    return nothing;
}

/// Openings covered for good are not backed; what that saves is about their area with half a lip.
void note_hidden(const Pace& pace, Plan& plan, std::vector<BackingWish>& wishes) {
    for (std::size_t o = 0; o < wishes.size(); ++o) {
        if (!wishes[o].backed || plan.sections.covered[o] < hidden_share) continue;
        wishes[o].backed = false;
        const double scale = plan.set_out.whole.scale;
        const Opening& opening = plan.sections.cut->openings[o];
        Patch about;
        about.outline = transformed(opening.outline, plan.set_out.whole.to_page);
        about.method = wishes[o].method;
        plan.sections.hidden.openings.push_back(static_cast<int>(o));
        plan.sections.hidden.paper_area +=
            opening.area * scale * scale + perimeter(opening.outline.outer) * scale * wishes[o].lip / 2;
        plan.sections.hidden.minutes += backing_minutes(about, pace);
    }
}

void look_at_treatments(const Project& project, const Spots& spots, Plan& plan) {
    std::vector<Treatment> treatment;
    std::vector<double> lip;
    for (int s : plan.sections.of_opening) {
        treatment.push_back(plan.sections.all[s].treatment);
        lip.push_back(plan.sections.all[s].lip);
    }
    plan.sections.shakers =
        shakers_of(spots, treatment, lip, project.sections.backing.foam_width, plan.set_out.whole.to_page);
    for (std::size_t o = 0; o < treatment.size(); ++o) {
        const auto outline = [&] {
            return transformed(plan.sections.cut->openings[o].outline, plan.set_out.whole.to_page);
        };
        if (treatment[o] == Treatment::Photo && plan.sections.covered[o] < hidden_share) {
            plan.sections.photo_sizes.push_back(photo_size_for(outline(), lip[o]));
            plan.sections.photo_sizes.back().opening = static_cast<int>(o);
        } else if (treatment[o] == Treatment::Words) {
            plan.sections.writing.push_back(writing_room(outline()));
            plan.sections.writing.back().opening = static_cast<int>(o);
        }
    }
}

} // namespace

Result<const Composition*> Planner::composed(const Project& project) {
    auto parts = parts_.of_page(project.set_out, project.units);
    if (!parts) return tl::make_unexpected(parts.error());
    ComposedBy by{std::move(*parts), project.set_out.page, project.units, project.set_out.cuts,
                  project.set_out.bars};
    return composed_.get(std::move(by), [&](const ComposedBy& key) -> Result<Composition> {
        return compose(project.set_out, project.units, key.parts);
    });
}

Result<const Planner::Spread*> Planner::spread(const Project& project, const Composition& composed) {
    const auto& divisions = project.sections.divisions;
    // Only the divided base depends on the page.
    SpreadBy by{composed.cut, divisions, project.set_out.cuts,
                divisions.contains(base_spot) ? project.set_out.page : Page{}};
    return spread_.get(std::move(by), [&](const SpreadBy&) -> Result<Spread> {
        auto spots = spots_of(composed, project.set_out, project.sections);
        if (!spots) return tl::make_unexpected(spots.error());
        auto inserts = insert_labels(*spots->cut);
        return Spread{std::move(*spots), std::move(inserts)};
    });
}

Result<void> Planner::back(const Project& project, const Composition& composed, const Spots& spots,
                           Plan& plan) {
    SectionFacts& facts = plan.sections;
    std::vector<BackingWish> wishes;
    std::vector<char> open;
    for (int s : facts.of_opening) {
        wishes.push_back(wish_of(facts.all[s]));
        open.push_back(facts.all[s].treatment == Treatment::Open);
    }
    auto covered = covered_shares(project.set_out, composed, spots, open);
    if (!covered) return tl::make_unexpected(covered.error());
    facts.covered = std::move(*covered);
    note_hidden(project.sections.pace, plan, wishes);
    auto behind = photos_behind(project.set_out, composed, spots);
    if (!behind) return tl::make_unexpected(behind.error());
    facts.behind = std::move(*behind);
    for (std::size_t o = 0; o < wishes.size(); ++o)
        if (facts.behind[o].share >= shows_photo_from &&
            facts.all[facts.of_opening[o]].treatment == Treatment::Paper)
            wishes[o].backed = false;
    SharedBars bars = shared_bars(project, composed.spots);
    meet_where_patterns_run_on(project, facts, spots, *composed.cut, bars);
    BackedBy by{facts.cut,         plan.set_out.whole.to_page, project.set_out.page.whole(),
                std::move(wishes), project.sections.backing,   std::move(bars)};
    const auto made = backing_.get(std::move(by), [&](const BackedBy& key) {
        return backing_of(*composed.cut, spots, key.wishes, key.rules, key.bars, key.to_page, key.page);
    });
    if (!made) return tl::make_unexpected(made.error());
    facts.patches = (*made)->patches;
    facts.enlargements = (*made)->enlargements;
    facts.without_patch = (*made)->without_patch;
    // Which section an opening is in may change without changing its patch.
    for (Patch& p : facts.patches) {
        p.section = facts.of_opening[p.opening];
        facts.backing_minutes += backing_minutes(p, project.sections.pace);
    }
    return {};
}

/// What the page takes for itself is gone; the rest is what there is to choose from.
Result<void> Planner::count_stock(const Project& project, Plan& plan) {
    plan.dress.pieces = dress_pieces_of(project);
    const auto laid = dress_places_.get(dress_cutting(project, plan),
                                        [&](const DressCutting& cutting) -> Result<std::vector<DressPlace>> {
                                            return laid_dress_pieces(cutting, plan.dress.pieces.size());
                                        });
    if (!laid) return tl::make_unexpected(laid.error());
    auto places = **laid;
    places.resize(plan.dress.pieces.size());
    take_dress_pieces(project, places, plan);
    for (const Sheet& s : plan.papers.sheets) plan.papers.uses[s.paper].stock_area += s.area;
    note_taken(project, plan);
    return {};
}

Result<Planner::Patched> Planner::patched(const Project& project) {
    Patched out;
    Plan& plan = out.plan;
    plan.of = std::make_shared<const Project>(project);
    const Stash& stash = stash_at_hand(project);
    plan.set_out.frame = frame_of(project.set_out.page, project.units);
    plan.papers.sheets = sheets_of(stash);
    plan.papers.uses.resize(stash.papers.size());
    const auto together = composed(project);
    if (!together) return tl::make_unexpected(together.error());
    const Composition bare =
        project.set_out.cuts.empty() ? bare_page(project.set_out.page, **together) : Composition{};
    const Composition& composition = project.set_out.cuts.empty() ? bare : **together;
    plan.set_out.whole = composition.whole;
    plan.set_out.each = composition.each;
    if (!project.set_out.cuts.empty()) plan.sections.cut = composition.cut;
    look_at_photos(project, plan);
    if (!project.set_out.cuts.empty() || project.sections.divisions.contains(base_spot)) {
        const auto parts = spread(project, composition);
        if (!parts) return tl::make_unexpected(parts.error());
        out.spots = &(*parts)->spots;
        SectionFacts& facts = plan.sections;
        facts.cut = out.spots->cut;
        facts.spots = out.spots->names;
        facts.cut_of_opening = out.spots->cut_of_opening;
        facts.inserts = (*parts)->inserts;
        take_hidden_stock(project, plan);
        facts.all = sections_of(facts.spots, project.sections);
        facts.of_opening = section_by_opening(facts.all, facts.cut->openings.size());
        facts.neighbours = neighbours_of(*facts.cut, facts.all, plan.set_out.whole.to_page, out.spots->seams);
        for (Neighbours& n :
             near_by_sight(facts.all, *facts.cut, facts.spots, facts.neighbours, plan.set_out.whole.to_page))
            facts.neighbours.push_back(n);
        plan.papers.of_section = chosen_papers(project, facts.all);
        plan.papers.side_of_section = chosen_sides(project, plan);
        if (auto r = back(project, composition, *out.spots, plan); !r) return tl::make_unexpected(r.error());
    } else {
        take_hidden_stock(project, plan);
    }
    if (auto r = count_stock(project, plan); !r) return tl::make_unexpected(r.error());
    return out;
}

void Planner::remember(std::size_t most) {
    composed_.remember(most);
    spread_.remember(most);
    backing_.remember(most);
    dress_places_.remember(most);
}

/// Only pictures that lie behind a cut are asked what hides them.
static PhotosSeen photos_seen(const Project& project, const Plan& plan) {
    const auto& photos = project.set_out.photos;
    const bool asked =
        std::any_of(photos.begin(), photos.end(), [](const Photo& p) { return p.picture && !p.on_top; });
    if (!asked || !plan.sections.cut) return {photos, {}};
    return {photos, over_photos_behind(project.set_out, plan.sections, plan.set_out.whole)};
}

Result<Plan> Planner::patches(const Project& project) {
    auto made = patched(project);
    if (!made) return tl::make_unexpected(made.error());
    return std::move(made->plan);
}

Result<Plan> Planner::shapes(const Project& project) {
    auto made = patched(project);
    if (!made) return tl::make_unexpected(made.error());
    Plan& plan = made->plan;
    plan.set_out.photo_colours = **photo_colours_.get(photos_seen(project, plan), [](const PhotosSeen& seen) {
        return Result<std::vector<PhotoColours>>(photo_colours(seen));
    });
    if (made->spots) {
        look_at_treatments(project, *made->spots, plan);
        plan.sheets.placed.resize(plan.sections.patches.size());
        count_papers(project, plan);
        plan.dress.bar_places =
            **bar_places_.get({plan.sections.cut, plan.set_out.whole.to_page.scale()}, [](const BarsBy& by) {
                return Result<std::shared_ptr<const std::vector<BarPlace>>>(
                    std::make_shared<const std::vector<BarPlace>>(bar_places(*by.cut, by.scale)));
            });
    }
    look_at_dress(project, plan);
    plan.findings = findings_of(project, plan);
    part_set_aside(project, plan);
    return std::move(plan);
}

Result<int> Planner::piece_count(const Project& project, int cut) {
    PlacedCut whole = project.set_out.cuts[cut];
    whole.left_out.clear();
    whole.grown = 0;
    const auto part = parts_.of_cut(project.set_out, project.units, whole);
    if (!part) return tl::make_unexpected(part.error());
    return static_cast<int>((*part)->cut.pieces.size());
}

Result<std::shared_ptr<const CutFile>> Planner::cut_alone(const Project& project, int cut) {
    auto part = parts_.of_cut(project.set_out, project.units, project.set_out.cuts[cut]);
    if (!part) return tl::make_unexpected(part.error());
    return std::shared_ptr<const CutFile>(*part, &(*part)->cut);
}

Result<std::vector<CutPlacement>> Planner::ring_of_copies(const Project& project, int cut,
                                                          const CopyRing& ring) {
    const SetOutDecisions& page = project.set_out;
    const auto part = parts_.of_cut(page, project.units, page.cuts[cut]);
    if (!part) return tl::make_unexpected(part.error());
    return in_ring({(*part)->cut, (*part)->sized_by.get(), page.cuts[cut].place}, page.page, ring,
                   project.units);
}

Result<std::vector<CutPlacement>> Planner::row_of_copies(const Project& project, int cut,
                                                         const CopyRow& row) {
    const SetOutDecisions& page = project.set_out;
    const auto part = parts_.of_cut(page, project.units, page.cuts[cut]);
    if (!part) return tl::make_unexpected(part.error());
    return in_row({(*part)->cut, (*part)->sized_by.get(), page.cuts[cut].place}, page.page, row,
                  project.units);
}

Result<std::vector<Rung>> Planner::ladder(const Project& project, int cut, double least, double greatest,
                                          int count, const StopToken& stop) {
    auto part = parts_.of_cut(project.set_out, project.units, project.set_out.cuts[cut]);
    if (!part) return tl::make_unexpected(part.error());
    std::vector<Spot> names;
    for (int o : (*part)->openings) names.emplace_back(project.set_out.cuts[cut].id, o);
    const auto sections = sections_of(names, project.sections);
    const auto section = section_by_opening(sections, names.size());
    std::vector<BackingWish> wishes;
    for (int s : section) wishes.push_back(wish_of(sections[s]));
    return size_ladder(std::shared_ptr<const CutFile>(*part, &(*part)->cut), wishes, project.sections.backing,
                       project.sections.pace, least, greatest, count, stop);
}

Result<std::vector<MethodFigures>> Planner::compare_methods(const Project& project, const StopToken& stop) {
    std::vector<MethodFigures> out;
    for (int i = 0; i < count_of_values<BackingMethod>; ++i) {
        if (stopped(stop)) return fail(ErrorKind::Stopped, "stopped");
        Project one = project;
        one.sections.backing.method = static_cast<BackingMethod>(i);
        for (auto& [spot, choice] : one.sections.choices) choice.method.reset();
        const auto made = shapes(one);
        if (!made) return tl::make_unexpected(made.error());
        const SectionFacts& facts = made->sections;
        out.push_back(figures_of(one.sections.backing.method,
                                 {facts.patches, facts.enlargements, facts.without_patch},
                                 one.sections.pace));
    }
    return out;
}

} // namespace zesty
