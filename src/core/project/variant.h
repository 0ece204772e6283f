#pragma once
// An arrangement of the whole page that is kept beside the one in hand.

#include "core/dress/decisions.h"
#include "core/match/decisions.h"
#include "core/sections/decisions.h"
#include "core/setout/decisions.h"
#include "core/sheets/decisions.h"

#include <string>

namespace zesty {

/// Everything that is decided about a page, but for its title, its units and the paper at hand.
struct KeptPage {
    SetOutDecisions set_out;
    SectionDecisions sections;
    MatchDecisions match;
    SheetDecisions sheets;
    DressDecisions dress;
    bool operator==(const KeptPage&) const = default;
};

struct Variant {
    std::string name;
    Shared<KeptPage> page; ///< never null
    bool operator==(const Variant&) const = default;
};
inline constexpr std::size_t most_variants = 6;
inline constexpr std::size_t longest_variant_name = 200; ///< bytes

} // namespace zesty
