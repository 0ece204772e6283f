// The steps of cutting: the frame, and everything the machine cuts, sheet by sheet.

#include "core/geometry/measure.h"
#include "core/project/cutting_jobs.h"
#include "core/project/steps_in_making.h"
#include "core/sentences.h"
#include "core/sheets/leftover.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace zesty {

namespace {

/// What the machine does in one go, or in several of one cardstock.
struct Loading {
    double length = 0;
    std::size_t contours = 0;
    std::vector<std::string> what = {};
    std::size_t patches = 0;
    std::vector<StepDeed> deeds = {};
    std::vector<StepPart> parts = {};

    void add(const Polygon& outline, double scale = 1) {
        length += perimeter(outline) * scale;
        contours += 1 + outline.holes.size();
    }
};

/// The patches and pieces of Dress that the machine cuts from one sheet of the stock, with all that is a part
/// of it in the plan.
void load_sheet(const StepsInMaking& s, const LoadedSheet& sheet, Loading& out) {
    out.deeds.push_back({Deed::Loads, sheet.id});
    for (const int n : sheet.numbers) {
        out.parts.push_back({StepPart::Kind::Sheet, n});
        // The base is a part of its sheet.
        if (s.plan.papers.sheets[static_cast<std::size_t>(n)].id.find("/photo") != std::string::npos)
            for (const OwnUse& use : s.plan.papers.own)
                if (use.is_base && use.sheet == sheet.id)
                    join(out.deeds, {{Deed::Loads, "base:" + use.what.substr(5)}});
    }
    for (const int p : sheet.patches) {
        out.add(s.patch(p).on_sheet());
        ++out.patches;
        out.deeds.push_back({Deed::Makes, name_of_patch(s.patch(p))});
        for (const Patch& rider : s.plan.sections.patches)
            if (rider.rides_on == p) out.deeds.push_back({Deed::Makes, name_of_patch(rider)});
    }
    for (const DressPiece* piece : sheet.pieces) {
        out.add(piece->outline);
        out.what.push_back(piece->what);
        out.deeds.push_back({Deed::Makes, s.things.piece(*piece)});
    }
    // What is taken out of mats is paper, too, for hands.
    if (!sheet.pieces.empty())
        for (const Sheet& part : s.plan.papers.sheets)
            if (part.id.rfind(sheet.id + "/mat", 0) == 0) out.deeds.push_back({Deed::Makes, part.id});
}

std::string cardstock_of(const StepsInMaking& s, const std::string& paper) {
    const int p = s.project.stash && !paper.empty() ? s.project.stash->find(paper) : -1;
    return p >= 0 ? s.project.stash->papers[static_cast<std::size_t>(p)].name : std::string();
}

/// Cuts that share a cardstock are cut together: by their paper, which may be none that is known.
std::map<std::string, std::vector<std::size_t>> cuts_by_cardstock(const StepsInMaking& s) {
    std::map<std::string, std::vector<std::size_t>> out;
    const auto& cuts = s.project.set_out.cuts;
    for (std::size_t c = 0; c < cuts.size(); ++c)
        if (s.things.is_lattice(c)) out[cuts[c].paper].push_back(c);
    return out;
}

std::string loose_thing(const InsertLabel& label) {
    return "loose:" + label.label;
}

void lift(StepsInMaking& s, const std::string& paper, const std::vector<std::size_t>& cuts,
          std::size_t pieces, std::size_t loose) {
    std::string words = cuts.size() == 1 ? "Lift the cut gently off the cutting mat with a spatula"
                                         : "Lift the cuts gently off the cutting mat with a spatula";
    if (loose > 0) words += ", and leave loose pieces there until they are needed";
    BuildStep step{.key = "lift:" + paper,
                   .kind = StepKind::Lift,
                   .what = words,
                   .time = {1 + s.minutes().lifting * static_cast<double>(pieces - loose), 0, {}},
                   .needs = {"spatula"}};
    for (const std::size_t c : cuts) {
        step.parts.push_back({StepPart::Kind::Cut, static_cast<int>(c)});
        step.deeds.push_back({Deed::Lifts, s.things.cut(c)});
        if (const OwnUse* use = sheet_of_cut(s.project, s.plan, c))
            for (const Sheet& part : s.plan.papers.sheets)
                if (part.kind == SheetKind::DropOut && whole_sheet_of(part.id) == use->sheet)
                    join(step.deeds, {{Deed::Makes, part.id}});
    }
    for (const InsertLabel& label : s.plan.sections.inserts) {
        const int layer = s.plan.sections.cut->pieces[static_cast<std::size_t>(label.piece)].layer;
        if (std::find(cuts.begin(), cuts.end(), static_cast<std::size_t>(layer)) != cuts.end())
            step.deeds.push_back({Deed::Makes, loose_thing(label)});
    }
    s.add(std::move(step));
}

/// Edges are coloured while the cut is held flat.
void ink_edges(StepsInMaking& s, const std::string& paper, const std::vector<std::size_t>& cuts) {
    BuildStep step{.key = "ink:" + paper,
                   .kind = StepKind::Wet,
                   .what = "Colour the edges before lifting",
                   .time = {0, s.drying().ink, {}},
                   .caution = "The label's own advice comes before ours.",
                   .needs = {"ink pad or marker", "scrap paper below"},
                   .waiting = "ink dries"};
    std::vector<std::string> names;
    for (const std::size_t c : cuts) {
        if (!s.project.set_out.cuts[c].edge) continue;
        step.parts.push_back({StepPart::Kind::Cut, static_cast<int>(c)});
        step.deeds.push_back({Deed::Wets, s.things.cut(c)});
        step.time.hands += s.minutes().wetting;
        names.push_back(s.project.set_out.cuts.size() == 1 ? "the cut" : "cut " + std::to_string(c + 1));
    }
    if (names.empty()) return;
    step.what = "Colour the edges of " + in_a_row(names) + " before lifting";
    s.add(std::move(step));
}

void cut_the_cuts(StepsInMaking& s, std::vector<LoadedSheet>& sheets) {
    if (!s.plan.sections.cut) return;
    const double scale = s.plan.set_out.whole.scale;
    for (const auto& [paper, cuts] : cuts_by_cardstock(s)) {
        Loading loading;
        std::size_t pieces = 0, loose = 0, loaded = 0;
        double covers = 0;
        const std::string from = cardstock_of(s, paper);
        loading.what.push_back(cuts.size() == 1 ? "the cut" : count_of(cuts.size(), "cut", "cuts"));
        for (const std::size_t c : cuts) {
            loading.deeds.push_back({Deed::Makes, s.things.cut(c)});
            loading.parts.push_back({StepPart::Kind::Cut, static_cast<int>(c)});
        }
        for (const Piece& p : s.plan.sections.cut->pieces) {
            if (std::find(cuts.begin(), cuts.end(), static_cast<std::size_t>(p.layer)) == cuts.end())
                continue;
            loading.add(p.outline, scale);
            ++pieces;
            if (p.in_opening >= 0) ++loose;
            covers += bounds(p.outline).area() * scale * scale;
        }
        if (pieces == 0) continue;
        for (auto sheet = sheets.begin(); sheet != sheets.end();) {
            const bool here = std::any_of(cuts.begin(), cuts.end(), [&](std::size_t c) {
                return std::find(sheet->cuts.begin(), sheet->cuts.end(), c) != sheet->cuts.end();
            });
            if (here) load_sheet(s, *sheet, loading);
            loaded += here;
            sheet = here ? sheets.erase(sheet) : sheet + 1;
        }
        if (loading.patches > 0) loading.what.push_back(count_of(loading.patches, "patch", "patches"));
        const CuttingMat& mat = s.project.set_out.cutting_mat;
        const double mats = loaded > 0 ? static_cast<double>(loaded)
                                       : std::max(1.0, std::ceil(0.6 * covers / (mat.width * mat.height)));
        s.add(
            {.key = "cut:" + paper,
             .kind = StepKind::MachineCut,
             .what = "Cut " + in_a_row(loading.what) + (from.empty() ? std::string() : " from " + from) +
                     " by machine",
             .time = {s.minutes().loading * mats,
                      s.machine_minutes(loading.length, loading.contours),
                      {},
                      true,
                      true},
             .deeds = std::move(loading.deeds),
             .caution = machine_caution,
             .rows = {{"Cuts", format_long(loading.length, s.project.units) + " in " +
                                   count_of(loading.contours, "contour", "contours")}},
             .parts = std::move(loading.parts),
             .needs = {from.empty() ? "cardstock for the cut" : from, "cutting machine and its cutting mat"},
             .waiting = "the machine cuts"});
        ink_edges(s, paper, cuts);
        lift(s, paper, cuts, pieces, loose);
    }
}

void cut_sheet(StepsInMaking& s, const LoadedSheet& sheet) {
    Loading loading;
    load_sheet(s, sheet, loading);
    if (loading.patches > 0)
        loading.what.insert(loading.what.begin(), count_of(loading.patches, "patch", "patches"));
    const int first = sheet.numbers.front();
    const std::string name = sheet_in_words(s.project, s.plan, first);
    s.add({.key = "sheet:" + sheet.id,
           .kind = StepKind::MachineCut,
           .what = "Cut " + in_a_row(loading.what) + " from " + name,
           .time = {s.minutes().loading, s.machine_minutes(loading.length, loading.contours), {}, true, true},
           .deeds = std::move(loading.deeds),
           .caution = machine_caution,
           .rows = {{"Sheet", std::string(name_of(sheet.kind)) + ", " +
                                  size_of_sheet(sheet.outline, s.project.units)}},
           .parts = std::move(loading.parts),
           .needs = {name, "cutting machine and its cutting mat"},
           .waiting = "the machine cuts"});
}

void cut_acetate(StepsInMaking& s) {
    if (s.plan.sections.shakers.empty()) return;
    BuildStep step{.key = "acetate",
                   .kind = StepKind::MachineCut,
                   .what =
                       "Cut " + count_of(s.plan.sections.shakers.size(), "window", "windows") + " of acetate",
                   .caution = machine_caution,
                   .needs = {"acetate", "cutting machine and its cutting mat"},
                   .waiting = "the machine cuts"};
    double length = 0;
    for (const Shaker& sh : s.plan.sections.shakers) {
        length += 2 * (sh.acetate.width() + sh.acetate.height());
        step.parts.push_back({StepPart::Kind::Opening, sh.opening});
        step.deeds.push_back({Deed::Makes, "acetate:" + name_of_opening(sh.opening)});
    }
    step.time = {
        s.minutes().loading, s.machine_minutes(length, s.plan.sections.shakers.size()), {}, true, true};
    s.add(std::move(step));
}

/// Letters that are not bought as they are: cut by machine, or with dies.
void cut_letters(StepsInMaking& s) {
    for (const auto& [kind, key, how] : {std::tuple{LetterKind::Cut, "letters", "by machine"},
                                         std::tuple{LetterKind::Dies, "letters-dies", "with their dies"}}) {
        std::size_t letters = 0;
        double length = 0;
        BuildStep step{.key = key,
                       .kind = kind == LetterKind::Cut ? StepKind::MachineCut : StepKind::HandCut,
                       .needs = {"paper for the title"}};
        for (std::size_t t = 0; t < s.plan.dress.titles.size(); ++t) {
            bool some = false;
            for (const TitleLetter& l : s.plan.dress.titles[t].letters) {
                const LetterSet* set = s.project.stash ? s.project.stash->letter_set(l.set) : nullptr;
                if (!set || set->kind != kind || l.missing) continue;
                some = true;
                ++letters;
                length += 3 * (l.width + l.height);
            }
            if (!some) continue;
            step.deeds.push_back({Deed::Makes, s.things.letters(t)});
            step.parts.push_back({StepPart::Kind::Title, static_cast<int>(t)});
        }
        if (letters == 0) continue;
        const auto first = static_cast<std::size_t>(step.parts.front().index);
        const std::string whose =
            step.parts.size() > 1 ? "the titles" : name_of_title(s.project.dress.titles[first]);
        step.what = "Cut " + count_of(letters, "letter", "letters") + " of " + whose + " " + how;
        if (kind == LetterKind::Cut) {
            step.time = {s.minutes().loading, s.machine_minutes(length, letters), {}, true, true};
            step.caution = machine_caution;
            step.waiting = "the machine cuts";
            step.needs.emplace_back("cutting machine and its cutting mat");
        } else {
            step.time = {s.minutes().letter * static_cast<double>(letters), 0, {}};
            step.needs.emplace_back("dies");
        }
        s.add(std::move(step));
    }
}

} // namespace

void add_cutting(StepsInMaking& s) {
    std::vector<LoadedSheet> sheets = loaded_sheets(s.project, s.plan);
    cut_the_cuts(s, sheets);
    for (const LoadedSheet& sheet : sheets) cut_sheet(s, sheet);
    cut_acetate(s);
    cut_letters(s);
}

} // namespace zesty
