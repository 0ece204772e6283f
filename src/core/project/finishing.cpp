#include "core/project/finishing.h"

#include "core/geometry/boolean.h"
#include "core/geometry/measure.h"
#include "core/project/stash_at_hand.h"
#include "core/project/taken.h"
#include "core/sentences.h"
#include "core/stash/stock.h"

#include <algorithm>
#include <map>
#include <set>

namespace zesty {

namespace {

constexpr double worth_keeping = 400; ///< mm2 of a scrap
constexpr double least_width = 8;     ///< mm at its widest
constexpr double runs_over = 3;       ///< mm that wet work goes beyond its place

bool is_worth_keeping(const Polygon& p) {
    if (area(p) < worth_keeping) return false;
    const auto core = grow({p}, -least_width / 2);
    return core && !core->empty();
}

/// The sheets of the stock as plans number them, and what each is one of.
std::map<std::string, std::pair<int, SheetStock>> stock_by_sheet(const Stash& stash) {
    std::map<std::string, std::pair<int, SheetStock>> out;
    each_sheet(stash, [&](const std::string& id, int paper, const SheetStock& s) { out[id] = {paper, s}; });
    return out;
}

/// Which of the page has been worked on, by the steps that are done.
struct CutSoFar {
    bool all = false;
    std::set<int> sheets, openings, cuts, photos, layers;
    bool base = false, frame = false, embellished = false, titled = false;

    CutSoFar(const Project& project, FinishWhat what, const std::vector<BuildStep>& steps)
        : all(what == FinishWhat::Everything) {
        for (const BuildStep& step : steps) {
            const auto log = project.build.log.find(step.key);
            if (log == project.build.log.end() || log->second.done == 0) continue;
            frame = frame || step.kind == StepKind::Gut || step.kind == StepKind::Frame;
            base = base || step.kind == StepKind::Trim || step.kind == StepKind::Wet ||
                   step.kind == StepKind::Stitch || step.kind == StepKind::Mount;
            embellished = embellished || step.kind == StepKind::Embellish;
            titled = titled || step.kind == StepKind::Title;
            if (step.kind == StepKind::LayOut || step.kind == StepKind::Own) continue;
            for (const StepPart& part : step.parts) add(part);
        }
    }

    void add(const StepPart& part) {
        if (part.kind == StepPart::Kind::Sheet) sheets.insert(part.index);
        if (part.kind == StepPart::Kind::Opening) openings.insert(part.index);
        if (part.kind == StepPart::Kind::Cut) cuts.insert(part.index);
        if (part.kind == StepPart::Kind::Photo) photos.insert(part.index);
        if (part.kind == StepPart::Kind::Layer) layers.insert(part.index);
    }
};

class InMaking {
public:
    InMaking(const Project& project, const Plan& plan, FinishWhat what, const std::vector<BuildStep>& steps)
        : project_(project), plan_(plan), stash_(stash_at_hand(project)), so_far_(project, what, steps),
          stock_(stock_by_sheet(stash_)) {}

    Finishing made() {
        gather_patches();
        gather_own();
        gather_pieces();
        for (const std::string& sheet : touched_) take_sheet(sheet);
        if (so_far_.all) {
            spare_patches();
            lacking();
        }
        take_things();
        return std::move(out_);
    }

private:
    struct OnSheet {
        Region used;              ///< paper that goes on the page
        Region base;              ///< of it, what wet work lies on, in the sheet's place
        Transform from_page;      ///< of the base
        std::vector<int> patches; ///< of the plan
        std::vector<TakenPiece> pieces;
    };

    const Sheet& sheet(int number) const { return plan_.papers.sheets[static_cast<std::size_t>(number)]; }

    void gather_patches() {
        for (std::size_t p = 0; p < plan_.sheets.placed.size(); ++p) {
            const PlacedPatch& at = plan_.sheets.placed[p];
            if (at.sheet < 0 || plan_.sheets.had[p].sheet >= 0) continue;
            const std::string whole = whole_sheet_of(sheet(at.sheet).id);
            const Patch& patch = plan_.sections.patches[p];
            if (so_far_.all || so_far_.sheets.contains(at.sheet) || so_far_.openings.contains(patch.opening))
                touched_.insert(whole);
            if (patch.rides_on >= 0) continue;
            OnSheet& on = by_sheet_[whole];
            on.patches.push_back(static_cast<int>(p));
            on.used.push_back(transformed(patch.on_sheet(), at.to_sheet()));
        }
    }

    bool has_been_cut(const OwnUse& use) const {
        if (so_far_.all) return true;
        if (use.is_base) return so_far_.base;
        if (use.what.rfind("cut ", 0) != 0) return so_far_.frame;
        return std::any_of(so_far_.cuts.begin(), so_far_.cuts.end(), [&](int c) {
            return "cut " + std::to_string(project_.set_out.cuts[static_cast<std::size_t>(c)].id) == use.what;
        });
    }

    void gather_own() {
        for (const OwnUse& use : plan_.papers.own) {
            OnSheet& on = by_sheet_[use.sheet];
            if (has_been_cut(use)) touched_.insert(use.sheet);
            on.used.push_back(use.on_sheet);
            on.pieces.push_back({use.what, use.on_sheet});
            if (!use.is_base) continue;
            on.base.push_back(use.on_sheet);
            on.from_page = use.to_sheet;
        }
    }

    bool has_been_cut(const DressPiece& piece) const {
        if (so_far_.all) return true;
        if (piece.of_frame) return so_far_.frame;
        return piece.photo >= 0 ? so_far_.photos.contains(piece.photo) : so_far_.layers.contains(piece.layer);
    }

    void gather_pieces() {
        for (const DressPiece& piece : plan_.dress.pieces) {
            if (!piece.placed || stock_.find(whole_sheet_of(piece.sheet)) == stock_.end()) continue;
            const std::string whole = whole_sheet_of(piece.sheet);
            OnSheet& on = by_sheet_[whole];
            if (has_been_cut(piece)) touched_.insert(whole);
            on.used.push_back(piece.on_sheet);
            on.pieces.push_back({piece.what, piece.on_sheet});
        }
    }

    /// Drop-outs of a cut, and what else of its own paper the page offers and does not use, are not in what
    /// is left beside the pieces.
    Region free_parts_within(const std::string& whole) const {
        Region out;
        for (const Sheet& one : plan_.papers.sheets)
            if (one.kind == SheetKind::DropOut && one.area > 0 && whole_sheet_of(one.id) == whole)
                out.push_back(one.outline);
        return out;
    }

    /// Where paint and ink run on the sheet of a base that is trimmed after them.
    Region wet_on(const OnSheet& on) const {
        if (on.base.empty() || project_.build.habits.trim == TrimBase::BeforeWet) return {};
        Region wet;
        for (const WetFacts& zone : plan_.dress.wet)
            for (const Region* all : {&zone.wet, &zone.primer})
                for (const Polygon& p : *all) wet.push_back(transformed(p, on.from_page));
        return grow(wet, runs_over).value_or(Region{});
    }

    void give_back(SheetFate& fate, const Polygon& p, ScrapOf of, const Region& wet) {
        if (!is_worth_keeping(p)) return;
        const auto stain = intersect(wet, {p});
        const bool clean = !stain || stain->empty();
        fate.back.push_back({p, 1, true, fate.stock.clean && clean, of, project_.title});
    }

    void take_sheet(const std::string& id) {
        const auto stock = stock_.find(id);
        if (stock == stock_.end()) return;
        const OnSheet& on = by_sheet_[id];
        SheetFate fate{id, stock->second.first, stock->second.second};
        fate.stock.count = 1;
        const Paper& paper = stash_.papers[static_cast<std::size_t>(fate.paper)];
        const double gap = project_.sheets.blade_gap / 2;
        const Polygon whole = without_strip(fate.stock, paper.strip);
        fate.used = unite(on.used).value_or(Region{});
        const auto cut_out = grow(fate.used, gap, Corner::Sharp);
        const auto rest = subtract({whole}, cut_out.value_or(fate.used)).value_or(Region{});
        const Region wet = wet_on(on);
        Region holes;
        for (const Polygon& p : fate.used)
            for (const Ring& hole : p.holes) holes.push_back({hole, {}});
        for (const Polygon& p : rest) {
            const bool middle = std::any_of(holes.begin(), holes.end(), [&](const Polygon& hole) {
                return contains(hole, p.outer.front());
            });
            give_back(fate, p, middle ? ScrapOf::Middle : ScrapOf::Leftover, wet);
        }
        if (project_.keep.drop_outs) drop_outs(fate, on, wet, gap);
        double kept = 0;
        for (const SheetStock& s : fate.back) kept += area(s.outline);
        fate.waste = area(fate.stock.outline) - area(fate.used) - kept;
        note_taken_sheets(fate, on);
        out_.sheets.push_back(std::move(fate));
    }

    /// They come out of the paper of a cut, which counts as used as a whole.
    void drop_outs(SheetFate& fate, const OnSheet& on, const Region& wet, double gap) {
        const Region free = free_parts_within(fate.sheet);
        if (free.empty()) return;
        Region patches;
        for (const int p : on.patches)
            patches.push_back(transformed(plan_.sections.patches[static_cast<std::size_t>(p)].on_sheet(),
                                          plan_.sheets.placed[static_cast<std::size_t>(p)].to_sheet()));
        const auto cut_out = grow(patches, gap, Corner::Sharp);
        const auto left = subtract(free, cut_out.value_or(patches)).value_or(Region{});
        const std::size_t before = fate.back.size();
        for (const Polygon& p : left) give_back(fate, p, ScrapOf::DropOut, wet);
        Region dropped;
        for (std::size_t i = before; i < fate.back.size(); ++i) dropped.push_back(fate.back[i].outline);
        fate.used = subtract(fate.used, dropped).value_or(fate.used);
    }

    /// Under a name of their own: the numbers of the stock go on without them.
    void note_taken_sheets(SheetFate& fate, const OnSheet& on) {
        const std::string paper = stash_.papers[static_cast<std::size_t>(fate.paper)].id;
        std::map<int, TakenSheet> sheets;
        for (const int p : on.patches) {
            const PlacedPatch& at = plan_.sheets.placed[static_cast<std::size_t>(p)];
            const Patch& patch = plan_.sections.patches[static_cast<std::size_t>(p)];
            TakenSheet& of = sheets[at.sheet];
            of.outline = sheet(at.sheet).outline;
            of.kind = sheet(at.sheet).kind;
            of.id = sheet(at.sheet).id;
            of.patches.push_back({plan_.sections.spots[static_cast<std::size_t>(patch.opening)],
                                  plan_.papers.side_of_section[static_cast<std::size_t>(patch.section)],
                                  at.rotation_deg, at.shift, at.mirrored,
                                  transformed(patch.on_sheet(), at.to_sheet())});
        }
        TakenSheet rest{fate.sheet, paper, SheetKind::Full, fate.stock.outline, {}, on.pieces};
        if (fate.stock.irregular) rest.kind = SheetKind::Offcut;
        fate.taken_as = paper + "#cut" + std::to_string(next_number(paper));
        const auto add = [&](TakenSheet taken) {
            taken.id = fate.taken_as + taken.id.substr(fate.sheet.size());
            taken.paper = paper;
            out_.taken.push_back(std::move(taken));
        };
        bool pieces_told = on.pieces.empty();
        for (auto& [number, taken] : sheets) {
            if (taken.id == fate.sheet) {
                taken.pieces = on.pieces;
                taken.outline = fate.stock.outline;
                pieces_told = true;
            }
            add(std::move(taken));
        }
        if (!pieces_told) add(std::move(rest));
    }

    int next_number(const std::string& paper) {
        int& last = last_number_[paper];
        if (last == 0)
            for (const TakenSheet& t : project_.keep.taken)
                if (t.paper == paper) last = std::max(last, std::atoi(t.id.c_str() + paper.size() + 4));
        return ++last;
    }

    /// Patches that were cut for what is not there any more.
    void spare_patches() {
        for (const TakenSheet& taken : project_.keep.taken) {
            if (stash_.find(taken.paper) < 0) continue;
            for (const TakenPatch& patch : taken.patches) {
                bool wanted = false;
                for (std::size_t p = 0; p < plan_.sheets.had.size() && !wanted; ++p)
                    wanted = plan_.sheets.had[p].sheet >= 0 &&
                             is_the_patch(project_, plan_, taken, patch, static_cast<int>(p));
                if (!wanted)
                    out_.spares.emplace_back(taken.paper, SheetStock{patch.on_sheet, 1, true, true,
                                                                     ScrapOf::Spare, project_.title});
            }
        }
    }

    void lacking() {
        if (const std::size_t n = plan_.sheets.short_patches.size(); n > 0)
            out_.without.push_back(sentence(count_of(n, "patch has", "patches have") + " no paper"));
        std::size_t bare = 0;
        for (const DressPiece& piece : plan_.dress.pieces)
            if (!piece.placed && !piece.paper.empty()) ++bare;
        if (bare > 0)
            out_.without.push_back(sentence(
                count_of(bare, "photo mat or layer has", "photo mats and layers have") + " no paper"));
    }

    /// Counts never go below none: what is short was never there to be taken.
    void take_things() {
        std::map<std::string, int> wanted;
        if (so_far_.all || so_far_.embellished)
            for (const PlacedEmbellishment& e : project_.dress.embellishments) ++wanted[e.id];
        for (const auto& [id, count] : wanted) {
            const Embellishment* of = stash_.embellishment(id);
            const int take = std::min(count - project_.keep.had.embellishment(id), of ? of->count : 0);
            if (take > 0) out_.things.embellishments[id] = take;
        }
        if (!so_far_.all && !so_far_.titled) return;
        std::map<std::pair<std::string, std::string>, int> letters;
        for (const TitleFacts& title : plan_.dress.titles)
            for (const TitleLetter& letter : title.letters) ++letters[{letter.set, letter.piece}];
        for (const auto& [name, count] : letters) {
            const LetterSet* set = stash_.letter_set(name.first);
            if (!set || !runs_out(set->kind)) continue;
            const auto piece = set->letters.find(name.second);
            if (piece == set->letters.end()) continue;
            const int take =
                std::min(count - project_.keep.had.letter(name.first, name.second), piece->second.count);
            if (take > 0) out_.things.letters[name.first][name.second] = take;
        }
    }

    const Project& project_;
    const Plan& plan_;
    const Stash& stash_;
    CutSoFar so_far_;
    std::map<std::string, std::pair<int, SheetStock>> stock_;
    std::map<std::string, OnSheet> by_sheet_;
    std::set<std::string> touched_;
    std::map<std::string, int> last_number_;
    Finishing out_;
};

} // namespace

Finishing finishing_of(const Project& project, const Plan& plan, FinishWhat what,
                       const std::vector<BuildStep>& steps) {
    return InMaking(project, plan, what, steps).made();
}

} // namespace zesty
