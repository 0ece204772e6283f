#pragma once
// Openings sorted into sections.

#include "core/cutfile/cut_file.h"
#include "core/sections/decisions.h"
#include "core/sections/spots.h"

namespace zesty {

struct Section {
    Spot id;           ///< its lowest opening, as decisions name it
    std::string label; ///< "7": the number of its lowest opening, as printed on the key
    std::string name;  ///< given by hand, or empty
    std::vector<int> openings;
    Treatment treatment = Treatment::Paper;
    double lip = 0;                                       ///< wanted
    BackingMethod method = BackingMethod::MachinePatches; ///< in force, the treatment's own where it has one
    int order = 0;
    bool punch_on_top = false;
};

/// In order of their lowest openings; `spots` names every opening. Decisions about openings that are not
/// there are ignored. What shares one sheet (BackingMethod::OneSheet) is one section for each cut.
std::vector<Section> sections_of(const std::vector<Spot>& spots, const SectionDecisions& decided);

/// Index of the section of each opening.
std::vector<int> section_by_opening(const std::vector<Section>& sections, std::size_t openings);

/// How far apart the openings of two sections may be and still be neighbours (3/4 in).
inline constexpr double neighbour_limit = 0.75 * mm_per_inch;

/// Two sections that share a bar no wider than the limit.
struct Neighbours {
    int a = 0; ///< indices of sections, a < b
    int b = 0;
    double width = 0; ///< narrowest bar between them, on the page; 0 along a seam
    Point from;       ///< on the page
    Point to;
    bool by_sight = false; ///< no bar between them, but both are seen so close together
};
std::vector<Neighbours> neighbours_of(const CutFile& cut, const std::vector<Section>& sections,
                                      const Transform& to_page, const std::vector<Seam>& seams = {});

} // namespace zesty
