#pragma once
// Everything the user decided, and nothing that can be computed. A plain value: copied for undo, compared for
// "changed since saved", handed whole to the worker. The heavy parts never change and are shared.

#include "core/cutfile/drawing.h"
#include "core/geometry/lengths.h"
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

/// All lengths in millimetres.
struct Page {
    double width = 12 * mm_per_inch;
    double height = 12 * mm_per_inch;
    double reveal = 0;                 ///< how much of a frame paper shows round the base; 0 for no frame
    double glue_lip = mm_per_inch / 2; ///< of the frame paper behind the base
    bool operator==(const Page&) const = default;
};

enum class SizeRule { Margin, Width, Height };

struct CutPlacement {
    SizeRule rule = SizeRule::Margin;
    double length = mm_per_inch / 2; ///< the margin to the page, or the width or height of the turned cut
    double turn_deg = 0;             ///< clockwise as seen
    bool mirrored = false;           ///< left to right, before turning
    Point shift;                     ///< from the middle of the page
    bool operator==(const CutPlacement&) const = default;
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
    CutPlacement cut;
    std::shared_ptr<const DrawingFile> drawing; ///< null for an empty page
    std::shared_ptr<const Stash> stash;         ///< null for none
    double lip = mm_per_inch / 8;
    double blade_gap = 0.5; ///< kept free between patches on a sheet
    unsigned seed = 1;
    /// Openings that share a section, as indices; each group ascending and of at least two, groups in order.
    std::vector<std::vector<int>> groups;
    /// What was decided for a section, by its lowest opening. Sections without an entry are backed with paper
    /// still to be chosen.
    std::map<int, SectionChoice> sections;

    const SectionChoice& choice(int section) const;
    /// Sets or, when it says nothing, removes the entry.
    void choose(int section, SectionChoice choice);
};

/// Drawings and stashes are equal when their content is.
bool operator==(const Project& a, const Project& b);

/// One section of all the sections these openings belong to; the first one's choice stays.
void group(Project& project, const std::vector<int>& openings);
/// Takes the openings' groups apart; each part keeps the choice of the section it was in.
void ungroup(Project& project, const std::vector<int>& openings);
/// The lowest opening of the section the opening is in.
int section_of(const Project& project, int opening);

} // namespace zesty
