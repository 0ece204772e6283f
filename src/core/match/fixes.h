#pragma once
// Decisions about papers that settle findings.

#include "core/match/decisions.h"

namespace zesty {

/// The pattern of the section need not run on.
struct EndRunOn {
    Spot section;
    void operator()(MatchDecisions& decided) const {
        PaperChoice c = decided.choice(section);
        c.pattern.run_on = false;
        decided.choose(section, std::move(c));
    }
    bool operator==(const EndRunOn&) const = default;
};

} // namespace zesty
