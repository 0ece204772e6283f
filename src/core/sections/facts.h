#pragma once
// What follows from Sections: everything that can be backed, and the patches for it. Page millimetres, but
// for the cut, which has coordinates of its own.

#include "core/cutfile/insert_labels.h"
#include "core/sections/extras.h"
#include "core/sections/patches.h"
#include "core/sections/sections.h"

#include <memory>

namespace zesty {

/// What an opening shows of the photos behind it.
struct PhotoBehind {
    int photo = -1;   ///< the one that shows most; -1 for none
    double share = 0; ///< of the opening, all photos behind together
};

/// Openings that something covers for good, and what leaving them saves.
struct HiddenWork {
    std::vector<int> openings;
    double paper_area = 0; ///< about, mm2
    double minutes = 0;    ///< about
};

struct SectionFacts {
    std::shared_ptr<const CutFile> cut; ///< of all cuts; null for an empty page
    std::vector<Spot> spots;            ///< by opening: its name in decisions
    std::vector<int> cut_of_opening;    ///< by opening: index into SetOutDecisions::cuts; -1 for the base
    std::vector<InsertLabel> inserts;
    std::vector<Section> all;
    std::vector<int> of_opening; ///< by opening: its section
    std::vector<Neighbours> neighbours;
    std::vector<Patch> patches;
    std::vector<double> covered;      ///< by opening: the share that photos and cuts above hide
    std::vector<PhotoBehind> behind;  ///< by opening
    std::vector<double> enlargements; ///< of the enlarged copies
    std::vector<int> without_patch;   ///< openings too narrow for the inlay they were to get
    std::vector<Shaker> shakers;
    std::vector<SectionPhoto> photo_sizes; ///< to order for openings that show a photo
    std::vector<WritingRoom> writing;
    HiddenWork hidden; ///< what need not be backed
    double backing_minutes = 0;
};

/// Index of the patch of an opening, or -1.
inline int patch_of(const SectionFacts& facts, int opening) {
    for (std::size_t p = 0; p < facts.patches.size(); ++p)
        if (facts.patches[p].opening == opening) return static_cast<int>(p);
    return -1;
}
/// By section: whether any of it has a patch. What shows a photo, or is covered, has none.
inline std::vector<char> sections_with_patch(const SectionFacts& facts) {
    std::vector<char> out(facts.all.size(), 0);
    for (const Patch& p : facts.patches) out[p.section] = 1;
    return out;
}

/// Where the label of an opening stands, on the page.
inline Point middle_of(const SectionFacts& facts, const SetOut& set_out, int opening) {
    return set_out.to_page(facts.cut->openings[opening].label.centre);
}

} // namespace zesty
