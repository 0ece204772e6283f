// The steps of cutting: frame, cuts, patches, acetate, photo mats and layers.

#include "core/geometry/measure.h"
#include "core/project/cutting_jobs.h"
#include "core/project/steps_in_making.h"
#include "core/sentences.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace zesty {

namespace {

using After = StepsInMaking::After;

std::string cardstock_of(const StepsInMaking& s, const PlacedCut& cut) {
    if (s.project.stash && !cut.paper.empty())
        if (const int p = s.project.stash->find(cut.paper); p >= 0)
            return s.project.stash->papers[static_cast<std::size_t>(p)].name;
    return {};
}

/// Cuts that share a cardstock are cut together: by their paper, which may be none that is known.
std::map<std::string, std::vector<int>> cuts_by_cardstock(const StepsInMaking& s) {
    std::map<std::string, std::vector<int>> out;
    const auto& cuts = s.project.set_out.cuts;
    for (std::size_t c = 0; c < cuts.size(); ++c)
        if (!cuts[c].pieces_from_paper) out[cuts[c].paper].push_back(static_cast<int>(c));
    return out;
}

void cut_the_cuts(StepsInMaking& s) {
    if (!s.plan.sections.cut) return;
    const CutFile& file = *s.plan.sections.cut;
    const double scale = s.plan.set_out.whole.scale;
    for (const auto& [paper, cuts] : cuts_by_cardstock(s)) {
        double length = 0;
        std::size_t contours = 0, pieces = 0, loose = 0;
        double covers = 0;
        for (const Piece& p : file.pieces) {
            if (std::find(cuts.begin(), cuts.end(), p.layer) == cuts.end()) continue;
            length += perimeter(p.outline) * scale;
            contours += 1 + p.outline.holes.size();
            ++pieces;
            if (p.in_opening >= 0) ++loose;
            covers += bounds(p.outline).area() * scale * scale;
        }
        if (pieces == 0) continue;
        const CuttingMat& mat = s.project.set_out.cutting_mat;
        const double mats = std::max(1.0, std::ceil(0.6 * covers / (mat.width * mat.height)));
        const std::string from =
            cardstock_of(s, s.project.set_out.cuts[static_cast<std::size_t>(cuts.front())]);
        const std::string which = cuts.size() == 1 ? "the cut" : count_of(cuts.size(), "cut", "cuts");
        std::vector<StepPart> parts;
        for (const int c : cuts) parts.push_back({StepPart::Kind::Cut, c});
        const std::size_t run = s.add(
            {.key = "cut:" + paper,
             .kind = StepKind::MachineCut,
             .what = "Cut " + which + (from.empty() ? std::string() : " from " + from) + " by machine",
             .time = {s.minutes().loading * mats, s.machine_minutes(length, contours), {}, true, true},
             .caution = machine_caution,
             .rows = {{"Cuts", format_long(length, s.project.units) + " in " +
                                   count_of(contours, "contour", "contours")}},
             .parts = parts,
             .needs = {from.empty() ? "cardstock for the cut" : from, "cutting machine and its cutting mat"},
             .waiting = "the machine cuts"},
            {});
        std::string lift = cuts.size() == 1 ? "Lift the cut gently off the cutting mat with a spatula"
                                            : "Lift the cuts gently off the cutting mat with a spatula";
        if (loose > 0) lift += ", and leave loose pieces there until they are needed";
        s.cut.push_back(s.add({.key = "lift:" + paper,
                               .kind = StepKind::Lift,
                               .what = lift,
                               .time = {1 + s.minutes().lifting * static_cast<double>(pieces - loose), 0, {}},
                               .parts = parts,
                               .needs = {"spatula"}},
                              {run}));
    }
}

/// What the machine cuts from one sheet.
struct FromSheet {
    double length = 0;
    std::size_t contours = 0;
    std::size_t patches = 0;
    std::vector<const DressPiece*> pieces = {};

    void add(const Polygon& outline) {
        length += perimeter(outline);
        contours += 1 + outline.holes.size();
    }
};

std::map<int, FromSheet> by_sheet(const StepsInMaking& s) {
    std::map<int, FromSheet> out;
    for (const UsedSheet& used : s.plan.sheets.used)
        for (const int p : used.patches) {
            const Patch& patch = s.plan.sections.patches[static_cast<std::size_t>(p)];
            if (!cut_by_machine(patch) || patch.rides_on >= 0) continue;
            out[used.sheet].add(patch.on_sheet());
            ++out[used.sheet].patches;
        }
    for (const DressPiece& piece : s.plan.dress.pieces)
        for (std::size_t n = 0; n < s.plan.papers.sheets.size(); ++n)
            if (piece.placed && piece.sheet == s.plan.papers.sheets[n].id &&
                cut_by_machine(piece, s.project.build.habits)) {
                out[static_cast<int>(n)].add(piece.outline);
                out[static_cast<int>(n)].pieces.push_back(&piece);
            }
    return out;
}

StepPart part_of(const DressPiece& piece) {
    if (piece.photo >= 0) return {StepPart::Kind::Photo, piece.photo};
    return {StepPart::Kind::Layer, piece.layer};
}

void cut_sheet(StepsInMaking& s, int number, const FromSheet& from) {
    const Sheet& sheet = s.plan.papers.sheets[static_cast<std::size_t>(number)];
    const std::string name = sheet_in_words(s.project, s.plan, number);
    std::vector<std::string> what;
    if (from.patches > 0) what.push_back(count_of(from.patches, "patch", "patches"));
    for (const DressPiece* piece : from.pieces) what.push_back(piece->what);
    const Box box = bounds(sheet.outline);
    const std::size_t step =
        s.add({.key = "sheet:" + sheet.id,
               .kind = StepKind::MachineCut,
               .what = "Cut " + in_a_row(what) + " from " + name,
               .time = {s.minutes().loading, s.machine_minutes(from.length, from.contours), {}, true, true},
               .caution = machine_caution,
               .rows = {{"Sheet", std::string(name_of(sheet.kind)) + ", " +
                                      format_size(box.width(), box.height(), s.project.units)}},
               .parts = {{StepPart::Kind::Sheet, number}},
               .needs = {name, "cutting machine and its cutting mat"},
               .waiting = "the machine cuts"},
              sheet.kind == SheetKind::Gutted ? s.gutted : After{});
    if (from.patches > 0) s.patches.push_back(step);
    for (const DressPiece* piece : from.pieces) s.pieces[{piece->photo, piece->layer}].push_back(step);
}

/// Photo mats and layers by knife or trimmer.
void cut_by_hand(StepsInMaking& s) {
    for (const DressPiece& piece : s.plan.dress.pieces) {
        if (piece.of_frame || (piece.placed && cut_by_machine(piece, s.project.build.habits))) continue;
        const Box box = bounds(piece.outline);
        const auto sheet =
            std::find_if(s.plan.papers.sheets.begin(), s.plan.papers.sheets.end(),
                         [&](const Sheet& one) { return piece.placed && one.id == piece.sheet; });
        const std::string from =
            sheet == s.plan.papers.sheets.end()
                ? std::string()
                : sheet_in_words(s.project, s.plan, static_cast<int>(sheet - s.plan.papers.sheets.begin()));
        s.pieces[{piece.photo, piece.layer}].push_back(
            s.add({.key = s.free_key("piece:" + piece.what),
                   .kind = StepKind::HandCut,
                   .what = "Cut " + piece.what + (from.empty() ? std::string() : " from " + from),
                   .time = {s.minutes().trimming, 0, {}},
                   .caution = knife_caution,
                   .rows = {{"Size", format_size(box.width(), box.height(), s.project.units)}},
                   .parts = {part_of(piece)},
                   .needs = {from.empty() ? "paper for " + piece.what : from, "trimmer"}},
                  {}));
    }
}

} // namespace

void add_cutting(StepsInMaking& s) {
    const Page& page = s.project.set_out.page;
    if (s.plan.set_out.frame.window && page.gut)
        s.gutted.push_back(
            s.add({.key = "gut",
                   .kind = StepKind::Gut,
                   .what = "Cut the middle out of the frame paper, before the base is glued on it",
                   .time = {s.minutes().gutting, 0, {}},
                   .caution = knife_caution,
                   .rows = {{"Window", format_size(s.plan.set_out.frame.window->width(),
                                                   s.plan.set_out.frame.window->height(), s.project.units)},
                            {"Middle", "is paper for this page, or for the next"}},
                   .parts = {{StepPart::Kind::Base, 0}},
                   .needs = {"frame paper", "craft knife", "metal ruler"}},
                  {}));
    cut_the_cuts(s);
    for (const auto& [number, from] : by_sheet(s)) cut_sheet(s, number, from);
    if (!s.plan.sections.shakers.empty()) {
        double length = 0;
        std::vector<StepPart> parts;
        for (const Shaker& sh : s.plan.sections.shakers) {
            length += 2 * (sh.acetate.width() + sh.acetate.height());
            parts.push_back({StepPart::Kind::Opening, sh.opening});
        }
        s.acetate.push_back(s.add(
            {.key = "acetate",
             .kind = StepKind::MachineCut,
             .what = "Cut " + count_of(s.plan.sections.shakers.size(), "window", "windows") + " of acetate",
             .time = {s.minutes().loading,
                      s.machine_minutes(length, s.plan.sections.shakers.size()),
                      {},
                      true,
                      true},
             .caution = machine_caution,
             .parts = parts,
             .needs = {"acetate", "cutting machine and its cutting mat"},
             .waiting = "the machine cuts"},
            {}));
    }
    cut_by_hand(s);
}

} // namespace zesty
