#pragma once
// How much of a page to back: about a third, half, or all of it.
//
// Left open are first those that the page's edge cuts, then the smallest; sections of one size are treated
// alike as far as the number allows, and where a size is parted the open ones are spread. What a photo covers
// in part is never left open. Sections that hold something else than paper, or are locked, stay as they are.

#include "core/project/plan.h"
#include "core/project/project.h"
#include "core/project/ways_out.h"

namespace zesty {

enum class HowMuch { Third, Half, All };
template <> inline constexpr std::array words_of<HowMuch>{"third", "half", "all"};

struct BackedSo {
    HowMuch much = HowMuch::All;
    Project project; ///< with it decided
    std::size_t backed = 0;
    std::size_t of = 0;    ///< sections that may be backed or left open
    double paper_area = 0; ///< mm2
    double minutes = 0;
    std::string reason; ///< why these
};

/// One for each; `plan` is of the project, `shapes` plans what is tried.
Result<std::vector<BackedSo>> how_much_to_back(const Project& project, const Plan& plan,
                                               const Shapes& shapes);

} // namespace zesty
