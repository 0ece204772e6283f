#include "core/project/loaded_sheets.h"

#include "core/geometry/measure.h"
#include "core/project/stash_at_hand.h"

#include <algorithm>

namespace zesty {

namespace {

class SheetLoading {
public:
    SheetLoading(const Project& project, const Plan& plan)
        : project_(project), plan_(plan), stock_(sheets_of(stash_at_hand(project))) {
        for (std::size_t n = 0; n < plan.papers.sheets.size(); ++n)
            sheet_of_.push_back(group_of(static_cast<int>(n)));
    }

    std::vector<LoadedSheet> all() {
        for (const UsedSheet& used : plan_.sheets.used)
            for (const int p : used.patches)
                if (const Patch& patch = plan_.sections.patches[static_cast<std::size_t>(p)];
                    cut_by_machine(patch) && patch.rides_on < 0)
                    at(used.sheet).patches.push_back(p);
        for (const DressPiece& piece : plan_.dress.pieces)
            if (piece.placed && cut_by_machine(piece, project_.build.habits))
                for (std::size_t n = 0; n < plan_.papers.sheets.size(); ++n)
                    if (plan_.papers.sheets[n].id == piece.sheet) {
                        at(static_cast<int>(n)).pieces.push_back(&piece);
                        break;
                    }
        for (std::size_t c = 0; c < project_.set_out.cuts.size(); ++c)
            if (const OwnUse* use = sheet_of_cut(project_, plan_, c))
                for (std::size_t n = 0; n < plan_.papers.sheets.size(); ++n)
                    if (plan_.papers.sheets[n].id == use->sheet) at(static_cast<int>(n)).cuts.push_back(c);
        std::erase_if(out_, [](const LoadedSheet& s) {
            return s.patches.empty() && s.pieces.empty() && s.cuts.empty();
        });
        return std::move(out_);
    }

private:
    const Sheet& sheet(int n) const { return plan_.papers.sheets[static_cast<std::size_t>(n)]; }

    /// Whether hands cut a part of a sheet free before the machine comes to it.
    bool cut_free(const Sheet& part) const {
        if (part.id.find("/mat") == std::string::npos || part.outline.outer.empty()) return false;
        return std::any_of(plan_.dress.pieces.begin(), plan_.dress.pieces.end(), [&](const DressPiece& p) {
            if (!p.placed || cut_by_machine(p, project_.build.habits) ||
                whole_sheet_of(p.sheet) != whole_sheet_of(part.id))
                return false;
            return contains(p.on_sheet.outer, part.outline.outer.front());
        });
    }

    std::size_t group_of(int n) {
        const Sheet& part = sheet(n);
        const std::string id = cut_free(part) ? part.id : whole_sheet_of(part.id);
        const auto known =
            std::find_if(out_.begin(), out_.end(), [&](const LoadedSheet& s) { return s.id == id; });
        if (known != out_.end()) {
            known->numbers.push_back(n);
            return static_cast<std::size_t>(known - out_.begin());
        }
        out_.push_back({id, {n}, part.outline, part.kind});
        if (id.find('/') == std::string::npos) look_up(out_.back());
        return out_.size() - 1;
    }

    /// As it lies on the mat: as it is in the stock, or the middle of a frame; one that has been cut already
    /// as it was then.
    void look_up(LoadedSheet& loaded) const {
        for (const Sheet& one : stock_)
            if (one.id == loaded.id) {
                loaded.outline = one.outline;
                loaded.kind = one.kind;
            }
        for (const TakenSheet& taken : project_.keep.taken)
            if (taken.id == loaded.id) loaded.outline = taken.outline;
        for (const OwnUse& use : plan_.papers.own)
            if (use.sheet == loaded.id && use.what.rfind("frame ", 0) == 0 && !use.on_sheet.holes.empty()) {
                loaded.outline = {use.on_sheet.holes.front(), {}};
                loaded.kind = SheetKind::Gutted;
            }
    }

    LoadedSheet& at(int n) { return out_[sheet_of_[static_cast<std::size_t>(n)]]; }

    const Project& project_;
    const Plan& plan_;
    std::vector<Sheet> stock_;
    std::vector<std::size_t> sheet_of_;
    std::vector<LoadedSheet> out_;
};

} // namespace

std::vector<LoadedSheet> loaded_sheets(const Project& project, const Plan& plan) {
    return SheetLoading(project, plan).all();
}

const OwnUse* own_use(const Plan& plan, const std::string& what) {
    for (const OwnUse& use : plan.papers.own)
        if (use.what == what) return &use;
    return nullptr;
}

const OwnUse* sheet_of_cut(const Project& project, const Plan& plan, std::size_t cut) {
    return own_use(plan, "cut " + std::to_string(project.set_out.cuts[cut].id));
}

Transform drawing_to_sheet(const Project& project, const Plan& plan, std::size_t cut) {
    return sheet_of_cut(project, plan, cut)->to_sheet * plan.set_out.whole.to_page;
}

std::vector<Ring> contours_on(const LoadedSheet& sheet, const Project& project, const Plan& plan) {
    std::vector<Ring> out;
    for (const std::size_t c : sheet.cuts) {
        const Transform onto = drawing_to_sheet(project, plan, c);
        for (const Piece& p : plan.sections.cut->pieces)
            if (p.layer == static_cast<int>(c)) add_contours(transformed(p.outline, onto), out);
    }
    for (const int p : sheet.patches) {
        const auto i = static_cast<std::size_t>(p);
        add_contours(transformed(plan.sections.patches[i].on_sheet(), plan.sheets.placed[i].to_sheet()), out);
    }
    for (const DressPiece* piece : sheet.pieces) add_contours(piece->on_sheet, out);
    return without_doubles(std::move(out));
}

bool cut_by_machine(const Patch& patch) {
    if (patch.fell_back) return true;
    switch (patch.method) {
    case BackingMethod::TraceAndTrim:
    case BackingMethod::GlueAndTrim:
    case BackingMethod::Punches:
        return false;
    case BackingMethod::MachinePatches:
    case BackingMethod::EnlargedCopy:
    case BackingMethod::Inlay:
    case BackingMethod::OneSheet:
    case BackingMethod::CutFrom:
        break;
    }
    return true;
}

bool cut_by_machine(const DressPiece& piece, const Habits& habits) {
    return habits.mats == CutMats::Machine && !piece.of_frame;
}

void add_contours(const Polygon& outline, std::vector<Ring>& contours) {
    contours.insert(contours.end(), outline.holes.begin(), outline.holes.end());
    contours.push_back(outline.outer);
}

} // namespace zesty
