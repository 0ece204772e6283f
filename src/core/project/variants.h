#pragma once
// Arrangements of the whole page that are kept beside the one in hand, and what they come to.

#include "core/project/planner.h"

namespace zesty {

/// The decisions of the page in hand, as they are kept.
KeptPage page_to_keep(const Project& project);

/// Which kept arrangement the page in hand is exactly, or -1.
int shown_variant(const Project& project);

/// "Arrangement 3": a name no other has.
std::string name_for_variant(const Project& project);

/// Keeps the page in hand under a name; one of that name is replaced. Fails where six are kept.
Result<void> keep_variant(Project& project, const std::string& name);

/// The page becomes exactly that arrangement; one that is not there changes nothing.
void restore_variant(Project& project, std::size_t variant);

/// What an arrangement comes to.
struct VariantFigures {
    std::string name; ///< empty for the page in hand, where it is kept under no name
    int problems = 0, advice = 0;
    int short_patches = 0;
    int sheets = 0, scraps = 0; ///< that are cut into
    double paper_area = 0;      ///< mm2, patches, photo mats and layers
    double highest = 0;         ///< mm
    std::vector<std::string> missing;
    std::shared_ptr<const OfferedPage> page; ///< for its picture
};

/// The page in hand first, then every kept one that it is not. Fails when it is told to stop.
Result<std::vector<VariantFigures>> compare_variants(const Project& project, Planner& planner,
                                                     const StopToken& stop = {});

} // namespace zesty
