#pragma once
// Decisions of Sections that settle findings.

#include "core/sections/decisions.h"

namespace zesty {

struct SetTreatment {
    Spot section;
    Treatment treatment;
    void operator()(SectionDecisions& decided) const;
    bool operator==(const SetTreatment&) const = default;
};
/// A lip of their own for sections.
struct SetSectionLip {
    std::vector<Spot> sections;
    double lip;
    void operator()(SectionDecisions& decided) const;
    bool operator==(const SetSectionLip&) const = default;
};
struct SetMethod {
    Spot section;
    BackingMethod method;
    void operator()(SectionDecisions& decided) const;
    bool operator==(const SetMethod&) const = default;
};

} // namespace zesty
