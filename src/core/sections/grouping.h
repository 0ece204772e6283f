#pragma once
// Ways of finding the openings that belong together.

#include "core/cutfile/cut_file.h"
#include "core/names.h"

#include <optional>
#include <string>

namespace zesty {

struct GroupRule {
    enum class Kind {
        Twins, ///< the same shape
        Sizes, ///< `count` classes by area, parted where the sizes differ most
        Bands, ///< `count` bands of the page, from the top
        Rings, ///< `count` rings around `centre`
        Rows,  ///< openings that stand in a line, left to right
        Cuts,  ///< by placed cut
    };
    Kind kind = Kind::Twins;
    int count = 3;
    Point centre; ///< on the page
};

template <>
inline constexpr std::array words_of<GroupRule::Kind>{"twins", "sizes", "bands", "rings", "rows", "cuts"};

/// Openings of `cut`, sorted into groups of at least two; `among` limits them, empty for all.
/// `cut_of_opening` is needed for Kind::Cuts.
std::vector<std::vector<int>> groups_by(const GroupRule& rule, const CutFile& cut, const Transform& to_page,
                                        const std::vector<int>& cut_of_opening, std::vector<int> among);

/// Openings whose label lies inside the outline drawn on the page.
std::vector<int> inside_outline(const CutFile& cut, const Transform& to_page, const Ring& outline);

/// The row the opening stands in: whoever's middle lies within half its height of its own.
std::vector<int> row_of(const CutFile& cut, const Transform& to_page, int opening);

} // namespace zesty
