#pragma once
// Everything the user decided, and nothing that can be computed: the decisions of every stage. A plain value:
// copied for undo, compared for "changed since saved", handed whole to the worker. The heavy parts never
// change and are shared.

#include "core/build/decisions.h"
#include "core/dress/decisions.h"
#include "core/keep/decisions.h"
#include "core/match/decisions.h"
#include "core/project/variant.h"
#include "core/sections/decisions.h"
#include "core/setout/decisions.h"
#include "core/sheets/decisions.h"

namespace zesty {

struct Project {
    std::string title;
    Units units = Units::Inches;
    unsigned seed = 1;
    SetOutDecisions set_out;
    SectionDecisions sections;
    Shared<Stash> stash; ///< the paper at hand; null for none
    MatchDecisions match;
    SheetDecisions sheets;
    DressDecisions dress;
    BuildDecisions build;
    KeepDecisions keep;
    std::vector<Variant> variants;      ///< arrangements kept beside this one
    std::vector<std::string> set_aside; ///< what findings said that is meant so, ascending
    bool operator==(const Project&) const = default;
};

/// Nothing has been put on the page yet.
bool is_bare(const Project& project);

} // namespace zesty
