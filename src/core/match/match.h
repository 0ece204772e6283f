#pragma once
// Which paper where.
//
// Hard: papers that are given stay; sections get no paper they must never get, and no two papers that are to
// stay apart meet; nothing is assigned that does not fit on the sheets there are, as the nesting itself says.
// Soft: every section has paper; neighbours differ, in paper and in colour; several papers share the page,
// none too much in one spot; papers come back at least three times, an odd number of times, around the photo;
// the tone of the place; large patterns in large openings; stripes side by side run the same way; papers
// stand out from what lies behind and keep clear of the photo's colours; scraps before sheets. Both sides of
// a paper may be used: they look different and share its sheets. Simulated annealing (S. Kirkpatrick et al.,
// "Optimization by Simulated Annealing", Science 220, 1983) on areas, then corrected by nesting, then
// repaired section by section with nesting as the judge. While a section is short or neighbours are alike
// this is tried again from other starts, and the best is kept: fewest short, then fewest alike, then least
// cost. Deterministic for a seed.

#include "core/match/capacity.h"
#include "core/match/face.h"
#include "core/match/face_distances.h"
#include "core/match/style.h"

namespace zesty {

/// A photo mat that is seen beside a section's paper.
struct MatBeside {
    int face = -1;
    double gap = 0; ///< mm between them
};

struct MatchSection {
    std::vector<int> patches;
    double area = 0;         ///< of its patches
    double radius = 0;       ///< of the largest circle inside its smallest opening
    int given = -1;          ///< a face that must stay, or -1
    bool backed = true;      ///< false: gets no paper
    Point at = {};           ///< its middle on the page
    double tone = 0.5;       ///< what its zone wants when colours drift: 0 for light, 1 for dark
    double place_tone = 0.5; ///< the same of its own place, at which an ombre is cut
    std::optional<Lab> wanted = std::nullopt; ///< the colour it wants instead
    /// The cut around it and the base, each by its colours.
    std::vector<std::vector<PaletteColour>> behind = {};
    std::vector<MatBeside> mats = {};
    double beside_photo = 0;                        ///< 1 where it touches a photo, 0 from 2 in away
    std::vector<int> never = {};                    ///< papers it must not get
    std::optional<double> slant_deg = std::nullopt; ///< the way stripes are to run in it, on the page
    int same_as = -1;                               ///< the section whose paper it shares, or -1
};

/// What a paper is wanted for, and what there is of it.
struct MatchPaper {
    std::optional<PaperRole> role = std::nullopt;
    double scraps = 0; ///< mm2
    double sheet = 1;  ///< mm2 of a whole sheet
    double stock = 0;  ///< mm2 in all
    double wanted = 0; ///< mm2 of it that room is to be kept for
    /// Stands for its kind of pattern: used at least once where it has room.
    bool feature = false;
};

struct MatchJob {
    const Stash& stash;
    std::vector<MatchSection> sections;
    std::vector<Neighbours> neighbours; ///< by index into `sections`
    unsigned seed = 1;
    MatchStyle style = {};
    std::vector<MatchPaper> papers = {};           ///< by paper; empty for nothing special
    std::vector<std::pair<int, int>> apart = {};   ///< papers that must not meet
    std::vector<PaletteColour> photo_colours = {}; ///< of all photos
    std::optional<Point> focus = std::nullopt;     ///< what papers are to surround: the photos' middle
    double effort = 1;           ///< how much is tried while something is short or alike, against the usual
    std::vector<int> start = {}; ///< an assignment to improve on, by section; empty to begin anew
    /// Of the stash's sides; worked out where it is not given.
    std::shared_ptr<const FaceDistances> distances = nullptr;
};

struct Assignment {
    std::vector<int> paper; ///< by section: a face, see faces_of(); -1 for none
    /// Neighbours left with the same paper, as indices into MatchJob::neighbours: neither a change of paper
    /// nor an exchange between two sections that fits on the sheets was found to part them.
    std::vector<int> alike;
    double cost = 0;
    bool complete = true; ///< false when stopped early
};

/// `capacity` must be in use for the same stash and patches.
Assignment match(const MatchJob& job, Capacity& capacity, const StopToken& stop = {},
                 const Progress& progress = {});

/// What a whole assignment costs; lower is better. Papers are not checked against the stock, but every pair
/// of papers that must stay apart costs more than a section without paper.
double cost_of(const MatchJob& job, const std::vector<int>& paper);

} // namespace zesty
