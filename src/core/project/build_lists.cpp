#include "core/project/build_lists.h"

#include "core/build/trimmer.h"
#include "core/geometry/measure.h"
#include "core/project/cutting_jobs.h"
#include "core/project/stash_at_hand.h"
#include "core/project/steps_in_making.h"
#include "core/sentences.h"
#include "core/sheets/leftover.h"

#include <algorithm>
#include <map>
#include <set>

namespace zesty {

namespace {

class Lists {
public:
    Lists(const Project& project, const Plan& plan)
        : project_(project), plan_(plan), stock_(sheets_of(stash_at_hand(project))) {}

    std::vector<BuildList> all() {
        missing();
        papers();
        adhesives();
        foam();
        shakers();
        punches();
        rough_rectangles();
        letters();
        embellishments();
        return std::move(out_);
    }

private:
    void add(const char* name, std::vector<ListLine> lines) {
        if (!lines.empty()) out_.push_back({name, std::move(lines)});
    }
    std::string length(double mm) const { return format_long(mm, project_.units); }
    std::string size(const Box& box) const { return format_size(box.width(), box.height(), project_.units); }

    /// Of the stock as it is before anything is cut.
    std::string size_of(const Sheet& sheet) const {
        for (const Sheet& whole : stock_)
            if (whole.id == sheet.id)
                return std::string(name_of(whole.kind)) + ", " + size_of_sheet(whole.outline, project_.units);
        return std::string(name_of(sheet.kind)) + ", " + size_of_sheet(sheet.outline, project_.units);
    }

    /// "the base, frame 1 and cut 2", of what the page itself is made of.
    std::map<std::string, std::vector<std::string>> page_itself() const {
        std::map<std::string, std::vector<std::string>> out;
        for (const OwnUse& use : plan_.papers.own) {
            std::string words = use.what;
            if (use.is_base)
                words = plan_.papers.own.size() > 1 && use.what != "base 1" ? "the second base" : "the base";
            if (use.what.rfind("frame ", 0) == 0) words = "the frame";
            if (use.what.rfind("strip ", 0) == 0) words = "a strip of the frame";
            for (std::size_t c = 0; c < project_.set_out.cuts.size(); ++c)
                if (use.what == "cut " + std::to_string(project_.set_out.cuts[c].id))
                    words = project_.set_out.cuts.size() == 1 ? "the cut" : "cut " + std::to_string(c + 1);
            out[use.sheet].push_back(std::move(words));
        }
        return out;
    }

    /// Of the page, cuts and letters, where it is not from the stash.
    void other_papers(std::vector<ListLine>& lines) const {
        const Page& page = project_.set_out.page;
        const Box base = page.base_of(page.leaves().front());
        if (page.base_paper.empty())
            lines.push_back({"Cardstock for the base", size(base), "not from your stash"});
        if (page.framed() && page.frame_paper.empty())
            lines.push_back({"Paper for the frame", size(page.leaves().front()), "not from your stash"});
        for (std::size_t c = 0; c < project_.set_out.cuts.size() && c < plan_.set_out.each.size(); ++c)
            if (project_.set_out.cuts[c].paper.empty() && !project_.set_out.cuts[c].pieces_from_paper)
                lines.push_back({project_.set_out.cuts.size() == 1
                                     ? std::string("Cardstock for the cut")
                                     : "Cardstock for cut " + std::to_string(c + 1),
                                 size(plan_.set_out.each[c].cut_box), "not from your stash"});
        std::size_t letters = 0;
        for (const TitleFacts& t : plan_.dress.titles)
            for (const TitleLetter& l : t.letters) {
                const LetterSet* set = project_.stash ? project_.stash->letter_set(l.set) : nullptr;
                letters +=
                    !l.missing && set && (set->kind == LetterKind::Cut || set->kind == LetterKind::Dies);
            }
        if (letters > 0)
            lines.push_back({"Paper for the title", count_of(letters, "letter", "letters"), "to be cut"});
    }

    void papers() {
        std::vector<ListLine> lines;
        const auto own = page_itself();
        std::map<std::string, std::size_t> pieces;
        for (const DressPiece& p : plan_.dress.pieces)
            if (p.placed) ++pieces[p.sheet];
        std::set<std::string> told;
        const auto tell = [&](int number, const UsedSheet* used) {
            const Sheet& sheet = plan_.papers.sheets[static_cast<std::size_t>(number)];
            std::vector<std::string> yields;
            if (used && !used->patches.empty())
                yields.push_back(count_of(used->patches.size(), "patch", "patches"));
            if (const std::size_t n = pieces[sheet.id]; n > 0)
                yields.push_back(count_of(n, "photo mat or layer", "photo mats and layers"));
            if (const auto of = own.find(sheet.id); of != own.end())
                yields.insert(yields.end(), of->second.begin(), of->second.end());
            std::string note = in_a_row(yields);
            if (used && !used->largest_left.empty())
                note += "; " + size(used->largest_left) + " of it stays whole";
            lines.push_back({sheet_in_words(project_, plan_, number), size_of(sheet), note});
            told.insert(sheet.id);
        };
        for (const UsedSheet& used : plan_.sheets.used) tell(used.sheet, &used);
        for (std::size_t n = 0; n < plan_.papers.sheets.size(); ++n)
            if (const std::string& id = plan_.papers.sheets[n].id;
                (pieces.contains(id) || own.contains(id)) && !told.contains(id))
                tell(static_cast<int>(n), nullptr);
        other_papers(lines);
        add("Papers", std::move(lines));
    }

    void adhesives() {
        std::vector<ListLine> lines;
        const NarrowestBars& bars = project_.set_out.bars;
        for (const GlueUse& use : plan_.dress.glue.uses) {
            switch (use.what) {
            case Adhesive::Sheet:
                lines.push_back({"Adhesive sheet", length(use.length) + " of bars",
                                 "bars narrower than " + format_mm(bars.glue)});
                break;
            case Adhesive::FineGlue:
                lines.push_back({"Fine-tip glue", length(use.length),
                                 "bars from " + format_mm(bars.glue) + ", and what tape shows through"});
                break;
            case Adhesive::Tape:
                lines.push_back({"Tape", length(use.length), "bars from " + format_mm(bars.tape)});
                break;
            case Adhesive::Dots:
                lines.push_back({"Glue dots", std::to_string(use.dots), "embellishments and free tips"});
                break;
            }
        }
        add("Adhesives", std::move(lines));
    }

    void foam() {
        std::vector<ListLine> lines;
        for (const FoamTotal& f : plan_.dress.heights.foam) {
            const std::string of = "Foam, " + format_mm(f.thickness);
            if (f.length > 0) lines.push_back({of + ", strip", length(f.length), "behind bars and edges"});
            if (f.pads > 0) lines.push_back({of + ", pads", std::to_string(f.pads), "behind what is backed"});
        }
        add("Foam", std::move(lines));
    }

    void shakers() {
        std::vector<ListLine> lines;
        for (const Shaker& s : plan_.sections.shakers) {
            const std::string at = "opening " + std::to_string(s.opening + 1);
            lines.push_back({"Acetate for " + at, size(s.acetate), "lips included"});
            lines.push_back({"Foam walls for " + at, length(s.wall_length),
                             format_length(s.foam_width, project_.units) + " wide"});
            lines.push_back({"Filling for " + at, format_area(s.inner_area, project_.units),
                             "a third of it covered lets it run"});
        }
        add("Shakers", std::move(lines));
    }

    /// "gull-print" of a patch; "paper" where it has none.
    std::string paper_of(const Patch& patch) const {
        const int paper = plan_.papers.of_section[static_cast<std::size_t>(patch.section)];
        return paper >= 0 ? project_.stash->papers[static_cast<std::size_t>(paper)].name : "paper";
    }

    void punches() {
        std::map<double, std::map<std::string, std::vector<int>>> by_size;
        for (const Patch& p : plan_.sections.patches)
            if (p.punch > 0) by_size[p.punch][paper_of(p)].push_back(p.opening);
        std::vector<ListLine> lines;
        for (const auto& [punch, papers] : by_size)
            for (const auto& [paper, openings] : papers)
                lines.push_back({"Punch of " + format_length(punch, project_.units),
                                 count_of(openings.size(), "circle", "circles") + " from " + paper,
                                 "for " + numbers(openings)});
        add("Punches", std::move(lines));
    }

    void rough_rectangles() {
        std::vector<ListLine> lines;
        for (const Patch& p : plan_.sections.patches)
            if (p.method == BackingMethod::GlueAndTrim && !p.fell_back && p.rides_on < 0) {
                const Ring least = smallest_rectangle_around(p.on_sheet().outer);
                if (least.size() != 4) continue;
                lines.push_back(
                    {"Rectangle for opening " + std::to_string(p.opening + 1),
                     format_size(distance(least[0], least[1]), distance(least[1], least[2]), project_.units),
                     paper_of(p)});
            }
        add("Rough rectangles", std::move(lines));
    }

    void letters() {
        std::map<std::string, std::map<std::string, int>> by_set;
        for (const TitleFacts& t : plan_.dress.titles)
            for (const TitleLetter& l : t.letters)
                if (!l.missing) ++by_set[l.set][l.piece];
        std::vector<ListLine> lines;
        for (const auto& [id, pieces] : by_set) {
            const LetterSet* set = project_.stash ? project_.stash->letter_set(id) : nullptr;
            std::vector<std::string> all;
            std::string run;
            int count = 0;
            for (const auto& [piece, n] : pieces) {
                run += (run.empty() ? "" : " ") + piece + (n > 1 ? " x" + std::to_string(n) : "");
                count += n;
            }
            lines.push_back({set ? set->name : std::string("Letters by hand or machine"),
                             count_of(static_cast<std::size_t>(count), "letter", "letters"), run});
        }
        add("Letters", std::move(lines));
    }

    void embellishments() {
        std::map<std::string, int> used;
        for (const auto& e : project_.dress.embellishments) ++used[e.id];
        std::vector<ListLine> lines;
        for (const auto& [id, n] : used) {
            const Embellishment* thing = project_.stash ? project_.stash->embellishment(id) : nullptr;
            lines.push_back(
                {thing ? thing->name : id, std::to_string(n), thing ? thing->kept_in : std::string()});
        }
        add("Embellishments", std::move(lines));
    }

    void missing() {
        std::vector<ListLine> lines;
        for (const ShortPatch& s : plan_.sheets.short_patches)
            lines.push_back(
                {"Paper for opening " +
                     std::to_string(plan_.sections.patches[static_cast<std::size_t>(s.patch)].opening + 1),
                 size(bounds(plan_.sections.patches[static_cast<std::size_t>(s.patch)].on_sheet())),
                 sentence(s.reason)});
        for (const DressPiece& p : plan_.dress.pieces)
            if (!p.placed && !p.paper.empty())
                lines.push_back({"Paper for " + p.what, size(bounds(p.outline)), {}});
        for (const TitleFacts& t : plan_.dress.titles)
            for (const auto& [piece, n] : t.missing)
                lines.push_back({"Letter " + piece, std::to_string(n) + " more", {}});
        for (const ShortThing& s : plan_.dress.short_embellishments) {
            const Embellishment* thing = project_.stash ? project_.stash->embellishment(s.id) : nullptr;
            lines.push_back({thing ? thing->name : s.id, std::to_string(s.used - s.there) + " more",
                             "you have " + std::to_string(s.there)});
        }
        for (const PhotoCount& p : plan_.set_out.photo_sizes)
            lines.push_back({"Photo print", in_words(p), {}});
        add("To get", std::move(lines));
    }

    std::string in_words(const PhotoCount& p) const {
        return std::to_string(p.count) + " of " + format_size(p.width, p.height, project_.units);
    }

    const Project& project_;
    const Plan& plan_;
    std::vector<Sheet> stock_;
    std::vector<BuildList> out_;
};

/// An upright rectangle, whichever corner it begins with.
bool upright(const Polygon& p) {
    const Box box = bounds(p);
    return p.outer.size() == 4 && box.area() - area(Polygon{p.outer, {}}) < 0.5;
}

void say_cuts(const TrimPlan& plan, Units units, std::string& out) {
    bool across = true;
    bool first = true;
    for (const TrimCut& cut : plan.cuts) {
        if (first)
            out += cut.across ? " set it to " : " turn it, set it to ";
        else
            out += cut.across == across ? ", then to " : ", turn, " + std::string("then to ");
        out += format_for_trimmer(cut.at, units);
        across = cut.across;
        first = false;
    }
}

} // namespace

std::vector<BuildList> build_lists(const Project& project, const Plan& plan) {
    return Lists(project, plan).all();
}

std::vector<std::string> trimmer_settings(const Project& project, const Plan& plan) {
    std::vector<std::string> out = plan.set_out.frame.to_cut;
    std::map<std::string, std::vector<const DressPiece*>> by_sheet;
    for (const DressPiece& p : plan.dress.pieces)
        if (p.placed && !cut_by_machine(p, project.build.habits)) by_sheet[p.sheet].push_back(&p);
    for (std::size_t n = 0; n < plan.papers.sheets.size(); ++n) {
        const Sheet& sheet = plan.papers.sheets[n];
        const auto here = by_sheet.find(sheet.id);
        if (here == by_sheet.end()) continue;
        std::vector<Box> boxes;
        std::vector<std::string> names, by_knife;
        for (const DressPiece* p : here->second) {
            if (!upright(p->on_sheet)) {
                by_knife.push_back(p->what);
                continue;
            }
            boxes.push_back(bounds(p->on_sheet));
            names.push_back(p->what);
        }
        const TrimPlan cuts = trim_plan(bounds(sheet.outline), boxes);
        for (const int i : cuts.by_knife) by_knife.push_back(names[static_cast<std::size_t>(i)]);
        std::string words = sheet_in_words(project, plan, static_cast<int>(n)) + ", for " +
                            in_a_row(names.empty() ? by_knife : names) + ":";
        say_cuts(cuts, project.units, words);
        if (cuts.cuts.empty()) words += " by knife and ruler";
        if (!cuts.cuts.empty() && !by_knife.empty())
            words += "; " + in_a_row(by_knife) + " by knife and ruler";
        if (!cuts.largest_left.empty())
            words += "; " +
                     format_size(cuts.largest_left.width(), cuts.largest_left.height(), project.units) +
                     " stays whole";
        out.push_back(words + ".");
    }
    return out;
}

std::vector<PackingList> packing_lists(const std::vector<BuildStep>& steps, const BuildNow& now,
                                       const BuildDecisions& decided) {
    const std::vector<SittingSpan> spans = spans_of(decided, now.begun);
    std::vector<PackingList> out(spans.size());
    for (std::size_t i = 0; i < spans.size(); ++i) {
        out[i].sitting = static_cast<int>(i);
        out[i].away = spans[i].away;
    }
    for (const std::size_t i : now.order) {
        PackingList& list = out[static_cast<std::size_t>(now.steps[i].sitting)];
        list.work += now.steps[i].left;
        list.steps.push_back(i);
        for (const std::string& thing : steps[i].needs)
            if (std::find(list.things.begin(), list.things.end(), thing) == list.things.end())
                list.things.push_back(thing);
    }
    std::erase_if(out, [](const PackingList& list) { return list.steps.empty(); });
    return out;
}

std::vector<OneMoreSheet> one_more_sheet(const Project& project, const Plan& plan, Planner& planner,
                                         const StopToken& stop) {
    std::set<int> papers;
    for (const ShortPatch& s : plan.sheets.short_patches)
        if (const int p = plan.papers.of_section[static_cast<std::size_t>(s.section)]; p >= 0)
            papers.insert(p);
    std::vector<OneMoreSheet> out;
    for (const int p : papers) {
        if (stopped(stop)) break;
        Project bought = project;
        Stash stash = *project.stash;
        Paper& paper = stash.papers[static_cast<std::size_t>(p)];
        SheetStock* largest = nullptr;
        for (SheetStock& s : paper.sheets)
            if (!s.irregular && (!largest || bounds(s.outline).area() > bounds(largest->outline).area()))
                largest = &s;
        SheetStock usual{{ring_of(Box{0, 0, 12 * mm_per_inch, 12 * mm_per_inch}), {}}, 0};
        if (!largest) {
            paper.sheets.push_back(usual);
            largest = &paper.sheets.back();
        }
        ++largest->count;
        const Box sheet = bounds(largest->outline);
        OneMoreSheet one{paper.name, sheet.width(), sheet.height(), plan.sheets.short_patches.size(), 0};
        bought.stash = std::make_shared<const Stash>(std::move(stash));
        const auto then = planner.plan(bought, stop);
        if (!then || !then->sheets.done) continue;
        one.short_then = then->sheets.short_patches.size();
        out.push_back(std::move(one));
    }
    return out;
}

} // namespace zesty
