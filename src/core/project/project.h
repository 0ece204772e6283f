#pragma once
// Everything the user decided, and nothing that can be computed. A plain value: copied for undo, compared for
// "changed since saved", handed whole to the worker. The heavy parts never change and are shared.

#include "core/cutfile/drawing.h"
#include "core/match/print_wish.h"
#include "core/match/style.h"
#include "core/sections/division.h"
#include "core/sections/treatment.h"
#include "core/setout/page.h"
#include "core/setout/photo.h"
#include "core/setout/placed_cut.h"
#include "core/stash/wanted.h"

#include <map>
#include <memory>
#include <optional>
#include <set>
#include <string>
#include <vector>

namespace zesty {

/// A drawing together with the file it came from, so that a project holds all it needs.
struct DrawingFile {
    std::string name;  ///< file name without folders
    std::string bytes; ///< as read
    Drawing drawing;
};

struct SectionChoice {
    std::string name;
    Treatment treatment = Treatment::Paper;
    std::string paper;   ///< paper id; empty when none has been chosen
    bool locked = false; ///< given by hand: match leaves it alone
    std::optional<double> lip;
    std::optional<School> school = std::nullopt; ///< where it differs from the page's
    int order = 0;                               ///< when it is glued: lower first; 0 leaves it to the plan
    Side side = Side::A;                         ///< of the paper
    std::vector<std::string> never = {};         ///< papers it must not get, ascending
    std::optional<Spot> same_as = std::nullopt;  ///< gets whatever paper that section gets
    bool facing = false;                         ///< with same_as: its stripes slant the other way
    PrintWish print = {};
    bool operator==(const SectionChoice&) const = default;
    bool plain() const { return *this == SectionChoice{}; }
};

/// How patches are made, for the whole page.
struct BackingRules {
    School school = School::MachinePatches;
    LipMode lips = LipMode::Meet;
    double inlay_clearance = 0.25;
    double foam_width = mm_per_inch / 8;
    std::vector<double> punches = usual_punches(); ///< diameters at hand, ascending
    bool punch_on_top = false;                     ///< circles on the openings instead of behind them
    bool operator==(const BackingRules&) const = default;
    /// 1, 1 1/4, 1 1/2, 1 3/4, 2, 2 1/2 and 3 in.
    static std::vector<double> usual_punches();
};

/// A bar shared by two whole openings, the lower one first.
using BarName = std::pair<Spot, Spot>;

/// What names the bare base where it is divided.
inline const Spot base_spot{-1, 0, 0};

struct Project {
    std::string title;
    Units units = Units::Inches;
    Page page;
    std::vector<std::shared_ptr<const DrawingFile>> drawings; ///< none is null
    std::vector<PlacedCut> cuts;                              ///< lowest first
    std::vector<Photo> photos;                                ///< lowest first
    std::shared_ptr<const Stash> stash;                       ///< null for none
    double lip = mm_per_inch / 8;
    double blade_gap = 0.5; ///< kept free between patches on a sheet
    BackingRules backing;
    std::map<BarName, LipMode> bars;     ///< where patches do something else on a bar than on the others
    double mat_width = 12 * mm_per_inch; ///< of the cutting mat, as far as it is cut on
    double mat_height = 12 * mm_per_inch;
    /// Openings that are divided, by whole opening; the bare base under `base_spot`.
    std::map<Spot, Division> divisions;
    unsigned seed = 1;
    MatchStyle style;                       ///< of proposals
    std::map<std::string, PaperRole> roles; ///< by paper
    /// Papers that must not lie beside each other; each pair ascending, pairs ascending.
    std::vector<std::pair<std::string, std::string>> apart;
    Slants slants;
    /// What room is to be kept for on the sheets, by page and paper.
    std::vector<WantedPiece> wanted;
    std::map<Spot, SheetPin> pins; ///< patches put on their sheets by hand, by opening
    /// Openings that share a section; each group ascending and of at least two, groups in order.
    std::vector<std::vector<Spot>> groups;
    /// What was decided for a section, by its lowest opening. Sections without an entry are backed with paper
    /// still to be chosen.
    std::map<Spot, SectionChoice> sections;

    const SectionChoice& choice(Spot section) const;
    /// Sets or, when it says nothing, removes the entry.
    void choose(Spot section, SectionChoice choice);

    const PlacedCut* cut_by_id(int id) const; ///< null when there is none
};

/// Drawings and stashes are equal when their content is.
bool operator==(const Project& a, const Project& b);

/// One section of all the sections these openings belong to; the first one's choice stays.
void group(Project& project, const std::vector<Spot>& openings);
/// Takes the openings' groups apart; each part keeps the choice of the section it was in.
void ungroup(Project& project, const std::vector<Spot>& openings);
/// Divides openings or the base; decisions about their sections go, the paper stays with the first part.
void divide(Project& project, const std::vector<Spot>& openings, const Division& division);
/// Makes them whole again.
void undivide(Project& project, const std::vector<Spot>& openings);
/// The lowest opening of the section the opening is in.
Spot section_of(const Project& project, Spot opening);

/// Patches meet or overlap on these bars, whatever they do elsewhere; a bar that does as all others is not
/// kept.
void set_bars(Project& project, const std::vector<BarName>& bars, LipMode lips);

/// These papers must not lie beside each other; or may again.
void keep_apart(Project& project, const std::string& paper, const std::string& other, bool apart);

/// Calls change(choice) for every section that one of the openings is in.
template <class Change>
void change_sections(Project& project, const std::vector<Spot>& openings, Change change) {
    std::set<Spot> sections;
    for (Spot o : openings) sections.insert(section_of(project, o));
    for (Spot s : sections) {
        SectionChoice c = project.choice(s);
        change(c);
        project.choose(s, std::move(c));
    }
}

/// Puts a drawing on the page with a border of 1/2 in; returns the new cut's id.
int add_cut(Project& project, std::shared_ptr<const DrawingFile> drawing);
/// The page with this drawing alone; decisions about openings go.
void set_only_cut(Project& project, std::shared_ptr<const DrawingFile> drawing);
/// Another copy of a cut beside it, upright or facing it; its sections are decided alike. Returns the id.
int copy_cut(Project& project, int id, bool facing, double beside);
/// A shadow: the cut once more, `by` mm larger all round, below it and in register. Returns the id.
int add_shadow(Project& project, int id, double by);
/// One cut for every layer of its drawing in the place of this one; false when there is one layer only.
bool split_layers(Project& project, int id);
/// Takes a cut off the page with all that was decided for it, and its drawing when nothing else uses it.
void remove_cut(Project& project, int id);

} // namespace zesty
