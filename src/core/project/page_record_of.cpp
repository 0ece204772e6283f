#include "core/project/page_record_of.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/build_steps.h"
#include "core/project/stash_at_hand.h"

#include <algorithm>
#include <map>
#include <set>
#include <utility>

namespace zesty {

namespace {

constexpr std::size_t most_colours_kept = 6;

/// By paper: what was taken of it, and what of that is on the page.
std::vector<RecordPaper> papers_of(const Project& project) {
    const Stash& stash = stash_at_hand(project);
    std::map<std::string, RecordPaper> papers;
    for (const StockChange& c : project.keep.changes) {
        RecordPaper& p = papers[c.paper];
        const double mm2 = area(c.sheet.outline) * c.sheet.count;
        (c.back ? p.returned : p.taken) += mm2;
        (c.back ? p.back : c.sheet.irregular ? p.scraps : p.sheets) += c.sheet.count;
    }
    for (const TakenSheet& sheet : project.keep.taken) {
        RecordPaper& p = papers[sheet.paper];
        Region used;
        for (const TakenPatch& patch : sheet.patches) {
            used.push_back(patch.on_sheet);
            (patch.side == Side::B ? p.side_b : p.side_a) = true;
        }
        for (const TakenPiece& piece : sheet.pieces) {
            used.push_back(piece.on_sheet);
            p.side_a = true;
        }
        const auto joined = unite(used);
        p.used += joined ? area(*joined) : 0;
    }
    std::vector<RecordPaper> out;
    for (auto& [id, paper] : papers) {
        const int at = stash.find(id);
        paper.name = id;
        if (at >= 0) {
            const Paper& of = stash.papers[static_cast<std::size_t>(at)];
            paper.uid = of.uid;
            paper.name = of.name;
            paper.colour = of.colour;
        }
        // Drop-outs that went back are within the paper a cut was made of.
        paper.used = std::min(paper.used, std::max(0.0, paper.taken - paper.returned));
        out.push_back(paper);
    }
    std::stable_sort(out.begin(), out.end(),
                     [](const RecordPaper& a, const RecordPaper& b) { return a.used > b.used; });
    return out;
}

std::vector<PaletteColour> palette_of_page(const Project& project, const std::vector<RecordPaper>& papers) {
    const Stash& stash = stash_at_hand(project);
    std::vector<PaletteColour> out;
    double all = 0;
    for (const RecordPaper& p : papers) all += p.used;
    if (all <= 0) return out;
    for (const RecordPaper& p : papers)
        for (const Paper& of : stash.papers)
            if (of.name == p.name && of.uid == p.uid)
                for (const PaletteColour& c : palette_or_colour(of.face(p.side_a ? Side::A : Side::B)))
                    out.push_back({c.colour, c.share * p.used / all});
    std::stable_sort(out.begin(), out.end(),
                     [](const PaletteColour& a, const PaletteColour& b) { return a.share > b.share; });
    if (out.size() > most_colours_kept) out.resize(most_colours);
    for (PaletteColour& c : out) c.share = std::min(c.share, 1.0);
    return out;
}

/// What the same steps take by the program's own numbers: what a pace is measured by.
std::map<std::string, double> usual_minutes(Project project, const Plan& plan) {
    project.build.minutes = {};
    project.build.drying = {};
    project.sections.pace = {};
    std::map<std::string, double> out;
    for (const BuildStep& s : build_steps(project, plan)) out[s.key] = s.time.hands;
    return out;
}

void look_at_times(const Project& project, const Plan& plan, const std::vector<BuildStep>& steps,
                   PageFacts& facts) {
    std::map<StepKind, RecordPace> pace;
    const auto usual = usual_minutes(project, plan);
    for (const BuildStep& s : steps) {
        facts.planned += s.time.hands;
        const auto log = project.build.log.find(s.key);
        if (log == project.build.log.end() || log->second.done == 0 || log->second.worked <= 0) continue;
        facts.worked += log->second.worked / 60;
        const auto at = usual.find(s.key);
        if (at == usual.end() || s.kind == StepKind::Own) continue;
        RecordPace& of = pace[s.kind];
        of.step = key_of(s.kind);
        of.usual += at->second;
        of.took += log->second.worked / 60;
    }
    for (const auto& [kind, of] : pace) facts.pace.push_back(of);
}

bool is_scrap(SheetKind kind) {
    return kind == SheetKind::Offcut || kind == SheetKind::Stained;
}

} // namespace

PageFacts page_facts(const Project& project, const Plan& plan, const std::vector<BuildStep>& steps) {
    PageFacts out;
    out.width = project.set_out.page.width;
    out.height = project.set_out.page.height;
    out.spread = project.set_out.page.spread;
    for (std::size_t c = 0; c < project.set_out.cuts.size() && c < plan.set_out.each.size(); ++c) {
        const std::size_t drawing = static_cast<std::size_t>(project.set_out.cuts[c].drawing);
        const Box box = plan.set_out.each[c].cut_box;
        out.cuts.push_back({project.set_out.drawings[drawing]->name, box.width(), box.height()});
    }
    out.papers = papers_of(project);
    out.palette = palette_of_page(project, out.papers);
    out.photos = static_cast<int>(project.set_out.photos.size());
    out.openings = static_cast<int>(plan.sections.spots.size());
    std::set<int> backed;
    for (const Patch& p : plan.sections.patches) backed.insert(p.opening);
    out.backed = static_cast<int>(backed.size());
    look_at_times(project, plan, steps, out);
    for (const TakenSheet& sheet : project.keep.taken) {
        double patches = 0;
        for (const TakenPatch& p : sheet.patches) patches += area(p.on_sheet);
        for (const TakenPiece& p : sheet.pieces)
            if (is_scrap(sheet.kind)) patches += area(p.on_sheet);
        if (is_scrap(sheet.kind))
            out.from_scraps += patches;
        else if (sheet.kind <= SheetKind::Gutted)
            out.from_gutting += patches;
    }
    return out;
}

PageRecord record_of_page(const Project& project, PageFacts facts, const std::string& id) {
    PageRecord out;
    out.id = id;
    out.uid = project.keep.record;
    out.title = project.title;
    out.notes = project.keep.notes;
    out.finished = project.keep.finished;
    out.takings = project.keep.takings;
    out.facts = std::make_shared<const PageFacts>(std::move(facts));
    out.in_stash = true;
    return out;
}

void put_record(Project& project, PageRecord record) {
    Stash stash = stash_at_hand(project);
    const auto known = std::find_if(stash.records.begin(), stash.records.end(),
                                    [&](const PageRecord& r) { return r.uid == record.uid; });
    if (known == stash.records.end()) {
        record.id = free_id_among(stash.records, record.id.empty() ? "page" : record.id);
        stash.records.push_back(std::move(record));
    } else {
        record.id = known->id;
        if (record.photo.empty()) record.photo = known->photo;
        *known = std::move(record);
    }
    project.stash = std::make_shared<const Stash>(std::move(stash));
}

namespace {

const PageRecord* own_record(const Project& project) {
    for (const PageRecord& r : stash_at_hand(project).records)
        if (!r.uid.empty() && r.uid == project.keep.record) return &r;
    return nullptr;
}

} // namespace

const PageRecord* later_record(const Project& project, const std::string& file) {
    if (!project.keep.record.empty()) {
        const PageRecord* own = own_record(project);
        return own && own->takings > project.keep.takings ? own : nullptr;
    }
    for (const PageRecord& r : stash_at_hand(project).records)
        if (!file.empty() && r.file == file && r.takings > project.keep.takings) return &r;
    return nullptr;
}

void notes_into_record(Project& project) {
    const PageRecord* own = own_record(project);
    if (!own || (own->notes == project.keep.notes && own->title == project.title)) return;
    Stash stash = stash_at_hand(project);
    for (PageRecord& r : stash.records)
        if (r.uid == project.keep.record) {
            r.notes = project.keep.notes;
            r.title = project.title;
        }
    project.stash = std::make_shared<const Stash>(std::move(stash));
}

void notes_from_record(Project& project) {
    if (const PageRecord* own = own_record(project); own && own->takings == project.keep.takings)
        project.keep.notes = own->notes;
}

void catch_up(Project& project, const PageRecord& record, const KeepDecisions& then) {
    project.keep = then;
    project.keep.record = record.uid;
    project.keep.notes = record.notes;
}

Project page_to_remember(Project project) {
    for (Photo& photo : project.set_out.photos) photo.picture = nullptr;
    project.set_out.sketch = {};
    project.variants.clear();
    Stash papers = stash_at_hand(project);
    for (Paper& p : papers.papers) {
        p.picture.clear();
        if (p.back) p.back->picture.clear();
    }
    for (Embellishment& e : papers.embellishments) e.picture.clear();
    papers.records.clear();
    papers.pictures.clear();
    project.stash = std::make_shared<const Stash>(std::move(papers));
    return project;
}

} // namespace zesty
