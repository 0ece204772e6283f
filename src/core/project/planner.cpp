#include "core/project/planner.h"

#include "core/cutfile/layers.h"
#include "core/geometry/measure.h"
#include "core/project/findings.h"
#include "core/project/hidden_stock.h"
#include "core/project/stash_at_hand.h"
#include "core/sections/effort.h"

#include <algorithm>
#include <set>

namespace zesty {

namespace {

std::vector<int> chosen_papers(const Project& project, const std::vector<Section>& sections) {
    std::vector<int> out;
    for (const Section& s : sections)
        out.push_back(takes_paper(s.treatment) && !s.paper.empty() ? stash_at_hand(project).find(s.paper)
                                                                   : -1);
    return out;
}

std::vector<Side> chosen_sides(const Project& project, const Plan& plan) {
    std::vector<Side> out;
    for (std::size_t s = 0; s < plan.sections.size(); ++s) {
        const int paper = plan.paper_of_section[s];
        const Side side = project.choice(plan.sections[s].id).side;
        out.push_back(paper >= 0 && stash_at_hand(project).papers[paper].has(side) ? side : Side::A);
    }
    return out;
}

/// Material of every cut on the page, where a photo wants to know what lies over it.
CutMaterial material_over_photos(const Project& project, const Plan& plan) {
    CutMaterial out(project.cuts.size());
    const bool asked = std::any_of(project.photos.begin(), project.photos.end(),
                                   [](const Photo& p) { return !p.on_top && !p.keep_free.empty(); });
    if (asked && plan.cut)
        for (const Piece& p : plan.cut->pieces)
            out[p.layer].push_back(transformed(p.outline, plan.set_out.to_page));
    return out;
}

void look_at_photos(const Project& project, Plan& plan) {
    plan.prints = prints_of(project.photos);
    plan.free_cells = free_cells(project.photos);
    plan.photo_findings = photo_findings(project, material_over_photos(project, plan));
}

/// What is decided about bars, by openings of the composition. Bars that are not there are ignored.
SharedBars shared_bars(const Project& project, const std::vector<Spot>& openings) {
    SharedBars out{project.backing.lips, {}};
    if (project.bars.empty()) return out;
    std::map<Spot, int> numbers;
    for (std::size_t o = 0; o < openings.size(); ++o) numbers[openings[o]] = static_cast<int>(o);
    for (const auto& [bar, lips] : project.bars) {
        const auto a = numbers.find(bar.first);
        const auto b = numbers.find(bar.second);
        if (lips != out.usual && a != numbers.end() && b != numbers.end())
            out.otherwise.insert(std::minmax(a->second, b->second));
    }
    return out;
}

/// What the page takes and hides is taken; the rest is what there is to choose from.
void count_stock(const Project& project, Plan& plan) {
    take_hidden_stock(project, plan);
    for (const Sheet& s : plan.sheets) plan.papers[s.paper].stock_area += s.area;
}

/// The section whose paper it gets in the end; itself when it follows none.
Spot followed(const Project& project, Spot section) {
    std::set<Spot> seen;
    while (seen.insert(section).second) {
        const auto& same = project.choice(section).same_as;
        if (!same) return section;
        section = section_of(project, *same);
    }
    return *seen.begin(); // they follow each other round
}

/// Both get the paper of the same section.
bool alike_by_decision(const Project& project, const Plan& plan, const Neighbours& n) {
    const Spot a = plan.sections[n.a].id;
    const Spot b = plan.sections[n.b].id;
    return (project.choice(a).same_as || project.choice(b).same_as) &&
           followed(project, a) == followed(project, b);
}

BackingWish wish_of(const Section& section) {
    return {takes_paper(section.treatment), section.lip, section.school, section.order};
}

/// Openings covered for good are not backed; what that saves is about their area with half a lip.
void note_hidden(Plan& plan, std::vector<BackingWish>& wishes) {
    for (std::size_t o = 0; o < wishes.size(); ++o) {
        if (!wishes[o].backed || plan.covered[o] < hidden_share) continue;
        wishes[o].backed = false;
        const double scale = plan.set_out.scale;
        const Opening& opening = plan.cut->openings[o];
        Patch about;
        about.outline = transformed(opening.outline, plan.set_out.to_page);
        about.school = wishes[o].school;
        plan.hidden.openings.push_back(static_cast<int>(o));
        plan.hidden.paper_area +=
            opening.area * scale * scale + perimeter(opening.outline.outer) * scale * wishes[o].lip / 2;
        plan.hidden.minutes += backing_minutes(about);
    }
}

void look_at_treatments(const Project& project, const Spots& spots, Plan& plan) {
    std::vector<Treatment> treatment;
    std::vector<double> lip;
    for (int s : plan.section_of_opening) {
        treatment.push_back(plan.sections[s].treatment);
        lip.push_back(plan.sections[s].lip);
    }
    plan.shakers = shakers_of(spots, treatment, lip, project.backing.foam_width, plan.set_out.to_page);
    for (std::size_t o = 0; o < treatment.size(); ++o) {
        const auto outline = [&] { return transformed(plan.cut->openings[o].outline, plan.set_out.to_page); };
        if (treatment[o] == Treatment::Photo && plan.covered[o] < hidden_share) {
            plan.section_prints.push_back(print_for(outline(), lip[o]));
            plan.section_prints.back().opening = static_cast<int>(o);
        } else if (treatment[o] == Treatment::Words) {
            plan.writing.push_back(writing_room(outline()));
            plan.writing.back().opening = static_cast<int>(o);
        }
    }
}

} // namespace

Result<std::shared_ptr<const CutPart>> Planner::part_of(const Project& project, const PlacedCut& cut) {
    const auto& drawing = project.drawings[cut.drawing];
    auto it = std::find_if(read_.begin(), read_.end(), [&](const Read& r) { return r.drawing == drawing; });
    if (it == read_.end()) {
        auto whole = read_cut(drawing->drawing);
        if (!whole) return tl::make_unexpected(whole.error());
        read_.push_back({drawing, std::make_shared<const CutFile>(std::move(*whole)), {}, {}});
        it = read_.end() - 1;
    }
    auto& layer = it->layers[cut.layers];
    if (!layer) {
        auto read = cut.layers.empty() ? Result<CutFile>(*it->cut)
                                       : read_cut(on_layers(drawing->drawing, cut.layers));
        if (!read) return tl::make_unexpected(read.error());
        layer = std::make_shared<const CutFile>(std::move(*read));
    }
    const auto known_as = [&](double by) { return std::tuple(cut.layers, cut.left_out, cut.by_whole, by); };
    auto& plain = it->parts[known_as(0)];
    if (!plain) {
        auto made = std::make_shared<CutPart>(without_pieces(*layer, cut.left_out));
        if (cut.by_whole) made->sized_by = it->cut;
        plain = std::move(made);
    }
    if (plain->cut.pieces.empty())
        return fail(ErrorKind::NothingToDo, "every piece of " + drawing->name + " is left out");
    if (cut.grown <= 0) return plain;
    // Growth is a length on the page: in the drawing it depends on how large that is set out.
    const std::shared_ptr<const CutPart> own = plain;
    const double scale =
        set_out(own->cut, project.page, cut.place, project.units, 0, own->sized_by.get()).scale;
    auto& known = it->parts[known_as(cut.grown / scale)];
    if (known) return known;
    auto larger = grown(own->cut, cut.grown / scale);
    if (!larger) return tl::make_unexpected(larger.error());
    larger->sized_by = own->sized_by ? own->sized_by : std::shared_ptr<const CutFile>(own, &own->cut);
    known = std::make_shared<const CutPart>(std::move(*larger));
    const auto result = known;
    // Of the sizes tried on the way only the ones in use stay.
    std::erase_if(it->parts,
                  [](const auto& p) { return std::get<3>(p.first) > 0 && p.second.use_count() == 1; });
    return result;
}

Result<void> Planner::set_out_again(const Project& project) {
    std::erase_if(read_, [&](const Read& r) {
        return std::find(project.drawings.begin(), project.drawings.end(), r.drawing) ==
               project.drawings.end();
    });
    std::vector<std::shared_ptr<const CutPart>> parts;
    for (const PlacedCut& cut : project.cuts) {
        auto part = part_of(project, cut);
        if (!part) return tl::make_unexpected(part.error());
        parts.push_back(std::move(*part));
    }
    if (!composed_parts_.empty() && composed_parts_ == parts && composed_page_ == project.page &&
        composed_units_ == project.units && composed_cuts_ == project.cuts)
        return {};
    composed_ = compose(project, parts);
    composed_parts_ = std::move(parts);
    composed_page_ = project.page;
    composed_units_ = project.units;
    composed_cuts_ = project.cuts;
    return {};
}

Result<void> Planner::spread_again(const Project& project) {
    if (spots_cut_ == composed_.cut && spots_divisions_ == project.divisions && spots_cuts_ == project.cuts &&
        (spots_page_ == project.page || !project.divisions.contains(base_spot)))
        return {};
    // What single-cut pages compare is the drawing, which moving the cut leaves alone.
    auto spread = spots_of(composed_, project);
    if (!spread) return tl::make_unexpected(spread.error());
    spots_ = std::move(*spread);
    inserts_ = insert_labels(*spots_.cut);
    spots_cut_ = composed_.cut;
    spots_divisions_ = project.divisions;
    spots_cuts_ = project.cuts;
    spots_page_ = project.page;
    return {};
}

Result<void> Planner::back_again(const Project& project, Plan& plan) {
    std::vector<BackingWish> wishes;
    std::vector<char> open;
    for (int s : plan.section_of_opening) {
        const Section& section = plan.sections[s];
        wishes.push_back(wish_of(section));
        open.push_back(section.treatment == Treatment::Open);
    }
    auto covered = covered_shares(project, composed_, spots_, open);
    if (!covered) return tl::make_unexpected(covered.error());
    plan.covered = std::move(*covered);
    note_hidden(plan, wishes);
    SharedBars bars = shared_bars(project, composed_.spots);
    if (backing_cut_ != plan.cut || !(backing_bars_ == bars) || !(backing_for_ == plan.set_out.to_page) ||
        !(backing_page_ == project.page.whole()) || backing_wishes_ != wishes ||
        !(backing_rules_ == project.backing)) {
        backing_cut_.reset();
        auto made = backing_of(*composed_.cut, spots_, wishes, project.backing, bars, plan.set_out.to_page,
                               project.page.whole());
        if (!made) return tl::make_unexpected(made.error());
        backing_ = std::move(*made);
        backing_for_ = plan.set_out.to_page;
        backing_page_ = project.page.whole();
        backing_wishes_ = std::move(wishes);
        backing_rules_ = project.backing;
        backing_bars_ = std::move(bars);
        backing_cut_ = plan.cut;
    }
    plan.patches = backing_.patches;
    plan.enlargement = backing_.enlargement;
    plan.without_patch = backing_.without_patch;
    // Which section an opening is in may change without changing its patch.
    for (Patch& p : plan.patches) p.section = plan.section_of_opening[p.opening];
    return {};
}

Result<Plan> Planner::shapes(const Project& project) {
    Plan plan;
    const Stash& stash = stash_at_hand(project);
    plan.frame = frame_of(project.page, project.units);
    plan.sheets = sheets_of(stash);
    plan.papers.resize(stash.papers.size());
    if (auto r = set_out_again(project); !r) return tl::make_unexpected(r.error());
    plan.set_out = composed_.whole;
    plan.cut = composed_.cut;
    look_at_photos(project, plan);
    if (project.cuts.empty()) {
        count_stock(project, plan);
        plan.findings = findings_of(project, plan);
        return plan;
    }
    if (auto r = spread_again(project); !r) return tl::make_unexpected(r.error());
    plan.cut = spots_.cut;
    plan.each_cut = composed_.each;
    plan.spots = spots_.names;
    plan.cut_of_opening = spots_.cut_of_opening;
    count_stock(project, plan);
    plan.sections = sections_of(plan.spots, project);
    plan.section_of_opening = section_by_opening(plan.sections, plan.cut->openings.size());
    plan.neighbours = neighbours_of(*plan.cut, plan.sections, plan.set_out.to_page, spots_.seams);
    plan.paper_of_section = chosen_papers(project, plan.sections);
    plan.side_of_section = chosen_sides(project, plan);
    if (auto r = back_again(project, plan); !r) return tl::make_unexpected(r.error());
    look_at_treatments(project, spots_, plan);
    plan.inserts = inserts_;
    plan.placed.resize(plan.patches.size());
    for (std::size_t i = 0; i < plan.neighbours.size(); ++i) {
        const Neighbours& n = plan.neighbours[i];
        if (plan.paper_of_section[n.a] >= 0 && plan.paper_of_section[n.a] == plan.paper_of_section[n.b] &&
            plan.side_of_section[n.a] == plan.side_of_section[n.b] && !alike_by_decision(project, plan, n))
            plan.alike.push_back(static_cast<int>(i));
    }
    for (std::size_t s = 0; s < plan.sections.size(); ++s)
        if (const int p = plan.paper_of_section[s]; p >= 0) ++plan.papers[p].sections;
    plan.findings = findings_of(project, plan);
    return plan;
}

Result<int> Planner::piece_count(const Project& project, int cut) {
    PlacedCut whole = project.cuts[cut];
    whole.left_out.clear();
    whole.grown = 0;
    const auto part = part_of(project, whole);
    if (!part) return tl::make_unexpected(part.error());
    return static_cast<int>((*part)->cut.pieces.size());
}

Result<std::shared_ptr<const CutFile>> Planner::cut_alone(const Project& project, int cut) {
    auto part = part_of(project, project.cuts[cut]);
    if (!part) return tl::make_unexpected(part.error());
    return std::shared_ptr<const CutFile>(*part, &(*part)->cut);
}

Result<std::vector<Rung>> Planner::ladder(const Project& project, int cut, double least, double greatest,
                                          int count, const StopToken& stop) {
    auto part = part_of(project, project.cuts[cut]);
    if (!part) return tl::make_unexpected(part.error());
    std::vector<Spot> names;
    for (int o : (*part)->openings) names.emplace_back(project.cuts[cut].id, o);
    const auto sections = sections_of(names, project);
    const auto section = section_by_opening(sections, names.size());
    std::vector<BackingWish> wishes;
    for (int s : section) wishes.push_back(wish_of(sections[s]));
    return size_ladder(std::shared_ptr<const CutFile>(*part, &(*part)->cut), wishes, project.backing, least,
                       greatest, count, stop);
}

Result<std::vector<SchoolFigures>> Planner::compare_schools(const Project& project, const StopToken& stop) {
    std::vector<SchoolFigures> out;
    for (int i = 0; i < schools; ++i) {
        if (stopped(stop)) return fail(ErrorKind::Stopped, "stopped");
        Project one = project;
        one.backing.school = static_cast<School>(i);
        for (auto& [spot, choice] : one.sections) choice.school.reset();
        const auto made = shapes(one);
        if (!made) return tl::make_unexpected(made.error());
        out.push_back(figures_of(one.backing.school, backing_));
    }
    return out;
}

} // namespace zesty
