#include "core/sections/fixes.h"

namespace zesty {

namespace {

template <class Change> void change_section(SectionDecisions& decided, Spot section, Change change) {
    const Spot head = decided.section_of(section);
    SectionChoice c = decided.choice(head);
    change(c);
    decided.choose(head, std::move(c));
}

} // namespace

void SetTreatment::operator()(SectionDecisions& decided) const {
    change_section(decided, section, [&](SectionChoice& c) { c.treatment = treatment; });
}

void SetSectionLip::operator()(SectionDecisions& decided) const {
    for (const Spot s : sections) change_section(decided, s, [&](SectionChoice& c) { c.lip = lip; });
}

void SetMethod::operator()(SectionDecisions& decided) const {
    change_section(decided, section, [&](SectionChoice& c) { c.method = method; });
}

} // namespace zesty
