#pragma once
// Everything the user decided, and nothing that can be computed. A plain value: copied for undo, compared for
// "changed since saved", handed whole to the worker. The heavy parts never change and are shared.

#include "core/cutfile/drawing.h"
#include "core/setout/page.h"
#include "core/setout/photo.h"
#include "core/setout/placed_cut.h"
#include "core/stash/stash.h"

#include <map>
#include <memory>
#include <optional>
#include <string>
#include <vector>

namespace zesty {

/// A drawing together with the file it came from, so that a project holds all it needs.
struct DrawingFile {
    std::string name;  ///< file name without folders
    std::string bytes; ///< as read
    Drawing drawing;
};

enum class Treatment { Paper, Open };

struct SectionChoice {
    std::string name;
    Treatment treatment = Treatment::Paper;
    std::string paper;   ///< paper id; empty when none has been chosen
    bool locked = false; ///< given by hand: match leaves it alone
    std::optional<double> lip;
    bool operator==(const SectionChoice&) const = default;
    bool plain() const { return *this == SectionChoice{}; }
};

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
    unsigned seed = 1;
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
/// The lowest opening of the section the opening is in.
Spot section_of(const Project& project, Spot opening);

/// Puts a drawing on the page with a border of 1/2 in; returns the new cut's id.
int add_cut(Project& project, std::shared_ptr<const DrawingFile> drawing);
/// The page with this drawing alone; decisions about openings go.
void set_only_cut(Project& project, std::shared_ptr<const DrawingFile> drawing);
/// Another copy of a cut beside it, upright or facing it; its sections are decided alike. Returns the id.
int copy_cut(Project& project, int id, bool facing, double beside);
/// Takes a cut off the page with all that was decided for it, and its drawing when nothing else uses it.
void remove_cut(Project& project, int id);

} // namespace zesty
